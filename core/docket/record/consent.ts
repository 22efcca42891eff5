/**
 * What a wearer agrees to, as it is put to them, with the version of its words: who agreed to earlier
 * words agreed to those.
 */
export const CONSENT = {
  version: 1,
  words:
    'They agree to be measured, and that what is measured and decided is kept by the house until they ask for it to be erased.',
} as const;

/**
 * What a wearer agrees to, as it is put to them, with the version of its words: who agreed to earlier
 * words agreed to those.
 */
export const CONSENT = {
  version: 1,
  words:
    'The wearer agrees to be measured, and that the house keeps the readings and decisions until the wearer asks to erase them.',
} as const;

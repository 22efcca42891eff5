/** What somebody has to be trusted with to do an act of a muster. */
export const MUSTER_CAPABILITIES = ['work-muster', 'lead-muster'] as const;
export type MusterCapability = (typeof MUSTER_CAPABILITIES)[number];

/** What somebody is trusted with, as it stands in a sentence: "Your role does not let you check wearers in". */
export const MUSTER_CAPABILITY_WORDS: Readonly<Record<MusterCapability, string>> = {
  'work-muster': 'check in and call wearers at a muster',
  'lead-muster': 'open, change and close musters, and accept wearers’ own measurements',
};

/** What somebody has to be trusted with to do an act: to measure, to decide sizes, or to hand over and take back. */
export const ACT_CAPABILITIES = ['measure', 'decide', 'hand-over'] as const;
export type ActCapability = (typeof ACT_CAPABILITIES)[number];

/** What somebody is trusted with, as it stands in a sentence: "trusted to measure". */
export const ACT_CAPABILITY_WORDS: Readonly<Record<ActCapability, string>> = {
  measure: 'measure people',
  decide: 'decide sizes and try garments on',
  'hand-over': 'hand over garments and take returns',
};

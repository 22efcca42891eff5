import type { GarmentKindFacts } from '../garment-kind';

/** Other garments. */
export const other = {
  kind: 'other',
  words: 'Other garments',
  caution: null,
  protects: false,
  altered: true,
  worn: { clothing: null, prepare: [] },
  cutWider: false,
  hemmed: null,
  hired: false,
  numbered: false,
  dryingDays: 0,
  checks: [],
} as const satisfies GarmentKindFacts;

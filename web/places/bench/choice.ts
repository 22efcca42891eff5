import type { DecisionSave, DocketSave } from '@neat-measure/contract';

/** What is done with a garment. */
export type Choice =
  | Pick<Extract<DecisionSave, { outcome: 'accepted' }>, 'outcome' | 'sizes'>
  | Pick<Extract<DecisionSave, { outcome: 'overridden' }>, 'outcome' | 'sizes' | 'reason'>
  | Pick<Extract<DecisionSave, { outcome: 'made-to-measure' }>, 'outcome' | 'reason'>
  | Pick<Extract<DecisionSave, { outcome: 'later' }>, 'outcome' | 'reason'>;

/** What a docket says of one garment in the place of the chart. */
export type Override = DocketSave['overrides'][string];

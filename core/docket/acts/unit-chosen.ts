import * as z from 'zod';
import { UNIT_WORDS, WORKING_UNITS } from '../../quantity/length';
import { ACT_BASE, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('unit-chosen'),
  unit: z.enum(WORKING_UNITS),
});
/** Says in which unit a bare number is read from now on. What was read before keeps the unit it was read in. */
export type UnitChosen = z.infer<typeof schema>;

export const unitChosen: ActKind<UnitChosen> = {
  kind: 'unit-chosen',
  schema,
  refuse: () => null,
  carryOut: (docket, { unit }) => ({ ...docket, unit }),
  undo: ({ unit: before }, { unit }) => (before === unit ? null : { kind: 'unit-chosen', unit: before }),
  say: ({ unit }) => `changed the docket to ${UNIT_WORDS[unit]}`,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};

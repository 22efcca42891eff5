import * as z from 'zod';
import { measurement } from '../../body/catalogue';
import { MEASUREMENT_CODES } from '../../body/catalogue/codes';
import { CHECK_CODES } from '../../capture/checks/checks';
import { bareUnit } from '../../capture/read-reading';
import { formatLength } from '../../quantity/format-length';
import type { Length } from '../../quantity/length';
import { ACT_BASE, needsNothing, noGarments, wordsSchema, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('suspicion-confirmed'),
  check: z.enum(CHECK_CODES),
  /** The values it is confirmed for; others open it again. */
  values: z
    .array(
      z.object({
        code: z.enum(MEASUREMENT_CODES),
        value: z.int().transform((count) => count as Length),
      }),
    )
    .min(1)
    .max(MEASUREMENT_CODES.length),
  reason: wordsSchema(120),
});
/** A fitter's word that values which failed a check are as they are. */
export type SuspicionConfirmed = z.infer<typeof schema>;

export const suspicionConfirmed: ActKind<SuspicionConfirmed> = {
  kind: 'suspicion-confirmed',
  schema,
  refuse: () => null,
  carryOut: (docket, { check, values }) => ({
    ...docket,
    confirmations: [...docket.confirmations, { check, values }],
  }),
  say: ({ values }) => {
    const said = values.map(
      ({ code, value }) =>
        `${measurement(code).name.toLowerCase()} ${formatLength(value, bareUnit(code, 'cm'))}`,
    );
    return `confirmed as read: ${said.join(', ')}`;
  },
  undo: 'never',
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};

import * as z from 'zod';
import { FIT_PREFERENCES } from '../../chart/chart-shape';
import { WORKING_UNITS } from '../../quantity/length';
import type { Docket } from '../docket';
import { ACT_BASE, idSchema, needsNothing, noGarments, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('docket-opened'),
  wearerId: idSchema,
  occasion: z.string().trim().max(120),
  unit: z.enum(WORKING_UNITS),
  preference: z.enum(FIT_PREFERENCES),
});
/** The first act of every docket: whose it is, for what, in which unit, worn how. */
export type DocketOpened = z.infer<typeof schema>;

/**
 * The docket that an opening makes, with nothing on it yet.
 *
 * @example openedDocket(acts[0]).readings // []
 */
export function openedDocket({ docketId, wearerId, occasion, unit, preference, at }: DocketOpened): Docket {
  return {
    id: docketId,
    wearerId,
    occasion,
    unit,
    preference,
    openedAt: at,
    consent: null,
    garments: [],
    protocolIds: [],
    extraCodes: [],
    clothing: {},
    tension: {},
    waist: null,
    told: {},
    readings: [],
    passed: [],
    confirmations: [],
    wishes: [],
    styles: [],
    decisions: [],
    trials: [],
    alterations: [],
    altered: [],
    fittings: [],
    handings: [],
  };
}

export const docketOpened: ActKind<DocketOpened> = {
  kind: 'docket-opened',
  schema,
  refuse: () => ({ code: 'opened-already' }),
  carryOut: (docket) => docket,
  say: ({ occasion }) => (occasion === '' ? 'opened the docket' : `opened the docket: ${occasion}`),
  undo: 'opening',
  opens: openedDocket,
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};

import * as z from 'zod';
import { SKIRT_CUTS, WISH_CODES, wishOf } from '../../body/wishes';
import { readWish } from '../../capture/read-wish';
import { WORKING_UNITS, type Length } from '../../quantity/length';
import type { NotedWish } from '../docket';
import { ACT_BASE, needsNothing, noGarments, wordsSchema, type ActKind } from './act';

const schema = z.object({
  ...ACT_BASE,
  kind: z.literal('wish-noted'),
  wish: z.enum(WISH_CODES),
  /** What was typed, as it was. */
  typed: wordsSchema(40),
  /** The unit a bare number took. */
  unit: z.enum(WORKING_UNITS),
  /** What was typed comes to, in micrometres; refused where it does not. */
  length: z.int().transform((count) => count as Length),
  /** Where along its line on the figure it was pointed at, in thousandths; `null` where nobody pointed. */
  pointed: z.int().min(0).max(1000).nullable(),
  /** The cut by which it was estimated from the hip; `null` of what was told or measured. */
  estimatedFor: z.enum(SKIRT_CUTS).nullable(),
});
/** Notes a length that is wanted of a garment. It is none of the body: no value and no size follow from it. */
export type WishNoted = z.infer<typeof schema>;

export const wishNoted: ActKind<WishNoted> = {
  kind: 'wish-noted',
  schema,
  refuse: (_docket, { wish, typed, unit, length }) => {
    const read = readWish(typed, wish, unit);
    if (!read.ok) return { code: 'unreadable-wish', problem: read.problem, unit };
    return read.value === length ? null : { code: 'length-differs', typed, length };
  },
  carryOut: (docket, { wish, typed, unit, length, pointed, estimatedFor, by, at }) => {
    const noted: NotedWish = { wish, typed, unit, length, pointed, estimatedFor, by, notedAt: at };
    return { ...docket, wishes: [...docket.wishes.filter((one) => one.wish !== wish), noted] };
  },
  undo: (before, { wish }) => {
    const last = before.wishes.find((one) => one.wish === wish);
    if (last === undefined) return { kind: 'wish-dropped', wish };
    const { typed, unit, length, pointed, estimatedFor } = last;
    return { kind: 'wish-noted', wish, typed, unit, length, pointed, estimatedFor };
  },
  say: ({ wish, typed, unit, estimatedFor }) => {
    const value = /\d$/.test(typed) ? `${typed} ${unit}` : typed;
    const from = estimatedFor === null ? '' : ', estimated from the hip';
    return `noted a wish, ${wishOf(wish).name.toLowerCase()}: ${value}${from}`;
  },
  takes: 'measure',
  about: noGarments,
  stages: noGarments,
  evidence: false,
  needs: needsNothing,
  lookedUpBy: () => null,
};

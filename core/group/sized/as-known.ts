import { apply } from '../../docket/apply';
import { bareUnit } from '../../capture/read-reading';
import type { Act } from '../../docket/acts';
import type { Docket } from '../../docket/docket';
import { stepsOf } from '../../docket/judge/steps';
import type { Library } from '../../docket/library';
import { planOf } from '../../docket/plan';
import type { RecordedValue } from '../../docket/record/record';
import { carriedOver, usableRecord } from '../../docket/record/usable';

/** What the sizes of one of a group rest on: what was read for it, an earlier docket, what the wearer said, or nothing. */
export const RESTS = ['read', 'record', 'own', 'nothing'] as const;
export type Rests = (typeof RESTS)[number];

/** A docket as it would be with everything that is known. */
export interface KnownDocket {
  readonly docket: Docket;
  readonly rests: Rests;
}

/** Whoever looks ahead signs nothing. */
const NOBODY = { id: '', name: '' };

/**
 * A docket as it would be if its fitter used whatever stands on record for what nobody has read yet, each value with the
 * error its origin gives it. Nothing is kept of it: it is for looking ahead.
 *
 * @param record what is on record of the wearer for it
 * @param at when it is looked at
 * @example asKnown(docket, library, [], '2026-05-05T08:00:00.000Z').rests // 'read'
 */
export function asKnown(
  docket: Docket,
  library: Library,
  record: readonly RecordedValue[],
  at: string,
): KnownDocket {
  const steps = stepsOf(planOf(docket, library), docket, [], library.habits);
  const usable = usableRecord(steps, record);
  const own = docket.readings.filter(({ withdrawnAt }) => withdrawnAt === null);
  const full = usable.reduce<Docket>((now, one, place) => {
    const act: Act = {
      ...{ id: `${docket.id}/${place}`, docketId: docket.id, at, by: NOBODY },
      ...carriedOver(one, bareUnit(one.step.code, docket.unit)),
    };
    const applied = apply(now, act, library);
    return applied.ok ? applied.value.docket : now;
  }, docket);
  const origins = [...own, ...usable.map(({ known }) => known)].map(({ origin }) => origin);
  const rests = origins.some((origin) => origin === 'self' || origin === 'reported')
    ? 'own'
    : usable.length > 0
      ? 'record'
      : own.length > 0
        ? 'read'
        : 'nothing';
  return { docket: full, rests };
}

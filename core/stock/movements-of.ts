import { RETURN_WORDS } from '../docket/acts/handing/garment-came-back';
import type { CameBack, Docket, Handing, ReturnWay } from '../docket/docket';
import type { Whereabouts } from './movement';

/** What a docket moves in the stores, and what that is for a piece that is hired. */
export interface DocketMovement {
  /** What was handed over, or is again with the wearer, or is so no more. */
  readonly handing: Handing;
  readonly kind: 'issued' | 'returned' | 'undone';
  readonly from: Whereabouts;
  readonly to: Whereabouts;
  /** Why it came back; what else was said of it stays on the docket. */
  readonly reason: string | null;
  /** What happens to the booking of a numbered piece. */
  readonly hire: 'out' | 'not-out' | 'ended' | 'not-ended';
}

const WENT: Readonly<Record<ReturnWay, (roomId: string) => Whereabouts>> = {
  stock: (roomId) => ({ in: 'room', roomId, compartment: 'shelf' }),
  drying: (roomId) => ({ in: 'room', roomId, compartment: 'drying' }),
  quarantine: (roomId) => ({ in: 'room', roomId, compartment: 'quarantine' }),
  waste: () => ({ in: 'waste' }),
};
const WEARER: Whereabouts = { in: 'wearer' };

/**
 * What has to move in the stores so that they agree with a docket again: it follows from what the wearer has, or has
 * given back, before an act and after it, whatever act that was. What was not taken from the stores moves nothing there.
 *
 * @param before what had been handed over
 * @param after what has been now
 * @returns what moves, in the order of the hand-overs; nothing where the two agree
 * @example movementsOf(docket, worn).map(({ kind, to, hire }) => [kind, to.in, hire]) // [['issued', 'wearer', 'out']]
 */
export function movementsOf(
  before: Pick<Docket, 'handings'>,
  after: Pick<Docket, 'handings'>,
): DocketMovement[] {
  const gone = before.handings
    .filter((one) => !after.handings.some(same(one)))
    .flatMap((one) => [...(one.back === null ? [] : tookBack(one, one.back, null)), ...went(one, false)]);
  const others = after.handings.flatMap((one) => {
    const was = before.handings.find(same(one));
    if (was === undefined) return [...went(one, true), ...tookBack(one, null, one.back)];
    return tookBack(one, was.back, one.back);
  });
  return [...gone, ...others];
}

/**
 * The hires that end on another day after an act than before it, as they are after it.
 *
 * @example extendedIn(docket, docket) // []
 */
export function extendedIn(
  before: Pick<Docket, 'handings'>,
  after: Pick<Docket, 'handings'>,
): readonly Handing[] {
  return after.handings.filter((one) => {
    const was = before.handings.find(same(one));
    return was !== undefined && one.back === null && one.from !== undefined && was.until !== one.until;
  });
}

const same = (one: Handing) => (other: Handing) => one.actId === other.actId && one.chartId === other.chartId;

function went(handing: Handing, out: boolean): DocketMovement[] {
  if (handing.from === undefined) return [];
  const room = WENT.stock(handing.from.roomId);
  return [
    out
      ? { handing, kind: 'issued', from: room, to: WEARER, reason: null, hire: 'out' }
      : { handing, kind: 'undone', from: WEARER, to: room, reason: null, hire: 'not-out' },
  ];
}

function tookBack(handing: Handing, was: CameBack | null, is: CameBack | null): DocketMovement[] {
  if (handing.from === undefined) return [];
  const { roomId } = handing.from;
  const where = ({ goes, to }: CameBack) => WENT[goes](to ?? roomId);
  if (was === null && is !== null)
    return [
      {
        handing,
        kind: 'returned',
        from: WEARER,
        to: where(is),
        reason: RETURN_WORDS[is.why],
        hire: 'ended',
      },
    ];
  if (was !== null && is === null)
    return [{ handing, kind: 'undone', from: where(was), to: WEARER, reason: null, hire: 'not-ended' }];
  return [];
}

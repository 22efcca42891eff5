import { extendedIn, movementsOf } from './movements-of';
import { RETURN_WAYS, type CameBack, type Docket, type ReturnWay } from '../testing/all';
import { worn } from '../testing/examples';

const BACK: Omit<CameBack, 'goes' | 'to'> = {
  at: '2026-05-05T08:00:00.000Z',
  why: 'tight',
  area: null,
  note: null,
  by: worn.handings[0]!.by,
  trialId: null,
  decisionId: null,
};

describe('movementsOf', () => {
  const cameBack = (goes: ReturnWay): Pick<Docket, 'handings'> => ({
    handings: worn.handings.map((one) => ({
      ...one,
      back: { ...BACK, goes, to: one.from!.roomId },
    })),
  });

  it('has what comes back lie where it was said to go', () => {
    const places = RETURN_WAYS.map((goes) => movementsOf(worn, cameBack(goes)).map(({ to }) => to));
    const { roomId } = worn.handings[0]!.from!;
    expect(places).toEqual([
      [{ in: 'room', roomId, compartment: 'shelf' }],
      [{ in: 'room', roomId, compartment: 'drying' }],
      [{ in: 'room', roomId, compartment: 'quarantine' }],
      [{ in: 'waste' }],
    ]);
  });

  it('tells the hires that end on another day, and none that came back or never lay in the stores', () => {
    const ends = (until: string, changes: Partial<(typeof worn.handings)[0]> = {}) => ({
      handings: worn.handings.map((one) => ({ ...one, way: 'hired' as const, until, ...changes })),
    });
    const [before, after] = [ends('2026-12-04'), ends('2026-12-06')];
    expect(extendedIn(before, after).map(({ until }) => until)).toEqual(['2026-12-06']);
    expect(extendedIn(before, before)).toEqual([]);
    expect(extendedIn({ handings: [] }, after)).toEqual([]);
    expect(extendedIn(before, ends('2026-12-06', { from: undefined }))).toEqual([]);
    expect(extendedIn(before, ends('2026-12-06', { back: cameBack('drying').handings[0]!.back }))).toEqual(
      [],
    );
    expect(movementsOf(before, after)).toEqual([]);
  });

  it('moves nothing where the two agree', () => expect(movementsOf(worn, worn)).toEqual([]));
});

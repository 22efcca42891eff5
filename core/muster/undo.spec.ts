import * as fc from 'fast-check';
import { ODALYS, specId, TIERNAN } from '../testing/docket';
import { SpecMuster } from '../testing/muster';
import { MUSTER_ACTS, type MusterAct } from './acts';
import { PARTS, type Part } from './parts';
import { queuesOf } from './queue';
import { lastOwn } from './undo';

const last = (one: SpecMuster, by = ODALYS.id) => lastOwn(one.acts, by, one.library, MUSTER_ACTS.course());

describe('what is undone on a muster', () => {
  it('is the last of one’s own, and the day is as it was', () => {
    const one = new SpecMuster({ Feet: ['feet'] }, 2);
    const checked = one.checksIn(0, ['feet']);
    const before = one.day(0);
    const call = one.calls(0, 0);
    const found = last(one)!;
    expect([found.act, found.undoing?.kind]).toEqual([call, 'day-restored']);
    one.does('day-restored', found.undoing as never, { undoes: call.id });
    expect(one.day(0)).toEqual(before);
    const next = last(one)!;
    expect(next.act).toBe(checked);
    one.does('day-restored', next.undoing as never, { undoes: checked.id });
    expect(one.day(0).standing.is).toBe('expected');
  });

  it('is not what others have gone on from, and waits for no other wearer', () => {
    const one = new SpecMuster({ Feet: ['feet'], Hands: ['hands'] }, 2);
    one.checksIn(0, ['feet']);
    one.checksIn(1, ['hands']);
    one.does('called', { wearerId: one.person(0).wearerId, stationId: one.station(0).id }, { by: TIERNAN });
    expect(last(one)!.undoing?.kind).toBe('day-restored');
    one.does('called', { wearerId: one.person(1).wearerId, stationId: one.station(1).id }, { by: TIERNAN });
    expect(last(one)!.undoing).toBeNull();
    expect(last(one, specId())).toBeNull();
  });

  it('takes a list of people off again, and puts it on again', () => {
    const one = new SpecMuster({}, 0);
    const ids = one.add(3);
    const added = last(one)!;
    one.does('people-removed', added.undoing as never, { undoes: added.act.id });
    expect(ids.some((id) => one.has(id))).toBeFalse();
    const removed = one.does('people-added', {
      people: ids.map((wearerId) => ({ wearerId, docketId: specId(), groupId: null, kitId: null })),
    });
    one.does('people-removed', { wearerIds: [...ids] });
    const back = last(one)!;
    one.does('people-added', back.undoing as never, { undoes: back.act.id });
    expect(one.muster!.people.map(({ docketId }) => docketId)).toEqual(
      removed.kind === 'people-added' ? removed.people.map(({ docketId }) => docketId) : [],
    );
  });

  it('puts back stations and the muster as they were', () => {
    const one = new SpecMuster({ Feet: ['feet'] });
    const feet = one.station(0).id;
    const undone = () => {
      const { act, undoing } = last(one)!;
      one.does(undoing!.kind, undoing as never, { undoes: act.id });
    };
    const before = one.muster!;
    one.does('station-changed', { stationId: feet, name: 'Boots', parts: ['feet', 'handing'], open: true });
    undone();
    one.does('station-closed', { stationId: feet });
    undone();
    one.does('muster-changed', { name: 'Other', place: '', day: '2026-12-02', lastDay: '2026-12-03' });
    undone();
    one.does('muster-closed', {});
    undone();
    expect(one.muster).toEqual(before);
    one.does('station-opened', { stationId: specId(), name: 'Hands', parts: ['hands'] });
    undone();
    expect(one.muster!.stations.map(({ open }) => open)).toEqual([true, false]);
  });
});

describe('a muster, whatever is done on it', () => {
  const deed = fc.record({
    what: fc.constantFrom('in', 'call', 'finish', 'back', 'went', 'undo', 'close', 'open', 'take'),
    who: fc.nat(5),
    where: fc.nat(2),
    missing: fc.subarray([...PARTS]),
    other: fc.boolean(),
  });

  it('has everybody in one place, nobody at a station with another, and comes to the same replayed', () => {
    fc.assert(
      fc.property(fc.array(deed, { maxLength: 60 }), (deeds) => {
        const one = new SpecMuster(
          { Tape: ['girths', 'lengths', 'deciding'], Feet: ['feet'], Desk: ['trying', 'handing'] },
          6,
        );
        const refused: MusterAct[] = [];
        for (const { what, who, where, missing, other } of deeds) {
          const { wearerId, docketId } = one.person(who);
          const station = one.station(where);
          const by = other ? TIERNAN : ODALYS;
          one.missing.set(docketId, missing as Part[]);
          const own = last(one, by.id);
          const act = {
            in: () => one.act('checked-in', { wearerId, missing: null }, { by }),
            call: () => one.act('called', { wearerId, stationId: station.id }, { by }),
            finish: () => one.act('finished', { wearerId, stationId: station.id, missing: null }, { by }),
            back: () => one.act('sent-back', { wearerId, stationId: station.id }, { by }),
            went: () => one.act('went', { wearerId, why: '' }, { by }),
            close: () => one.act('station-closed', { stationId: station.id }, { by }),
            open: () =>
              one.act(
                'station-changed',
                { stationId: station.id, name: station.name, parts: [...station.parts], open: true },
                { by },
              ),
            take: () => one.act('station-taken', { stationId: station.id, works: true }, { by }),
            undo: () =>
              own?.undoing?.kind !== 'day-restored'
                ? null
                : one.act(own.undoing.kind, own.undoing as never, { by, undoes: own.act.id }),
          }[what]();
          if (act !== null && one.tries(act) !== null) refused.push(act);
          const { stations, stuck } = queuesOf(one.muster!);
          const placed = [...stations.flatMap(({ at, waiting }) => [at, ...waiting]), ...stuck].filter(
            (person) => person !== null,
          );
          const here = one.muster!.people.filter(({ day }) => ['waiting', 'at'].includes(day.standing.is));
          expect(new Set(placed).size).toBe(placed.length);
          expect(placed.length).toBe(here.length);
          const busy = here.flatMap(({ day }) => (day.standing.is === 'at' ? [day.standing.stationId] : []));
          expect(new Set(busy).size).toBe(busy.length);
        }
        expect(MUSTER_ACTS.replay(one.acts)).toEqual(one.muster);
        expect(MUSTER_ACTS.replay(JSON.parse(JSON.stringify(one.acts)))).toEqual(one.muster);
      }),
      { numRuns: 150 },
    );
  });
});

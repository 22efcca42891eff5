import { SpecMuster } from '../../testing/muster';
import { specId, TIERNAN } from '../../testing/docket';
import { isMusterAct, readAnyAct, sayAnyAct, subjectOf } from '../any-act';
import type { MusterPerson } from '../muster';
import { PARTS, type Part } from '../parts';
import { sayMusterRefusal } from '../say-refusal';
import { MUSTER_ACTS, type MusterAct } from '.';
import type { MusterLibrary } from './act';

const TAPE: readonly Part[] = ['girths', 'lengths', 'deciding'];

/** A muster with a tape, feet and a hand-over station, and some people. */
const hall = (people = 2) =>
  new SpecMuster({ Tape: TAPE, Feet: ['feet'], 'Handing over': ['handing'] }, people);

describe('the acts of a muster', () => {
  it('lead a wearer through the stations and out', () => {
    const one = hall();
    one.checksIn(0, ['girths', 'feet', 'deciding', 'trying', 'handing']);
    expect(one.day(0).standing.is).toBe('waiting');
    one.calls(0, 0);
    expect(one.day(0).standing).toEqual({ is: 'at', since: SpecMuster.at(6), stationId: one.station(0).id });
    one.finishes(0, 0, ['feet', 'deciding', 'trying', 'handing']);
    one.calls(0, 1);
    one.finishes(0, 1, ['deciding', 'trying', 'handing']);
    expect(one.day(0).standing.is).toBe('waiting');
    one.calls(0, 2);
    one.finishes(0, 2, []);
    expect(one.day(0).standing).toEqual({ is: 'gone', since: SpecMuster.at(11), how: 'done', why: null });
    expect(one.day(0).visits.map(({ stationId }) => stationId)).toEqual(
      one.muster!.stations.map(({ id }) => id),
    );
  });

  it('do not send a wearer back to where something was left undone, and tell that it is owed', () => {
    const one = new SpecMuster({ Tape: TAPE, 'Handing over': ['handing'] }, 1);
    one.checksIn(0, ['girths', 'deciding', 'handing']);
    one.calls(0, 0);
    // Between two sizes: somebody else has to decide it, and the rest is handed over all the same.
    one.finishes(0, 0, ['deciding', 'handing']);
    expect([one.day(0).left, one.day(0).standing.is]).toEqual([['deciding'], 'waiting']);
    one.calls(0, 1);
    one.finishes(0, 1, ['deciding', 'handing']);
    const gone = one.day(0).standing;
    expect(gone.is === 'gone' && gone.how).toBe('owed');
    one.checksIn(0, ['deciding', 'handing']);
    expect(one.day(0).left).toEqual([]);
  });

  it('do not count as owed what this muster does not do, and do what of the body nobody measured', () => {
    const one = new SpecMuster({ Tape: ['girths', 'deciding'] }, 2);
    for (const [at, missing] of [['handing'], ['feet', 'handing']].entries()) {
      one.checksIn(at, ['girths', 'deciding', 'handing']);
      one.calls(at, 0);
      one.finishes(at, 0, missing as Part[]);
    }
    expect([0, 1].map((at) => one.day(at).standing)).toEqual([
      jasmine.objectContaining({ is: 'gone', how: 'done' }) as never,
      jasmine.objectContaining({ is: 'gone', how: 'owed' }) as never,
    ]);
  });

  it('take a station to have done its own where nobody can look at the docket', () => {
    const one = hall();
    one.checksIn(0, ['girths', 'deciding', 'feet']);
    one.missing.clear();
    one.calls(0, 0);
    one.does('finished', { wearerId: one.person(0).wearerId, stationId: one.station(0).id, missing: null });
    expect(one.day(0).missing).toEqual(['feet']);
  });

  it('never take from who sends it what was missing', () => {
    const one = hall();
    one.missing.set(one.person(0).docketId, ['feet']);
    one.does('checked-in', { wearerId: one.person(0).wearerId, missing: ['handing'] });
    expect(one.day(0).missing).toEqual(['feet']);
    const { without } = MUSTER_ACTS.kindOf({ kind: 'checked-in' }).finds!;
    expect((without(one.acts.at(-1)! as never) as { missing: unknown }).missing).toBeNull();
  });

  it('are refused where they do not fit, in words', () => {
    const one = hall(3);
    const [here, at, away] = [0, 1, 2].map((place) => one.person(place).wearerId);
    one.checksIn(0, ['girths']);
    one.checksIn(1, ['girths']);
    one.calls(1, 0);
    const [tape, feet] = [one.station(0).id, one.station(1).id];
    const refused: readonly [MusterAct, string][] = [
      [
        one.act('muster-opened', {
          name: 'X',
          place: '',
          day: '2026-12-01',
          lastDay: '2026-12-01',
          unit: 'cm',
        }),
        'muster-opened-already',
      ],
      [
        one.act('muster-changed', { name: 'X', place: '', day: '2026-12-02', lastDay: '2026-12-01' }),
        'days-backward',
      ],
      [one.act('muster-reopened', {}), 'muster-open'],
      [
        one.act('people-added', {
          people: [{ wearerId: here!, docketId: specId(), groupId: null, kitId: null }],
        }),
        'on-muster-already',
      ],
      [one.act('people-removed', { wearerIds: [here!] }), 'come-already'],
      [one.act('people-removed', { wearerIds: [specId()] }), 'not-on-muster'],
      [one.act('station-opened', { stationId: tape, name: 'Again', parts: ['feet'] }), 'station-there'],
      [one.act('station-closed', { stationId: tape }), 'station-busy'],
      [one.act('station-closed', { stationId: specId() }), 'no-such-station'],
      [one.act('station-taken', { stationId: specId(), works: true }), 'no-such-station'],
      [one.act('checked-in', { wearerId: here!, missing: null }), 'here-already'],
      [one.act('checked-in', { wearerId: specId(), missing: null }), 'not-on-muster'],
      [one.act('called', { wearerId: here!, stationId: tape }), 'station-busy'],
      [one.act('called', { wearerId: at!, stationId: feet }), 'called-elsewhere'],
      [one.act('called', { wearerId: specId(), stationId: feet }), 'not-on-muster'],
      [one.act('finished', { wearerId: here!, stationId: tape, missing: null }), 'not-at-station'],
      [one.act('sent-back', { wearerId: away!, stationId: tape }), 'not-at-station'],
    ];
    for (const [act, code] of refused) {
      const refusal = one.tries(act);
      expect(refusal?.code)
        .withContext(act.kind)
        .toBe(code as never);
      expect(sayMusterRefusal(refusal!, { wearer: () => 'Ilse Marrow' })).toMatch(/^[A-Z].*\.$/);
    }
    one.does('went', { wearerId: away!, why: 'Ill' });
    for (const act of [
      one.act('went', { wearerId: away!, why: '' }),
      one.act('called', { wearerId: away!, stationId: feet }),
    ])
      expect(one.tries(act)?.code).toBe('gone-already');
    one.does('station-closed', { stationId: feet });
    for (const act of [
      one.act('station-closed', { stationId: feet }),
      one.act('station-taken', { stationId: feet, works: true }),
      one.act('called', { wearerId: here!, stationId: feet }),
    ])
      expect(one.tries(act)?.code).toBe('station-closed');
    one.does('muster-closed', {});
    for (const act of [
      one.act('checked-in', { wearerId: away!, missing: null }),
      one.act('finished', { wearerId: at!, stationId: tape, missing: null }),
      one.act('muster-closed', {}),
      one.act('people-added', {
        people: [{ wearerId: specId(), docketId: specId(), groupId: null, kitId: null }],
      }),
    ])
      expect(one.tries(act)?.code).toBe('muster-closed');
    one.does('muster-reopened', {});
    expect(one.muster!.closedAt).toBeNull();
  });

  it('let somebody work at one station at a time', () => {
    const one = hall();
    const [tape, feet] = [one.station(0).id, one.station(1).id];
    one.does('station-taken', { stationId: tape, works: true });
    one.does('station-taken', { stationId: feet, works: true });
    expect(one.muster!.stations.map(({ fitter }) => fitter?.name ?? '')).toEqual(['', 'Odalys Wren', '']);
    // Somebody else who leaves takes nobody along.
    one.does('station-taken', { stationId: feet, works: false }, { by: TIERNAN });
    expect(one.station(1).fitter?.name).toBe('Odalys Wren');
    one.does('station-taken', { stationId: feet, works: false });
    expect(one.station(1).fitter).toBeNull();
  });

  it('are not opened by anything but an opening, and hold a day that is not before itself', () => {
    const one = hall();
    const applied = MUSTER_ACTS.apply(null, one.act('muster-closed', {}), one.library);
    expect(!applied.ok && applied.problem.code).toBe('no-muster');
    const opening = { ...one.acts[0]!, lastDay: '2026-11-30' };
    expect(readAnyAct(opening).ok).toBeFalse();
    expect(readAnyAct(one.acts[0]).ok).toBeTrue();
  });

  it('are said, one of every kind', () => {
    const one = hall(2);
    const [first, second] = [0, 1].map((at) => one.person(at).wearerId);
    const tape = one.station(0).id;
    const said: readonly [MusterAct, string][] = [
      [one.acts[0]!, 'Odalys Wren opened the muster Winter intake.'],
      [
        one.act('muster-changed', { name: 'Intake', place: '', day: '2026-12-01', lastDay: '2026-12-01' }),
        'Odalys Wren changed the muster Intake.',
      ],
      [one.acts.at(-1)!, 'Odalys Wren added 2 wearers to the muster.'],
      [
        one.act('people-added', {
          people: [{ wearerId: first!, docketId: specId(), groupId: null, kitId: null }],
        }),
        'Odalys Wren added Ilse Marrow to the muster.',
      ],
      [
        one.act('people-removed', { wearerIds: [first!] }),
        'Odalys Wren removed Ilse Marrow from the muster.',
      ],
      [
        one.act('people-removed', { wearerIds: [first!, second!] }),
        'Odalys Wren removed 2 wearers from the muster.',
      ],
      [one.acts[1]!, 'Odalys Wren opened the station Tape.'],
      [
        one.act('station-changed', { stationId: tape, name: 'Tape 1', parts: ['girths'], open: true }),
        'Odalys Wren changed the station Tape 1.',
      ],
      [one.act('station-closed', { stationId: tape }), 'Odalys Wren closed the station Girths.'],
      [one.act('station-taken', { stationId: tape, works: true }), 'Odalys Wren started work at Girths.'],
      [one.act('station-taken', { stationId: tape, works: false }), 'Odalys Wren left Girths.'],
      [one.act('checked-in', { wearerId: first!, missing: null }), 'Odalys Wren checked Ilse Marrow in.'],
      [one.act('called', { wearerId: first!, stationId: tape }), 'Odalys Wren called Ilse Marrow to Girths.'],
      [
        one.act('finished', { wearerId: first!, stationId: tape, missing: null }),
        'Odalys Wren finished with Ilse Marrow at Girths.',
      ],
      [
        one.act('sent-back', { wearerId: first!, stationId: tape }),
        'Odalys Wren sent Ilse Marrow back to wait.',
      ],
      [one.act('went', { wearerId: first!, why: '' }), 'Odalys Wren noted that Ilse Marrow left.'],
      [one.act('went', { wearerId: first!, why: 'Ill' }), 'Odalys Wren noted that Ilse Marrow left: Ill.'],
      [
        one.act('day-restored', {
          wearerId: first!,
          day: { ...one.day(0), missing: null, left: [], visits: [] },
        }),
        'Odalys Wren undid the last change about Ilse Marrow.',
      ],
      [
        one.act('values-accepted', {
          wearerIds: [first!],
          accepted: [{ wearerId: first!, codes: ['height'] }],
        }),
        'Odalys Wren accepted what Ilse Marrow measured at home.',
      ],
      [one.act('muster-closed', {}), 'Odalys Wren closed the muster.'],
      [one.act('muster-reopened', {}), 'Odalys Wren reopened the muster.'],
    ];
    const names = { wearer: () => 'Ilse Marrow', station: () => 'Girths' };
    const plain = { garment: () => '', protocol: () => '', inchParts: 8 as const };
    for (const [act, words] of said) {
      expect(sayAnyAct(act, { ...names, ...plain })).toBe(words);
      expect(readAnyAct(JSON.parse(JSON.stringify(act))).ok)
        .withContext(act.kind)
        .toBeTrue();
      expect([isMusterAct(act), subjectOf(act)]).toEqual([true, one.id]);
    }
    expect(new Set(said.map(([{ kind }]) => kind)).size).toBe(MUSTER_ACTS.kinds.length);
    expect(PARTS.length).toBe(8);
  });

  it('accept for a group what is found on the dockets, and nothing that is only claimed', () => {
    const day = new SpecMuster({}, 2);
    const [one, other] = day.muster!.people as [MusterPerson, MusterPerson];
    const library: MusterLibrary = {
      missingOn: () => null,
      acceptedOn: (docketId) => (docketId === one.docketId ? ['height'] : []),
    };
    const act = day.act('values-accepted', {
      wearerIds: [one.wearerId, other.wearerId],
      accepted: [{ wearerId: other.wearerId, codes: ['waist-girth'] }],
    });
    const applied = MUSTER_ACTS.apply(day.muster, act, library);
    if (!applied.ok) throw new Error(applied.problem.code);
    expect(applied.value.act).toEqual(
      jasmine.objectContaining({ accepted: [{ wearerId: one.wearerId, codes: ['height'] }] }) as never,
    );
    expect(applied.value.state.people.map(({ ownAcceptedAt }) => ownAcceptedAt)).toEqual([act.at, null]);
    const names = { wearer: () => 'Ada Tern', station: () => '' };
    expect(sayAnyAct(applied.value.act, names as never)).toContain('accepted what Ada Tern measured at home');
    const stranger = day.act('values-accepted', { wearerIds: [specId()], accepted: [] });
    expect(day.tries(stranger)?.code).toBe('not-on-muster');
  });
});

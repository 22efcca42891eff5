import { SpecMuster } from '../testing/muster';
import { countsOf, paceOf, visitsAnHour } from './pace';
import { partOf, partsDue, PARTS } from './parts';
import { sayParts } from './say-refusal';
import { nextFor, queuesOf, stayMinutes } from './queue';
import { MEASUREMENT_CODES } from '../body/catalogue/codes';

const TWO_TAPES = {
  'Girths 1': ['girths', 'deciding'],
  'Girths 2': ['girths', 'deciding'],
  Feet: ['feet'],
} as const;

const names = (one: SpecMuster) =>
  queuesOf(one.muster!).stations.map(({ waiting }) =>
    waiting.map(({ wearerId }) => one.muster!.people.findIndex((person) => person.wearerId === wearerId)),
  );

describe('the queues of a muster', () => {
  it('share those who wait among the stations that have what they need, the longest wait first', () => {
    const one = new SpecMuster(TWO_TAPES, 5);
    for (const at of [0, 1, 2, 3]) one.checksIn(at, ['girths', 'deciding']);
    one.checksIn(4, ['feet']);
    expect(names(one)).toEqual([[0, 2], [1, 3], [4]]);
  });

  it('put the next where the turn comes soonest: a slow station gets fewer', () => {
    const one = new SpecMuster(TWO_TAPES, 8);
    // Girths 1 has taken half an hour, Girths 2 four minutes.
    one.checksIn(0, ['girths']);
    one.calls(0, 0);
    one.minute += 29;
    one.finishes(0, 0, []);
    one.checksIn(1, ['girths']);
    one.calls(1, 1);
    one.minute += 3;
    one.finishes(1, 1, []);
    expect([0, 1].map((at) => stayMinutes(one.muster!, one.station(at).id))).toEqual([30, 4]);
    for (const at of [2, 3, 4, 5]) one.checksIn(at, ['girths']);
    expect(names(one)).toEqual([[2], [3, 4, 5], []]);
  });

  it('call from another queue where the own is empty, and nobody who needs something else', () => {
    const one = new SpecMuster(TWO_TAPES, 3);
    one.checksIn(0, ['girths']);
    const queues = queuesOf(one.muster!);
    expect(nextFor(queues, one.muster!, one.station(0).id)?.wearerId).toBe(one.person(0).wearerId);
    expect(nextFor(queues, one.muster!, one.station(1).id)?.wearerId).toBe(one.person(0).wearerId);
    expect(nextFor(queues, one.muster!, one.station(2).id)).toBeNull();
    expect(nextFor(queues, one.muster!, 'closed long ago')).toBeNull();
  });

  it('tell who waits for what no open station has', () => {
    const one = new SpecMuster({ Feet: ['feet'], Hands: ['hands'] }, 2);
    one.checksIn(0, ['feet', 'hands']);
    one.checksIn(1, ['head']);
    expect(queuesOf(one.muster!).stuck.map(({ wearerId }) => wearerId)).toEqual([one.person(1).wearerId]);
    one.does('station-closed', { stationId: one.station(0).id });
    expect(names(one)).toEqual([[0]]);
  });

  it('send back behind those who wait', () => {
    const one = new SpecMuster({ Feet: ['feet'] }, 2);
    one.checksIn(0, ['feet']);
    one.checksIn(1, ['feet']);
    one.calls(0, 0);
    one.does('sent-back', { wearerId: one.person(0).wearerId, stationId: one.station(0).id });
    expect(names(one)).toEqual([[1, 0]]);
  });

  it('take every measurement for one part, and the parts in their order', () => {
    expect(new Set(MEASUREMENT_CODES.map(partOf))).toEqual(new Set(PARTS.slice(0, 5)));
    const cases: readonly [Parameters<typeof partsDue>, readonly string[]][] = [
      [
        [
          ['girths', 'deciding'],
          ['girths', 'deciding'],
        ],
        ['girths'],
      ],
      [[['girths', 'deciding'], ['deciding']], []],
      [[['deciding', 'handing'], ['handing']], []],
      [[['deciding', 'handing'], ['handing'], ['deciding']], ['handing']],
      [[['trying', 'handing'], ['handing']], ['handing']],
      [
        [
          ['trying', 'handing'],
          ['trying', 'handing'],
        ],
        ['trying'],
      ],
      [[['handing'], []], []],
      [[[], ['handing']], []],
    ];
    for (const [asked, due] of cases) expect(partsDue(...asked)).toEqual(due as never);
    expect(sayParts(['girths', 'trying'])).toBe('girths and trying on');
  });
});

describe('the pace of a muster', () => {
  /** A muster in which so many have been served, one every two minutes. */
  const served = (done: number, people: number) => {
    const one = new SpecMuster({ Feet: ['feet'] }, people);
    for (let at = 0; at < done; at += 1) {
      one.minute = 10 + 2 * at;
      one.checksIn(at, ['feet']);
      one.minute = 10 + 2 * at;
      one.calls(at, 0);
      one.minute = 12 + 2 * at;
      one.finishes(at, 0, []);
    }
    return one;
  };

  it('counts who was served an hour, and when it will be over, as an interval', () => {
    const one = served(20, 80);
    const pace = paceOf(one.muster!, SpecMuster.at(50));
    expect([pace.anHour, pace.restsOn, pace.counts.done]).toEqual([30, 20, 20]);
    expect(pace.over!.at).toBe(SpecMuster.at(50 + 120));
    expect(pace.over!.from < pace.over!.at && pace.over!.at < pace.over!.to).toBeTrue();
  });

  it('says nothing of the end where it rests on too few, or nobody is left', () => {
    expect(paceOf(served(4, 80).muster!, SpecMuster.at(20)).over).toBeNull();
    expect(paceOf(served(20, 20).muster!, SpecMuster.at(60)).over).toBeNull();
    expect(paceOf(served(0, 3).muster!, SpecMuster.at(60)).anHour).toBeNull();
  });

  it('goes by the last hour, and by what was served alone', () => {
    const one = served(20, 80);
    const [ill] = [one.person(40).wearerId];
    one.does('went', { wearerId: ill, why: 'Ill' });
    expect(paceOf(one.muster!, SpecMuster.at(51 + 40)).restsOn).toBe(10);
    expect(countsOf(one.muster!).without).toBe(1);
  });

  it('counts what a station finished with an hour, since its first where that is not long ago', () => {
    const one = served(20, 80);
    const { id } = one.station(0);
    // Twenty in the forty minutes from the first to the last, and ten of them in the last hour half an hour later.
    expect(visitsAnHour(one.muster!, id, SpecMuster.at(50))).toBeCloseTo(30, 6);
    expect(visitsAnHour(one.muster!, id, SpecMuster.at(91))).toBeCloseTo(10, 6);
    expect(visitsAnHour(one.muster!, 'another', SpecMuster.at(91))).toBeNull();
  });

  it('names the station with the longest wait, and none where hardly anybody waits', () => {
    const one = new SpecMuster({ Feet: ['feet'], Head: ['head'] }, 6);
    for (const at of [0, 1, 2]) one.checksIn(at, ['feet']);
    one.checksIn(3, ['head']);
    expect(paceOf(one.muster!, SpecMuster.at(30)).slowest).toEqual({
      station: 'Feet',
      waiting: 3,
      minutes: 15,
    });
    expect(paceOf(new SpecMuster({ Feet: ['feet'] }, 6).muster!, SpecMuster.at(30)).slowest).toBeNull();
  });

  it('holds the end of a day in about nine of ten', () => {
    // Made-up days: people served at random at a steady pace; looked at after 40 minutes.
    let seed = 7;
    const random = () => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
    let held = 0;
    for (let day = 0; day < 200; day += 1) {
      const ends: number[] = [];
      for (let at = 0; ends.length < 60; ) ends.push((at += -Math.log(1 - random()) * 2.4));
      const one = new SpecMuster({ Feet: ['feet'] }, 60);
      const muster = {
        ...one.muster!,
        people: one.muster!.people.map((person, at) => ({
          ...person,
          day:
            ends[at]! <= 40
              ? {
                  ...person.day,
                  arrivedAt: SpecMuster.at(0),
                  standing: {
                    is: 'gone' as const,
                    since: new Date(Date.parse(SpecMuster.at(0)) + ends[at]! * 60_000).toISOString(),
                    how: 'done' as const,
                    why: null,
                  },
                }
              : { ...person.day, arrivedAt: SpecMuster.at(0) },
        })),
      };
      const { over } = paceOf(muster, SpecMuster.at(40));
      const end = new Date(Date.parse(SpecMuster.at(0)) + ends.at(-1)! * 60_000).toISOString();
      if (over !== null && over.from <= end && end <= over.to) held += 1;
    }
    expect(held).toBeGreaterThan(165);
    expect(held).toBeLessThan(198);
  });
});

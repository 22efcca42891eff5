import { minutesBetween, sayDays, sayMissing, sayPace, sayStanding, shortName } from './say-muster';

const day = { arrivedAt: null, left: [], visits: [], lastAct: null, missing: null };
const counts = { all: 9, expected: 4, here: 1, done: 4, owed: 0, without: 0 };

describe('what is said of a muster', () => {
  it('is a day or several, and whole minutes', () => {
    expect(sayDays({ day: '2026-12-01', lastDay: '2026-12-01' })).toBe('1 Dec 2026');
    expect(sayDays({ day: '2026-12-01', lastDay: '2026-12-03' })).toBe('1 Dec 2026 to 3 Dec 2026');
    expect(minutesBetween('2026-12-01T08:00:00.000Z', '2026-12-01T08:02:59.000Z')).toBe(2);
    // A device whose clock is behind makes nobody wait less than nothing.
    expect(minutesBetween('2026-12-01T08:00:00.000Z', '2026-12-01T07:00:00.000Z')).toBe(0);
  });

  it('is where a wearer is and what they lack', () => {
    const [since, now] = ['2026-12-01T08:00:00.000Z', '2026-12-01T08:07:00.000Z'];
    const stations = [{ id: 'a', name: 'Feet' }];
    const said = (standing: object) => sayStanding({ day: { ...day, standing } as never }, stations, now);
    expect([
      said({ is: 'expected' }),
      said({ is: 'waiting', since }),
      said({ is: 'at', since, stationId: 'a' }),
      said({ is: 'at', since, stationId: 'b' }),
      said({ is: 'gone', since, how: 'done', why: null }),
      said({ is: 'gone', since, how: 'owed', why: null }),
      said({ is: 'gone', since, how: 'without', why: 'Ill' }),
      said({ is: 'gone', since, how: 'without', why: null }),
    ]).toEqual([
      'expected',
      'waiting 7 min',
      'at Feet',
      'at a station',
      'done',
      'left, something owed',
      'left: Ill',
      'left',
    ]);
    const missing = (parts: unknown) =>
      sayMissing({ day: { ...day, standing: { is: 'expected' }, missing: parts } as never });
    expect([missing(null), missing([]), missing(['feet', 'handing'])]).toEqual([
      '',
      'nothing missing',
      'feet and handing over',
    ]);
  });

  it('is how the day goes, with what that rests on', () => {
    const pace = { counts, anHour: 12.4, restsOn: 6, over: null, slowest: null };
    expect(sayPace(pace)).toBe('12 an hour, from 6 wearers in the last hour. Too few to say when it ends.');
    expect(sayPace({ ...pace, anHour: null })).toBe('No wearer is done yet.');
    expect(sayPace({ ...pace, slowest: { station: 'Feet', waiting: 3, minutes: 9 } })).toContain(
      'Longest queue: Feet, 3 waiting.',
    );
    expect(sayPace({ ...pace, counts: { ...counts, expected: 0, here: 0 } })).toBe('Nobody is left.');
    expect(sayPace({ ...pace, counts: { ...counts, all: 0 } })).toBe('');
  });

  it('is on a wall a first name and an initial', () => {
    expect(['Ilse Marrow', 'Ilse van der Marrow', 'Ilse', ' ', 'Åse Økland'].map(shortName)).toEqual([
      'Ilse M.',
      'Ilse M.',
      'Ilse',
      '',
      'Åse Ø.',
    ]);
  });
});

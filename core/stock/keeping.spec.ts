import { addDays, addMonths, dayOf, daysFrom, sayDay } from '../words/days';
import {
  inspectedBy,
  isBlocked,
  lastDayOf,
  PLAIN_KEEPING,
  standingOfPiece,
  usualKeeping,
  type Keeping,
  type PieceFacts,
} from './keeping';
import { sayStanding } from './say-standing';

describe('days', () => {
  it('count over ends of months and leap years', () => {
    expect(addDays('2026-02-28', 1)).toBe('2026-03-01');
    expect(addDays('2024-02-28', 1)).toBe('2024-02-29');
    expect(addDays('2026-01-01', -1)).toBe('2025-12-31');
    expect(daysFrom('2026-03-28', '2026-03-30')).withContext('over the change to summer time').toBe(2);
    expect(daysFrom('2026-03-30', '2026-03-28')).toBe(-2);
  });

  it('keep to the last day of a shorter month', () => {
    expect(addMonths('2026-01-31', 1)).toBe('2026-02-28');
    expect(addMonths('2024-01-31', 1)).toBe('2024-02-29');
    expect(addMonths('2026-11-30', 3)).toBe('2027-02-28');
    expect(addMonths('2026-12-15', 12)).toBe('2027-12-15');
    expect(addMonths('2026-12-31', 120)).toBe('2036-12-31');
  });

  it('are those of the clock on the wall, and are written as people read them', () => {
    expect(dayOf(new Date(2026, 2, 1, 0, 5))).toBe('2026-03-01');
    expect(dayOf(new Date(2026, 11, 31, 23, 55))).toBe('2026-12-31');
    expect(sayDay('2026-03-01')).toBe('1 Mar 2026');
    expect(sayDay('2026-03-01', '2026-12-31')).toBe('1 Mar');
    expect(sayDay('2027-01-01', '2026-12-31')).toBe('1 Jan 2027');
  });
});

describe('how a piece stands', () => {
  const keeping: Keeping = { ...PLAIN_KEEPING, numbered: true, lifeMonths: 60, inspectMonths: 12 };
  const piece = (more: Partial<PieceFacts> = {}): PieceFacts => ({
    made: '2024-01-10',
    goodUntil: null,
    received: '2024-03-01',
    inspected: { on: '2026-06-01', passed: true },
    ...more,
  });
  const on = (today: string, more: Partial<PieceFacts> = {}, kept = keeping) =>
    standingOfPiece(kept, piece(more), today).code;

  it('is said before it ends, and blocked after', () => {
    const inspected = { on: '2028-12-01', passed: true };
    expect(on('2028-11-10', { inspected })).toBe('fine');
    expect(on('2028-11-11', { inspected })).toBe('ends-soon');
    expect(on('2029-01-10', { inspected })).withContext('the last day').toBe('ends-soon');
    expect(on('2029-01-11', { inspected })).toBe('ended');
    expect(isBlocked(standingOfPiece(keeping, piece({ inspected }), '2029-01-10'))).toBeFalse();
    expect(isBlocked(standingOfPiece(keeping, piece({ inspected }), '2029-01-11'))).toBeTrue();
  });

  it('goes by its maker’s own mark before what is reckoned', () => {
    expect(lastDayOf(keeping, piece({ goodUntil: '2026-12-31' }))).toBe('2026-12-31');
    expect(on('2027-01-01', { goodUntil: '2026-12-31' })).toBe('ended');
    expect(on('2027-01-01', { goodUntil: '2026-12-31' }, PLAIN_KEEPING))
      .withContext('also where the house has set no life')
      .toBe('ended');
  });

  it('is never taken to be good where nobody knows when it was made', () => {
    expect(on('2026-07-01', { made: null })).toBe('end-unknown');
    expect(isBlocked({ code: 'end-unknown' })).toBeTrue();
    for (const code of ['ended', 'inspection-due', 'inspection-failed'] as const)
      expect(isBlocked({ code, on: '2026-06-01' })).toBeTrue();
    for (const code of ['ends-soon', 'inspection-soon'] as const)
      expect(isBlocked({ code, on: '2026-06-01' })).toBeFalse();
    expect(on('2026-07-01', { made: null, goodUntil: '2030-01-01' })).toBe('fine');
    expect(on('2026-07-01', { made: null }, { ...keeping, lifeMonths: null })).toBe('fine');
  });

  it('is blocked where it was not inspected in time, or did not pass', () => {
    expect(inspectedBy(keeping, piece())).toBe('2027-06-01');
    expect(on('2027-05-02')).toBe('inspection-soon');
    expect(on('2027-06-01')).toBe('inspection-soon');
    expect(on('2027-06-02')).toBe('inspection-due');
    expect(on('2026-07-01', { inspected: { on: '2026-06-01', passed: false } })).toBe('inspection-failed');
    expect(on('2025-03-02', { inspected: null }))
      .withContext('counted from when it came')
      .toBe('inspection-due');
  });

  it('says what is to be done, of each', () => {
    for (const code of ['ended', 'inspection-due', 'inspection-failed'] as const)
      expect(sayStanding({ code, on: '2026-06-01' })).toMatch(/hand(ed|ing)? (it )?out/);
    expect(sayStanding({ code: 'end-unknown' })).toMatch(/hand(ed|ing)? (it )?out/);
    expect(sayStanding({ code: 'fine' })).toBe('');
    expect(sayStanding({ code: 'ends-soon', on: '2026-06-01' })).toContain('until 1 Jun 2026');
  });

  it('takes for granted that what protects or is hired wet is numbered, and no life', () => {
    expect(usualKeeping('vest')).toEqual({ ...PLAIN_KEEPING, numbered: true });
    expect(usualKeeping('dry-suit').dryingDays).toBe(2);
    expect(usualKeeping('hat')).toEqual(PLAIN_KEEPING);
  });
});

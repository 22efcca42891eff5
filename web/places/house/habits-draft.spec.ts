import { habitsSchema, inches, mm, UNSETTLED } from '@neat-measure/core';
import { draftOf, habitsOf, inUnit, ownApart, rowFault } from './habits-draft';

const HABITS = habitsSchema.parse({
  unit: 'in',
  inchParts: 16,
  rules: { vest: 'closest' },
  edgePercent: 20,
  allowedApart: { 'chest-girth': inches(0.5), 'waist-girth': mm(7.3) },
  remeasure: { days: 90, of: { height: 1_000, 'chest-girth': 30 }, growing: { under: 16, days: 40 } },
  handing: { hat: 'sold' },
  cautions: [{ kind: null, words: 'Write it into the ledger.' }],
  fitterMeasures: ['jacket', 'hat'],
});

describe('the habits of a house as rows', () => {
  it('come to what they were, to the last step', () => {
    for (const habits of [HABITS, UNSETTLED]) {
      const read = habitsOf(draftOf(habits));
      expect(read.ok && { ...read.value, version: habits.version }).toEqual(habits);
    }
    expect(draftOf(HABITS).measured.map(({ apart }) => apart)).toEqual(['1/2 in', '7.3 mm', '']);
  });

  it('keep what was typed without a unit in the unit it was typed in', () => {
    const draft = draftOf(UNSETTLED);
    const typed = { ...draft, measured: [{ code: 'chest-girth' as const, apart: '1.5', days: null }] };
    const turned = inUnit(typed, 'in');
    const read = habitsOf(turned);
    expect([turned.measured[0]!.apart, read.ok && read.value.allowedApart]).toEqual([
      '1.5 cm',
      { 'chest-girth': mm(15) },
    ]);
  });

  it('say what has to be changed first', () => {
    const row = { code: 'chest-girth' as const, apart: '', days: null };
    const says = (change: object) => {
      const read = habitsOf({ ...draftOf(UNSETTLED), ...change });
      return read.ok ? '' : read.problem;
    };
    expect(says({ measured: [row, row] })).toBe('Chest is listed twice. Remove one.');
    expect(says({ measured: [{ ...row, apart: 'a bit' }] })).toMatch(/^Chest: “a bit” is not a length/);
    expect(says({ measured: [{ ...row, apart: '11' }] })).toContain('1 mm to 10 cm');
    expect(says({ measured: [{ ...row, code: 'weight', apart: '1' }] })).toContain('is a weight');
    const rule = { kind: 'vest', rule: 'closest' };
    expect(says({ rules: [rule, rule] })).toContain('two rules');
    for (const change of [{ edgePercent: null }, { days: 0 }, { cautions: [{ kind: null, words: '' }] }])
      expect(says(change)).toContain('within its limits');
  });

  it('tell what the tape allows where nothing is settled', () => {
    expect([ownApart('chest-girth', 'cm'), ownApart('weight', 'cm')]).toEqual(['2 cm', '']);
    expect(rowFault({ code: 'weight', apart: ' ', days: 3 }, 'cm')).toBe('');
  });
});

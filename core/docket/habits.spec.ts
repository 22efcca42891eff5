import {
  agreementOf,
  allowedDifference,
  allowedIn,
  habitsSchema,
  judgeDocket,
  mm,
  remeasureIn,
  rulingOf,
  standingReadings,
  UNSETTLED,
} from '../index';
import { shelvedChart, SpecDocket } from '../testing/docket';

describe('the habits of a house', () => {
  it('are those of nobody until something is settled', () => {
    expect(UNSETTLED).toEqual({
      version: 0,
      unit: 'cm',
      inchParts: 8,
      rules: {},
      edgePercent: 10,
      allowedApart: {},
      remeasure: { days: 183, of: {}, growing: { under: 18, days: 91 } },
      handing: {},
      cautions: [],
      fitterMeasures: [],
    });
  });

  it('refuse what would size wrongly in silence', () => {
    const fits = (habits: object) => habitsSchema.safeParse(habits).success;
    expect(fits({ edgePercent: 45, inchParts: 16, rules: { vest: 'closest' } })).toBeTrue();
    expect(fits({ edgePercent: 0 })).toBeFalse();
    expect(fits({ edgePercent: 46 })).toBeFalse();
    expect(fits({ inchParts: 4 }))
      .withContext('a quarter hides an eighth')
      .toBeFalse();
    expect(fits({ rules: { hose: 'closest' } })).toBeFalse();
    expect(fits({ rules: { vest: 'largest' } })).toBeFalse();
    expect(fits({ allowedApart: { 'chest-girth': 999 } })).toBeFalse();
    expect(fits({ allowedApart: { 'chest-girth': 100_001 } })).toBeFalse();
    expect(fits({ allowedApart: { constructor: 20_000 } })).toBeFalse();
    expect(fits({ remeasure: { days: 0, of: {} } })).toBeFalse();
    expect(fits({ cautions: [{ kind: null, words: ' ' }] })).toBeFalse();
  });

  it('say how far apart two readings may be, and settle a docket by it', () => {
    const habits = { allowedApart: { 'chest-girth': mm(5), weight: mm(5) } };
    expect(allowedIn(habits, 'chest-girth')).toBe(mm(5));
    expect(allowedIn(habits, 'waist-girth')).toBe(allowedDifference('waist-girth'));
    expect(allowedIn(habits, 'weight')).withContext('grams are no length').toBe(allowedDifference('weight'));
    const one = new SpecDocket();
    one.reads('chest-girth', 98, 99);
    const state = () =>
      agreementOf('chest-girth', standingReadings(one.docket!.readings, ['chest-girth']), one.library.habits);
    expect(state().state).toBe('agreed');
    one.settles(habits);
    expect(state()).toEqual(jasmine.objectContaining({ state: 'third-wanted', allowed: mm(5) }));
    one.reads('chest-girth', 104);
    expect(judgeDocket(one.docket!, one.library).values.size).withContext('no two within').toBe(0);
  });

  it('say after how long somebody is measured again, most of all of one measurement', () => {
    const growing = { under: 16, days: 40 };
    const habits = { remeasure: { days: 90, of: { height: 1_000 }, growing } };
    const after = (age: number | null) =>
      (['height', 'chest-girth'] as const).map((code) => remeasureIn(habits, code, age));
    expect([after(null), after(16), after(15)]).toEqual([
      [1_000, 90],
      [1_000, 90],
      [40, 40],
    ]);
  });

  it('put a rule in the place of the charts’ of a kind; the docket’s own stands before it', () => {
    const jacket = shelvedChart({ kind: 'jacket' });
    const one = new SpecDocket([jacket]);
    one.reads('chest-girth', 98, 98);
    one.reads('waist-girth', 95, 95);
    expect([one.verdict(jacket).proposed, one.verdict(jacket).rule]).toEqual(['L', 'widest-decides']);
    one.settles({ rules: { jacket: 'closest', vest: 'widest-decides' } });
    expect(one.verdict(jacket).rule).toBe('closest');
    one.does('rule-overruled', { chartId: jacket.id, rule: 'widest-decides', preference: null });
    expect(one.verdict(jacket).rule).toBe('widest-decides');
  });

  it('let no key decide that the maker has not named', () => {
    const [keyless, keyed] = [shelvedChart(), shelvedChart({ key: 'waist-girth' })];
    const one = new SpecDocket([keyless, keyed]);
    one.settles({ rules: { other: 'key-decides' } });
    const ruleOf = (chart: typeof keyed) => rulingOf(one.docket!, chart, one.library.habits).rule;
    expect([ruleOf(keyless), ruleOf(keyed)]).toEqual([undefined, 'key-decides']);
  });

  it('say from what chance on a size is an edge, at once', () => {
    const jacket = shelvedChart();
    const one = new SpecDocket([jacket]);
    one.reads('chest-girth', 101.2, 101.2);
    one.reads('waist-girth', 86, 86);
    const chance = one
      .verdict(jacket)
      .odds.find(({ label }) => label !== one.verdict(jacket).proposed)!.chance;
    const below = Math.floor(chance * 100);
    one.settles({ edgePercent: below });
    expect(one.verdict(jacket).verdict).toBe('edge');
    one.settles({ edgePercent: below + 1 });
    expect(one.verdict(jacket).verdict).toBe('settled');
  });

  it('add their cautions to a kind or to everything, after the kind’s and the maker’s', () => {
    const vest = shelvedChart({ kind: 'vest', cautions: ['Keep it dry.'] });
    const coat = shelvedChart({ kind: 'outerwear' });
    const one = new SpecDocket([vest, coat]);
    one.settles({
      cautions: [
        { kind: 'vest', words: 'Ask the quartermaster first.' },
        { kind: null, words: 'Write the size into the ledger.' },
        { kind: null, words: 'Keep it dry.' },
      ],
    });
    expect(one.verdict(vest).cautions.slice(1)).toEqual([
      'Keep it dry.',
      'Ask the quartermaster first.',
      'Write the size into the ledger.',
    ]);
    expect(one.verdict(coat).cautions).toEqual(['Write the size into the ledger.', 'Keep it dry.']);
  });

  it('decide nothing that was looked at under others', () => {
    const jacket = shelvedChart();
    const one = new SpecDocket([jacket]);
    one.reads('chest-girth', 98, 98);
    one.reads('waist-girth', 86, 86);
    const seen = one.act('garment-decided', one.decision(jacket));
    one.settles({ edgePercent: 30 });
    expect(one.tries(seen)).toEqual({ code: 'habits-changed' });
    expect(one.tries(one.act('garment-decided', one.decision(jacket)))).toBeNull();
    one.settles({ edgePercent: 5, rules: { other: 'closest' } });
    expect(one.docket!.decisions[0]!.verdict.rule)
      .withContext('what was decided stays as it was')
      .toBe('widest-decides');
  });
});

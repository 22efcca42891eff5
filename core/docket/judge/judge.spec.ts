import {
  IDLE_REASON,
  judgeDocket,
  keptVerdictSchema,
  LATER_REASONS,
  sayReason,
  sizesAfterTrials,
  type MeasurementCode,
} from '../../index';
import { shelvedChart, SpecDocket } from '../../testing/docket';

const idle = (one: SpecDocket, code: MeasurementCode) =>
  one.does('step-passed', { code, reason: IDLE_REASON, idle: true });
const column = (code: string, cells: readonly string[], more: object = {}) => ({
  code,
  unit: 'cm',
  cells,
  ...more,
});

describe('judging a docket', () => {
  it('judges again only what a reading bears on', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 98, 98);
    one.reads('waist-girth', 86, 86);
    const first = one.verdict(chart);
    expect(first.proposed).toBe('M');
    one.reads('calf-girth', 38, 38);
    expect(one.verdict(chart)).toBe(first);
    one.reads('chest-girth', 106, 106);
    expect(one.verdict(chart).proposed).toBe('L');
  });

  it('judges again when what is only reported, an option, the fit or the rule changes', () => {
    const chart = shelvedChart(
      { options: [{ name: 'Long', when: [{ of: 'height', is: 'above', length: '188 cm' }], adds: '+2 in' }] },
      [
        column('chest-girth', ['94-102', '102-110', '111-119']),
        column('waist-girth', ['82-90', '90-98', '100-109'], { role: 'advisory' }),
      ],
    );
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 98, 98);
    one.reads('waist-girth', 86, 86);
    expect(one.verdict(chart).parts[0]!.advisory.length).toBe(1);
    one.reads('height', 190, 190);
    expect(one.verdict(chart).options.map(({ name }) => name)).toEqual(['Long']);
    one.does('rule-overruled', { chartId: chart.id, rule: 'closest', preference: 'roomy' });
    const { rule, preference } = one.verdict(chart);
    expect([rule, preference]).toEqual(['closest', 'roomy']);
  });

  it('gives every garment with what was decided of it, and the values and doubts of all', () => {
    const [jacket, shirt] = [shelvedChart(), shelvedChart({ garment: 'Shirt' })];
    const one = new SpecDocket([jacket, shirt]);
    one.reads('chest-girth', 96, 96);
    one.reads('waist-girth', 97, 97);
    const doubtful = judgeDocket(one.docket!, one.library);
    expect(doubtful.garments.map(({ verdict }) => verdict.verdict)).toEqual(['suspect', 'suspect']);
    expect(doubtful.suspicions.map(({ check }) => check)).toContain('waist-over-chest');
    for (const { check, measurements } of doubtful.suspicions)
      one.does('suspicion-confirmed', {
        check,
        values: measurements.map((code) => ({ code, value: doubtful.values.get(code)! })),
        reason: 'It is so',
      });
    one.does('garment-decided', one.decision(jacket));
    const judged = judgeDocket(one.docket!, one.library);
    expect(judged.garments.map(({ verdict, decision }) => [verdict.verdict, decision?.size ?? null])).toEqual(
      [
        ['split', 'L'],
        ['split', null],
      ],
    );
    one.reads('waist-girth', 98, 98);
    expect(one.verdict(shirt).verdict).withContext('confirmed for other values').toBe('suspect');
  });
});

describe('a step skipped because no value could change a size', () => {
  it('stands at what the rest leads one to expect, and every sentence that rests on it says so', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 130, 130);
    idle(one, 'waist-girth');
    const { garments, openAgain } = judgeDocket(one.docket!, one.library);
    const [{ verdict }] = garments as [(typeof garments)[number]];
    expect([verdict.verdict, openAgain.length]).toEqual(['beyond', 0]);
    expect(verdict.assumed.map(({ code }) => code)).toEqual(['waist-girth']);
    expect(sayReason(verdict, 'cm')).toMatch(
      /Not measured: natural waist \(taken as \d+(\.\d)? cm\); no plausible value would change this\.$/,
    );
  });

  it('is open again when a later reading changes what it rested on', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 130, 130);
    idle(one, 'waist-girth');
    one.reads('chest-girth', 106, 106, 106);
    const { garments, openAgain } = judgeDocket(one.docket!, one.library);
    expect(garments[0]!.verdict.verdict).withContext('no size from an assumed waist').toBe('incomplete');
    expect(openAgain).toEqual(['waist-girth']);
  });

  it('is open again when the rule is overruled', () => {
    const chart = shelvedChart({ rule: 'key-decides', key: 'chest-girth' }, [
      column('chest-girth', ['94-102', '104-110', '110-119']),
      column('waist-girth', ['<80', '80-90', '>90']),
    ]);
    const one = new SpecDocket([chart]);
    // In the gap: by the chest alone it is L, whatever the waist.
    one.reads('chest-girth', 103, 103);
    idle(one, 'waist-girth');
    const before = judgeDocket(one.docket!, one.library);
    one.does('rule-overruled', { chartId: chart.id, rule: 'widest-decides', preference: null });
    const after = judgeDocket(one.docket!, one.library);
    expect([before.openAgain, after.openAgain])
      .withContext(before.garments[0]!.verdict.verdict)
      .toEqual([[], ['waist-girth']]);
    expect([before.garments[0]!.verdict.proposed, after.garments[0]!.verdict.verdict]).toEqual([
      'L',
      'incomplete',
    ]);
  });

  it('is not asked again for a garment that is decided, and counts no more once it is read', () => {
    const chart = shelvedChart();
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 130, 130);
    idle(one, 'waist-girth');
    one.does('garment-decided', one.decision(chart, { outcome: 'made-to-measure', sizes: {} }));
    one.reads('chest-girth', 106, 106, 106);
    expect(judgeDocket(one.docket!, one.library).openAgain).toEqual([]);
    one.reads('waist-girth', 95, 95);
    expect(one.verdict(chart).assumed).toEqual([]);
  });

  it('leaves a size open that was put on where a step was idle', () => {
    const chart = shelvedChart({}, [
      column('chest-girth', ['94-102', '102-110', '110-119']),
      column('waist-girth', ['<110', '110-140', '>140']),
    ]);
    const one = new SpecDocket([chart]);
    one.reads('chest-girth', 98, 98);
    idle(one, 'waist-girth');
    expect(sizesAfterTrials(one.docket!, chart, one.library.habits).odds[0]?.label).toBe('M');
  });
});

describe('a step that the wearer declines', () => {
  const TROUSERS = {
    kind: 'trousers' as const,
    derivations: [
      {
        code: 'derived:guess' as const,
        name: 'Guess',
        steps: [{ do: 'subtract' as const, as: 'guess', from: 'chest-girth' as const, take: '6 in' }],
      },
    ],
  };
  const COLUMNS = [
    column('trouser-waist-girth', ['70-80', '80-90', '90-100'], { standIns: ['derived:guess'] }),
    column('hip-girth', ['86-94', '92-100', '98-120']),
  ];
  const declines = (one: SpecDocket, code: MeasurementCode) =>
    one.does('step-passed', { code, reason: 'The wearer declines', idle: false });

  it('lets the rest decide, weighs it with the spread of people of that build, and says that it is an estimate', () => {
    const chart = shelvedChart(TROUSERS, COLUMNS);
    const one = new SpecDocket([chart]);
    // A chest of 39 inches: six less is 33, 83.8 cm.
    one.reads('chest-girth', 99.1, 99.1);
    expect(one.verdict(chart).verdict).withContext('still to be measured').toBe('incomplete');
    declines(one, 'hip-girth');
    const verdict = one.verdict(chart);
    expect([verdict.verdict, verdict.proposed, verdict.parts[0]!.alterations]).toEqual(['edge', 'L', []]);
    expect(verdict.assumed.map(({ code, give }) => [code, give! > 20_000])).toEqual([['hip-girth', true]]);
    expect(verdict.odds.length).withContext('nobody knows the hip').toBeGreaterThan(1);
    expect(sayReason(verdict, 'cm')).toMatch(
      /^Trouser waist 83\.9 cm \(an estimate\) is inside L; what was not measured makes it XL in \d+ % of cases\. Not measured: hip and seat \(taken as \d+(\.\d)? cm, give or take \d(\.\d)? cm\): an estimate, from people of similar build\.$/,
    );
    expect(sizesAfterTrials(one.docket!, chart, one.library.habits).odds.length).toBeGreaterThan(1);
    const kept = keptVerdictSchema.parse(JSON.parse(JSON.stringify(verdict)));
    expect(sayReason(kept, 'cm')).toBe(sayReason(verdict, 'cm'));
  });

  it('waits where something else is still to be measured, or comes later, and counts no more once it is read', () => {
    const chart = shelvedChart({ ...TROUSERS, derivations: [] }, [
      column('trouser-waist-girth', ['70-80', '80-90', '90-100']),
      COLUMNS[1]!,
    ]);
    const one = new SpecDocket([chart]);
    declines(one, 'hip-girth');
    expect(one.verdict(chart).verdict).withContext('nothing is known').toBe('incomplete');
    one.reads('trouser-waist-girth', 84, 84);
    expect(one.verdict(chart).proposed).toBe('L');
    one.does('step-passed', { code: 'hip-girth', reason: LATER_REASONS[1]!, idle: false });
    expect(one.verdict(chart).verdict).withContext('comes back for it').toBe('incomplete');
    one.reads('hip-girth', 112, 112);
    const read = one.verdict(chart);
    expect([read.proposed, read.assumed.length]).toEqual(['XL', 0]);
  });

  it('is never guessed of what protects, nor where nobody knows how people are', () => {
    const vest = shelvedChart({ kind: 'vest' }, [
      column('chest-girth', ['94-102', '102-110', '110-119']),
      column('waist-girth', ['80-90', '90-98', '98-109']),
    ]);
    const long = shelvedChart({ kind: 'trousers' }, [
      column('waist-girth', ['70-80', '80-90', '90-100']),
      column('inside-leg-length', ['76-80', '80-84', '84-88']),
    ]);
    const one = new SpecDocket([vest, long]);
    one.reads('chest-girth', 98, 98);
    declines(one, 'waist-girth');
    expect(one.verdict(vest).verdict).toBe('incomplete');
    const other = new SpecDocket([long]);
    other.reads('waist-girth', 84, 84);
    declines(other, 'inside-leg-length');
    expect(other.verdict(long).verdict).toBe('incomplete');
  });
});

import {
  chartRuns,
  cm,
  compileChart,
  looksOn,
  mm,
  RIGHT,
  sayOtherwiseSized,
  sizedAsItRuns,
} from '../../testing/all';
import { shelvedChart, SpecDocket } from '../../testing/docket';

function tried(chest: number, ...trials: readonly (readonly [string, string])[]) {
  const chart = shelvedChart({ kind: 'jacket' });
  const one = new SpecDocket([chart]);
  one.reads('chest-girth', chest, chest);
  one.reads('waist-girth', 85, 85);
  for (const [size, answer] of trials) {
    const fields = { chartId: chart.id, sizes: { size }, carrier: null, found: null };
    const { id } = one.does('garment-tried', fields);
    one.does('fit-checked', { chartId: chart.id, trialId: id, check: 'button', answer, reason: null });
  }
  return { one, chart, looks: looksOn(one.docket!, chart, one.library.habits) };
}

describe('looksOn', () => {
  it('tells what every size that was on looked like, by the column it was about', () => {
    const { one, looks } = tried(100, ['M', 'small'], ['L', RIGHT]);
    const wearer = one.docket!.wearerId;
    expect(looks.map(({ standardError: _error, ...look }) => look)).toEqual([
      { wearer, part: 'size', code: 'chest-girth', size: 'M', sight: 'small', value: cm(100) },
      { wearer, part: 'size', code: 'chest-girth', size: 'L', sight: 'right', value: cm(100) },
    ]);
    expect(looks.every(({ standardError }) => standardError > 0)).toBeTrue();
  });

  it('tells nothing where nothing was tried, or nothing was read', () => {
    expect(tried(100).looks).toEqual([]);
    const chart = shelvedChart({ kind: 'jacket' });
    const bare = new SpecDocket([chart]);
    const fields = { chartId: chart.id, sizes: { size: 'M' }, carrier: null, found: null };
    const { id } = bare.does('garment-tried', fields);
    bare.does('fit-checked', {
      chartId: chart.id,
      trialId: id,
      check: 'button',
      answer: 'small',
      reason: null,
    });
    expect(looksOn(bare.docket!, chart, bare.library.habits)).toEqual([]);
  });
});

describe('looksOn, of a reading in doubt', () => {
  it('tells nothing until it is read again or confirmed', () => {
    const { one, chart } = tried(100, ['M', 'small']);
    expect(looksOn(one.docket!, chart, one.library.habits).length).toBe(1);
    one.reads('waist-girth', 130, 130, 130);
    expect(one.verdict(chart).verdict).toBe('suspect');
    expect(looksOn(one.docket!, chart, one.library.habits)).toEqual([]);
  });
});

describe('sizedAsItRuns', () => {
  const { one, chart } = tried(101, ['M', 'small']);
  const { sheet } = chart;
  const others = Array.from({ length: 22 }, (_, at) => ({
    wearer: `${at}`,
    part: 'size',
    code: 'chest-girth' as const,
    size: 'M',
    sight: 'small' as const,
    value: cm(99),
    standardError: 7_000,
  }));
  const [found] = chartRuns(compileChart(sheet), others);
  const runs = [{ ...found!, small: mm(35) }];

  it('says the size that the garments would make it, with its odds, and changes none', () => {
    const before = one.verdict(chart);
    const otherwise = sizedAsItRuns(one.docket!, chart, one.library.habits, runs)!;
    expect([otherwise.says, otherwise.runs.label]).toEqual(['M', 'L']);
    expect(sayOtherwiseSized(otherwise)).toMatch(
      /^The chart says M; as worn by 22, it runs small in the chest: L fits (9|10) of 10 wearers like this one\.$/,
    );
    expect(one.verdict(chart)).toEqual(before);
  });

  it('says nothing where it is the same size, where there is no sign, and where nothing is settled', () => {
    const low = tried(95).one;
    expect(sizedAsItRuns(low.docket!, chart, low.library.habits, [{ ...found!, small: mm(5) }])).toBeNull();
    expect(
      sizedAsItRuns(one.docket!, chart, one.library.habits, [{ ...found!, runs: 'no-sign' }]),
    ).toBeNull();
    expect(sizedAsItRuns(one.docket!, chart, one.library.habits, [])).toBeNull();
    const open = new SpecDocket([chart]);
    open.reads('chest-girth', 101, 101);
    expect(sizedAsItRuns(open.docket!, chart, open.library.habits, runs)).toBeNull();
    // What is expected of a declined waist is no reading, and tells nothing of how the chart runs.
    open.does('step-passed', { code: 'waist-girth', reason: 'The wearer declines', idle: false });
    expect(open.verdict(chart).proposed).toBe('M');
    expect(sizedAsItRuns(open.docket!, chart, open.library.habits, runs)).toBeNull();
  });
});

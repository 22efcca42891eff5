import fc from 'fast-check';
import {
  compileChart,
  cm,
  EN_13402_MEN_CHEST,
  EN_13402_MEN_LETTERS,
  inches,
  judge,
  mm,
  place,
  sayChance,
  sayReason,
  VERDICTS,
  type ChartPart,
  type ChartSheet,
  type MeasuredValue,
  onlyPart,
  plainPart,
  type CompiledPart,
  type Length,
  type MeasurementCode,
  type RuleOverride,
  type Verdict,
} from '../testing/all';
import { bodyDimensions507 } from '../reference/body-dimensions-507';
import { compiledOf, sheetOf } from '../testing/charts';
import { wholeSheet } from '../testing/whole-sheet';

/** Chest and waist with a gap in the waist between M and L. */
const JACKET =
  'size,chest-girth (cm),waist-girth (cm)\nS,86-94,74-82\nM,94-102,82-88\nL,102-110,92-98\nXL,110-118,98-106';
const body = (values: Partial<Record<MeasurementCode, Length>>) =>
  new Map(
    Object.entries(values).map(([code, value]) => [
      code as MeasurementCode,
      { value: value!, standardError: 7_000 },
    ]),
  );
const judged = (chest: number | null, waist: number | null, override?: RuleOverride, csv = JACKET) =>
  judge(
    compiledOf(csv),
    body({
      ...(chest === null ? {} : { 'chest-girth': cm(chest) }),
      ...(waist === null ? {} : { 'waist-girth': cm(waist) }),
    }),
    override,
  );

describe('judge', () => {
  it('settles well inside one size', () => {
    const verdict = judged(98, 85);
    expect([verdict.verdict, verdict.proposed]).toEqual(['settled', 'M']);
    expect(verdict.parts[0]!.odds[0]!.chance).toBeGreaterThan(0.99);
    expect(sayReason(verdict, 'cm')).toBe('Natural waist 85 cm is inside M, 3 cm clear of its edge.');
  });

  it('says how little would change the size where it is one, and only there', () => {
    expect(judged(98, 85).parts[0]!.change!.into).toBe('L');
    expect(judged(98, 90).parts[0]!.change).withContext('in a gap').toBeNull();
    const all = (cell: string) => `size,chest-girth (cm)\nS,${cell}`;
    expect(judged(98, null, undefined, all('*')).parts[0]!.change).toBeNull();
    // What is known for certain changes no size, however near it lies.
    const [certain, uncertain] = [
      { value: cm(101), standardError: 0 },
      { value: cm(84), standardError: 7_000 },
    ];
    const verdict = judge(
      compiledOf(JACKET),
      new Map<MeasurementCode, MeasuredValue>([
        ['chest-girth', certain],
        ['waist-girth', uncertain],
      ]),
    );
    expect(verdict.parts[0]!.change!.code).toBe('waist-girth');
  });

  it('names the larger of two that end together below a gap', () => {
    const cells = 'size,chest-girth (cm)\nS,80-90\nM,85-90\nL,95-100';
    expect(judged(92, null, undefined, cells).parts[0]!.placements[0]!.below).toBe('M');
  });

  it('calls an edge what is exactly as likely as the house allows', () => {
    const chance = judged(101.5, 84).parts[0]!.odds[1]!.chance;
    const at = (edgeChance: number) =>
      judge(compiledOf(JACKET), body({ 'chest-girth': cm(101.5), 'waist-girth': cm(84) }), { edgeChance })
        .verdict;
    expect([at(chance), at(chance * 1.001)]).toEqual(['edge', 'settled']);
  });

  it('calls an edge when the tape’s error alone could move the size', () => {
    const verdict = judged(101.5, 84);
    expect([verdict.verdict, verdict.proposed, verdict.alternates]).toEqual(['edge', 'M', ['L']]);
    expect(verdict.parts[0]!.odds.map(({ size }) => size)).toEqual(['M', 'L']);
    // Half a centimetre is 0.714 standard errors of 7 mm: 23.8 % beyond it.
    expect(verdict.parts[0]!.odds[1]!.chance).toBeCloseTo(0.2375, 3);
    expect(sayReason(verdict, 'cm')).toBe(
      'Chest 101.5 cm is inside M, but only 0.5 cm from its edge: the tape’s own error makes it L in 24 % of cases.',
    );
  });

  it('offers no neighbour that is all but impossible', () => {
    const chances = (chest: number) => {
      const { parts, alternates } = judged(
        chest,
        null,
        undefined,
        'size,chest-girth (cm)\nM,94-102\nL,102-110',
      );
      return [parts[0]!.odds.length, alternates];
    };
    expect([chances(100.5), chances(100.2)])
      .withContext('2 in a hundred, and 5 in a thousand')
      .toEqual([
        [2, ['L']],
        [2, []],
      ]);
  });

  it('offers the neighbour of an edge alone, however thin the size is', () => {
    const thin = 'size,chest-girth (cm)\nS,80-94\nM,94-96.4\nL,96.4-110';
    const verdict = judged(94.8, null, undefined, thin);
    expect([verdict.verdict, verdict.proposed, verdict.alternates]).toEqual(['edge', 'M', ['S']]);
    expect(verdict.parts[0]!.odds.filter(({ chance }) => chance > 0.01).map(({ size }) => size))
      .withContext('another is possible')
      .toEqual(['M', 'S', 'L']);
  });

  it('counts what lies past the largest size as an edge too', () => {
    const verdict = judged(117.8, 102);
    expect(verdict.verdict).toBe('edge');
    expect(sayReason(verdict, 'cm')).toContain('no size of this chart');
  });

  it('gives a shared bound to the larger size', () => {
    expect(judged(102, 95).proposed).toBe('L');
    expect(sayReason(judged(102, 95), 'cm')).toBe(
      'Chest 102 cm is near an edge of L; past it, the measurements ask for different sizes, and the rule still gives L.',
    );
    expect(sayReason(judged(102, null, {}, 'size,chest-girth (cm)\nM,94-102\nL,102-110'), 'cm')).toBe(
      'Chest 102 cm is near an edge of L; past it, it would be M.',
    );
  });

  it('falls between, and follows the house rule', () => {
    const verdict = judged(98, 89);
    expect([verdict.verdict, verdict.proposed, verdict.alternates]).toEqual(['between', 'L', ['M']]);
    expect(sayReason(verdict, 'cm')).toBe(
      'Natural waist 89 cm falls in the gap between M and L. The widest decides: L.',
    );
    const key = { rule: 'key-decides', key: 'waist-girth' } as const;
    expect(judged(98, 89, { ...key, preference: 'close' }).proposed).toBe('M');
    expect(judged(98, 89, { ...key, preference: 'roomy' }).proposed).toBe('L');
    expect(judged(98, 89, key).proposed).toBe('M');
    expect(judged(98, 91, key).proposed).toBe('L');
    expect(judged(98, 90, key).proposed)
      .withContext('a tie goes upward')
      .toBe('L');
  });

  it('splits, says which says what, and the rule picks', () => {
    const verdict = judged(98, 95);
    expect([verdict.verdict, verdict.proposed, verdict.alternates]).toEqual(['split', 'L', ['M']]);
    expect(sayReason(verdict, 'cm')).toBe('Chest says M, natural waist says L. The widest decides: L.');
    expect(judged(98, 95, { rule: 'key-decides', key: 'chest-girth' }).proposed).toBe('M');
  });

  it('says by how much it is beyond, and proposes nothing above the range', () => {
    const above = judged(121, 100);
    expect([above.verdict, above.proposed]).toEqual(['beyond', null]);
    expect(sayReason(above, 'cm')).toBe(
      'Chest 121 cm is 3 cm past the largest size, XL. Next: made to measure.',
    );
    const below = judged(80, 78);
    expect([below.verdict, below.proposed]).toEqual(['beyond', 'S']);
    expect(sayReason(judged(80, 66), 'cm')).toBe(
      'Chest 80 cm is 6 cm below the smallest size, S; natural waist 66 cm is 8 cm below the smallest size, S. Next: made to measure.',
    );
    expect(sayReason(below, 'cm')).toContain('is 6 cm below the smallest size, S');
  });

  it('is beyond before it is between, and between before it is split', () => {
    expect(judged(121, 90).verdict).toBe('beyond');
    expect(judged(106, 90).verdict).toBe('between');
  });

  it('lists what is still possible while a measurement is missing', () => {
    const verdict = judged(98, null);
    expect([verdict.verdict, verdict.proposed]).toEqual(['incomplete', null]);
    expect(sayReason(verdict, 'cm')).toBe('Still to measure: natural waist. Left: M.');
    expect(sayReason(judged(null, 89), 'cm')).toBe('Still to measure: chest. Left: M or L.');
    expect(sayReason(judged(null, null), 'cm')).toContain('Left: S, M, L or XL.');
  });

  it('proposes nothing on a measurement that failed a check', () => {
    const one = body({ 'chest-girth': cm(98), 'waist-girth': cm(85) });
    const verdict = judge(compiledOf(JACKET), one, { suspects: new Set(['waist-girth', 'hip-girth']) });
    expect([verdict.verdict, verdict.proposed, verdict.parts[0]!.placements.length]).toEqual([
      'suspect',
      null,
      2,
    ]);
    expect(sayReason(verdict, 'cm')).toBe('To measure again or confirmed: natural waist.');
    expect(judge(compiledOf(JACKET), one, { suspects: new Set(['hip-girth']) }).verdict).toBe('settled');
  });

  it('chooses among overlapping sizes by preference', () => {
    const csv = 'size,chest-girth (cm)\nS,86-96\nM,92-102\nL,100-110';
    const one = (chest: number, override?: RuleOverride) =>
      judge(compiledOf(csv), body({ 'chest-girth': cm(chest) }), override);
    expect([
      one(94).verdict,
      one(94, { preference: 'close' }).proposed,
      one(94, { preference: 'roomy' }).proposed,
    ]).toEqual(['overlap', 'S', 'M']);
    expect(one(93).proposed).withContext('regular: the nearer middle').toBe('S');
    expect(one(95).proposed).toBe('M');
    expect(one(94).proposed).withContext('a tie goes to the larger').toBe('M');
    expect(sayReason(one(94), 'cm')).toBe('S and M hold every measurement. For a regular fit: M.');
  });

  it('takes open ends as endless', () => {
    const csv = 'size,chest-girth (cm)\nsmall,<90\nlarge,>=90';
    const one = (chest: number) => judge(compiledOf(csv), body({ 'chest-girth': cm(chest) }));
    expect([one(60).proposed, one(89.9).proposed, one(90).proposed, one(180).proposed]).toEqual([
      'small',
      'small',
      'large',
      'large',
    ]);
    expect(one(60).verdict).toBe('settled');
  });

  it('says lengths in either unit', () => {
    expect(
      sayReason(
        judge(compiledOf('size,chest-girth (in)\nM,38-40\nL,41-43'), body({ 'chest-girth': inches(40.5) })),
        'in/8',
      ),
    ).toBe('Chest 40 1/2 in falls in the gap between M and L. The widest decides: L.');
  });

  it('holds together for any chart and any body', () => {
    const interval = fc.tuple(fc.integer({ min: 60, max: 120 }), fc.integer({ min: 1, max: 20 }));
    fc.assert(
      fc.property(
        fc.array(fc.tuple(interval, interval), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 55, max: 145 }),
        fc.integer({ min: 55, max: 145 }),
        (rows, chest, waist) => {
          const grown = rows.sort((a, b) => a[0][0] - b[0][0]);
          const part = plainPart(
            grown.map((_, at) => `${at}`),
            ([0, 1] as const).map((at) => ({
              code: at === 0 ? 'chest-girth' : 'waist-girth',
              role: 'deciding' as const,
              unit: 'cm' as const,
              reach: 'halfway' as const,
              ease: null,
              standIns: [],
              cells: grown.map((row) => ({
                kind: 'interval' as const,
                lower: { at: cm(row[at][0]), edge: 'printed' as const },
                upper: { at: cm(row[at][0] + row[at][1]), edge: 'printed' as const },
              })),
            })),
          );
          const chart = compileChart({ ...sheetOf(JACKET), parts: [part] });
          const verdict = judge(chart, body({ 'chest-girth': cm(chest), 'waist-girth': cm(waist) }));
          expect(VERDICTS).toContain(verdict.verdict);
          expect(plainVerdict(onlyPart(chart), [cm(chest), cm(waist)])).toBe(
            verdict.verdict === 'edge' ? 'settled' : verdict.verdict,
          );
          const sum = verdict.parts[0]!.odds.reduce((total, { chance }) => total + chance, 0);
          expect(sum).toBeGreaterThan(0.98);
          expect(sum).toBeLessThanOrEqual(1 + 1e-9);
          expect(verdict.alternates).not.toContain(verdict.proposed!);
          expect(sayReason(verdict, 'cm').length).toBeGreaterThan(10);
        },
      ),
      { numRuns: 300 },
    );
  });
});

/** The meaning of the verdicts once more, as a deliberately plain loop. */
function plainVerdict(chart: CompiledPart, values: readonly Length[]): Verdict {
  let gap = false;
  const fits = chart.sizes.map(() => true);
  for (let c = 0; c < values.length; c++) {
    let [any, anyBelow, anyAbove] = [false, false, false];
    for (let s = 0; s < chart.sizes.length; s++) {
      const { from, until } = chart.deciding[c]!.intervals[s]!;
      const inside = values[c]! >= from && values[c]! < until;
      any ||= inside;
      anyBelow ||= values[c]! >= until;
      anyAbove ||= values[c]! < from;
      fits[s] &&= inside;
    }
    if (!any && !(anyBelow && anyAbove)) return 'beyond';
    gap ||= !any;
  }
  if (gap) return 'between';
  const count = fits.filter(Boolean).length;
  return count === 0 ? 'split' : count === 1 ? 'settled' : 'overlap';
}

describe('EN 13402-3 men’s chest (from memory)', () => {
  const sized = (part: ChartPart, chest: number) =>
    judge(compileChart({ ...sheetOf(JACKET), parts: [part] }), body({ 'chest-girth': cm(chest) }));

  it('places nominal values in their own size and bounds in the upper one', () => {
    for (const size of EN_13402_MEN_CHEST.sizes)
      expect(sized(EN_13402_MEN_CHEST, Number(size)).proposed).toBe(size);
    expect([86, 90, 118, 123, 141].map((chest) => sized(EN_13402_MEN_CHEST, chest).proposed)).toEqual([
      '88',
      '92',
      '120',
      '126',
      '144',
    ]);
    expect([81.9, 147].map((chest) => sized(EN_13402_MEN_CHEST, chest).verdict)).toEqual([
      'beyond',
      'beyond',
    ]);
  });

  it('places the letter codes', () => {
    expect(
      [78, 86, 94, 102, 110, 118, 129, 140.9].map((chest) => sized(EN_13402_MEN_LETTERS, chest).proposed),
    ).toEqual(['XS', 'S', 'M', 'L', 'XL', 'XXL', '3XL', '3XL']);
  });

  it('sizes the 247 men of the 507 bodies as an independent loop does', () => {
    const men = bodyDimensions507().filter(({ Gender }) => Gender === 1);
    const counts: Record<string, number> = {};
    const plain: Record<string, number> = {};
    for (const { ChestG } of men) {
      const size = sized(EN_13402_MEN_CHEST, ChestG!).proposed ?? 'none';
      counts[size] = (counts[size] ?? 0) + 1;
      // Tenths of a centimetre as whole numbers; 84 to 116 reach 2 cm, 120 sits between the grids, 126 on reach 3.
      const tenths = Math.round(ChestG! * 10);
      let found = tenths < 820 ? '84' : 'none';
      for (let nominal = 84; nominal <= 116; nominal += 4)
        if (tenths >= nominal * 10 - 20 && tenths < nominal * 10 + 20) found = `${nominal}`;
      if (tenths >= 1180 && tenths < 1230) found = '120';
      for (let nominal = 126; nominal <= 144; nominal += 6)
        if (tenths >= nominal * 10 - 30 && tenths < nominal * 10 + 30) found = `${nominal}`;
      plain[found] = (plain[found] ?? 0) + 1;
    }
    expect(men.length).toBe(247);
    expect(counts).toEqual(plain);
    expect(Object.keys(counts).length).toBeGreaterThan(8);
  });
});

describe('place', () => {
  const column = onlyPart(compiledOf(JACKET)).deciding[1]!;
  it('names the sizes beside a gap and the distance to the nearer', () => {
    expect(place(column, cm(89))).toEqual(
      jasmine.objectContaining({ where: 'gap', below: 1, above: 2, toEdge: mm(10), containing: [] }),
    );
    expect(place(column, cm(70))).toEqual(
      jasmine.objectContaining({ where: 'below', below: null, above: 0, toEdge: mm(40) }),
    );
    expect(place(column, cm(107))).toEqual(
      jasmine.objectContaining({ where: 'above', below: 3, above: null, toEdge: mm(10) }),
    );
  });
});

describe('sayChance', () => {
  it('never claims certainty', () =>
    expect([0.9999, 0.0001, 0.24, 1, 0].map(sayChance)).toEqual([
      'over 99 %',
      'under 1 %',
      '24 %',
      '100 %',
      '0 %',
    ]));
});

describe('a part that rests on several readings', () => {
  const derived = compileChart(
    wholeSheet({
      derivations: [
        {
          code: 'derived:mean',
          name: 'Mean',
          steps: [
            { do: 'require', as: 'held', of: 'chest-girth', least: 'waist-girth', because: 'so it is' },
            { do: 'average', as: 'mean', of: ['held', 'waist-girth'] },
          ],
        },
      ],
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['M', 'L'],
          columns: [
            { code: 'derived:mean', unit: 'cm', cells: ['80-90', '90-100'] },
            {
              code: 'hip-girth',
              role: 'advisory',
              unit: 'cm',
              cells: ['90-100', '100-110'],
              standIns: ['height'],
            },
          ],
        },
      ],
    }),
  );
  const measured = { 'chest-girth': cm(94), 'waist-girth': cm(82) };

  it('is as far off as its readings make it', () => {
    const [mean] = judge(derived, body(measured)).parts[0]!.placements;
    // Half the sum of two that are 7 mm off each.
    expect(mean!.standardError / 1000).toBeCloseTo(7 / Math.SQRT2, 1);
  });

  it('is suspect as soon as one of them is, and names that one', () => {
    const verdict = judge(derived, body(measured), { suspects: new Set(['waist-girth', 'neck-girth']) });
    expect(verdict.parts[0]!.reason).toEqual(
      jasmine.objectContaining({ verdict: 'suspect', suspects: ['waist-girth'], requirement: null }),
    );
  });

  it('names all of them where they do not go together and none was suspect', () => {
    const refused = { 'chest-girth': cm(80), 'waist-girth': cm(82) };
    expect(judge(derived, body(refused)).parts[0]!.reason).toEqual(
      jasmine.objectContaining({ verdict: 'suspect', suspects: ['chest-girth', 'waist-girth'] }),
    );
    expect(judge(derived, body(refused), { suspects: new Set(['chest-girth']) }).parts[0]!.reason).toEqual(
      jasmine.objectContaining({ verdict: 'suspect', suspects: ['chest-girth'], requirement: 'so it is' }),
    );
  });

  it('reports by a stand-in only while the measurement itself is missing', () => {
    const reported = (more: Partial<Record<MeasurementCode, Length>>) =>
      judge(derived, body({ ...measured, ...more })).parts[0]!.advisory.map((one) => [
        one.sizes,
        one.estimatedFrom,
      ]);
    expect(reported({ 'hip-girth': cm(95), height: cm(105) })).toEqual([[['M'], null]]);
    expect(reported({ height: cm(105) })).toEqual([[['L'], 'height']]);
    const two = compileChart({
      ...derived.sheet,
      parts: derived.sheet.parts.map((part) => ({
        ...part,
        columns: part.columns.map((one) => ({ ...one, standIns: ['neck-girth', 'height'] as const })),
      })),
    } as unknown as ChartSheet);
    const [later] = judge(two, body({ ...measured, height: cm(105) })).parts[0]!.advisory;
    expect(later!.estimatedFrom).withContext('the second, while the first is missing').toBe('height');
    expect(reported({})).toEqual([]);
  });
});

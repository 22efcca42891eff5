import {
  compileChart,
  examineChart,
  judge,
  MEASUREMENT_CODES,
  micrometres,
  type MeasuredBody,
  chartShapeSchema,
  codesRead,
  decidingCodes,
  faultsOfSheet,
  sayFault,
  type ChartSheet,
} from '../../testing/all';
import { scale } from '../../testing/whole-sheet';

const WAIST = scale('waist', 'trouser-waist-girth', ['30', '32', '34'], {
  values: ['30 in', '32 in', '34 in'],
});
const LEG = scale('leg', 'derived:leg', ['30', '32']);
const DERIVED = {
  code: 'derived:leg',
  name: 'Leg',
  steps: [{ do: 'subtract', as: 'less', from: 'inside-leg-length', take: '1 in' }],
};
/** Trousers of two parts and some arithmetic, whole, unless something is changed. */
const trousers = (changes: object = {}): ChartSheet =>
  chartShapeSchema.parse({
    maker: 'Ostrel Workwear',
    garment: 'Test trousers',
    unit: 'in',
    rule: 'widest-decides',
    derivations: [DERIVED],
    parts: [WAIST, LEG],
    ...changes,
  });

const many = (count: number) => Array.from({ length: count }, (_, at) => String(20 + at));

describe('faultsOfSheet', () => {
  it('finds nothing in a sheet whose names all point somewhere', () => {
    const whole = trousers({
      label: '{waist}x{leg}',
      combinations: [{ parts: ['waist', 'leg'], made: { '30': ['30'], '32': ['30', '32'] } }],
      options: [{ name: 'Long', when: [{ of: 'derived:leg', is: 'above', length: '34 in' }], adds: '+2 in' }],
    });
    expect(faultsOfSheet(whole)).toEqual([]);
  });

  it('lets a label leave out what another part’s own labels tell, and nothing else', () => {
    const of = (sizes: Record<string, string[]>) =>
      faultsOfSheet(
        trousers({
          label: '{leg}',
          parts: [
            WAIST,
            {
              ...LEG,
              sizes: ['30S', '30L', '32S'],
              offered: { by: 'waist', sizes },
              columns: [{ code: 'derived:leg', unit: 'in', cells: ['28-30', '30-32', '32-34'] }],
            },
          ],
        }),
      ).map(sayFault);
    expect(
      of({ '30': ['30S', '30L'], '32': ['32S'], '34': [] }).filter((one) => one.includes('leaves out')),
    ).toEqual([]);
    expect(of({ '30': ['30S', '30L'], '32': ['32S', '30L'], '34': ['32S'] })).toContain(
      'The label leaves out waist; two sizes would look alike.',
    );
    expect(of({ '30': ['30S', '30L'] }))
      .withContext('others have all')
      .toContain('The label leaves out waist; two sizes would look alike.');
  });

  /** Each change breaks one thing; what is said of it, and where. */
  const breaks = (name: string, changes: object, says: string, path: string) =>
    it(name, () => {
      const faults = faultsOfSheet(trousers(changes)).map(
        (fault) => `${fault.path.join('.')}: ${sayFault(fault)}`,
      );
      expect(faults).toContain(`${path}: ${says}`);
      for (const fault of faults) expect(fault).toMatch(/\.$/);
    });
  const step = (more: object) => ({
    derivations: [{ ...DERIVED, steps: [{ ...DERIVED.steps[0], ...more }] }],
  });
  const legs = (more: object) => ({ parts: [WAIST, { ...LEG, ...more }] });

  breaks(
    'has more cells than anybody should wait for',
    {
      parts: [
        scale('waist', 'trouser-waist-girth', many(200), {
          values: many(200).map((inches) => `${inches} in`),
        }),
        scale('leg', 'inside-leg-length', many(200), {
          offered: {
            by: 'waist',
            sizes: Object.fromEntries(many(100).map((size) => [size, many(200)])),
          },
        }),
      ],
    },
    'The chart has 20400 cells over everything it offers; at most 20000 can be used. Split it into two charts.',
    'parts',
  );
  breaks(
    'has columns without end',
    {
      parts: [
        {
          ...scale('waist', 'trouser-waist-girth', many(200)),
          columns: MEASUREMENT_CODES.slice(0, 20).map((code) => ({ code, unit: 'in', cells: many(200) })),
        },
        { ...LEG, sizes: many(1), columns: [{ code: 'derived:leg', unit: 'in', cells: ['30-34'] }] },
      ],
    },
    'The chart has 4001 cells over everything it offers; at most 4000 can be used. Split it into two charts.',
    'parts',
  );

  it('look at arithmetic that names the one before it eight times as often as it is written', () => {
    const derivations = Array.from({ length: 20 }, (_, at) => ({
      code: `derived:d${at}`,
      name: `d${at}`,
      steps: [
        {
          do: 'max',
          as: 'most',
          of: Array<string>(8).fill(at === 0 ? 'inside-leg-length' : `derived:d${at - 1}`),
        },
      ],
    }));
    const sheet = trousers({ derivations, parts: [WAIST, scale('leg', 'derived:d19', ['30', '32'])] });
    expect(faultsOfSheet(sheet)).toEqual([]);
    expect(examineChart(sheet)).toEqual([]);
    const leg = new Map([['inside-leg-length', { value: micrometres(32 * 25_400), standardError: 5_000 }]]);
    expect(judge(compileChart(sheet), leg as MeasuredBody).parts[1]!.proposed).toBe('32');
    expect(judge(compileChart(sheet), new Map()).verdict).toBe('incomplete');
  });

  it('are decided by what decides, and not by what is only reported', () => {
    const leg = { code: 'hip-girth', role: 'advisory', unit: 'in', cells: ['30-34', '34-38'] };
    const columns = [...(LEG as { columns: object[] }).columns, leg];
    expect(decidingCodes(trousers({ parts: [WAIST, { ...LEG, columns }] }))).toEqual([
      'trouser-waist-girth',
      'inside-leg-length',
    ]);
    expect(codesRead(trousers({ parts: [WAIST, { ...LEG, columns }] }))).toContain('hip-girth');
  });

  it('finds two derivations that name each other, and one that names itself, and comes to an end', () => {
    const naming = (code: string, other: string) => ({
      code,
      name: code,
      steps: [{ do: 'add', as: 'sum', of: [other, '1 in'] }],
    });
    const circle = trousers({
      derivations: [naming('derived:leg', 'derived:other'), naming('derived:other', 'derived:leg')],
    });
    expect(faultsOfSheet(circle).map(sayFault)).toEqual([
      'Step “sum”: derived:other is not derived before it.',
    ]);
    // What stands behind a column is asked for of charts that are not whole yet, too.
    expect([decidingCodes(circle), codesRead(circle)]).toEqual([
      ['trouser-waist-girth'],
      ['trouser-waist-girth'],
    ]);
    const itself = trousers({ derivations: [naming('derived:leg', 'derived:leg')] });
    expect(faultsOfSheet(itself).map(({ code }) => code)).toEqual(['derived-later']);
  });

  breaks(
    'a derivation that stands there twice',
    { derivations: [DERIVED, DERIVED] },
    'derived:leg is derived twice. Rename one.',
    'derivations.1',
  );
  breaks(
    'a step with the name of a measurement',
    step({ as: 'chest-girth' }),
    '“chest-girth” is the name of a measurement. Rename the step.',
    'derivations.0.steps.0',
  );
  breaks(
    'an operand that is nothing',
    step({ from: 'leg-length' }),
    'Step “less”: “leg-length” is neither a measurement, nor an earlier step, nor a length with a unit.',
    'derivations.0',
  );
  breaks(
    'a circle',
    step({ from: 'derived:leg' }),
    'Step “less”: derived:leg is not derived before it.',
    'derivations.0',
  );
  breaks(
    'a part that is not there',
    step({ take: 'size-of:cuff' }),
    'Step “less”: there is no part “cuff”.',
    'derivations.0',
  );
  breaks(
    'a part without values',
    step({ take: 'size-of:leg' }),
    'Step “less”: the sizes of leg have no values to calculate with.',
    'derivations.0',
  );
  breaks(
    'arithmetic that needs a part behind it',
    { ...step({ take: 'size-of:waist' }), parts: [LEG, WAIST] },
    'leg: derived:leg needs the part “waist”, which must stand before it.',
    'parts.0.columns.0',
  );
  breaks(
    'two parts of one name',
    { parts: [WAIST, WAIST, LEG] },
    'waist: two parts are named “waist”. Rename one.',
    'parts.1',
  );
  breaks(
    'a size twice',
    legs({ sizes: ['30', '30'] }),
    'leg: a size is listed twice. Rename one.',
    'parts.1.sizes',
  );
  breaks(
    'a cell too few',
    legs({ sizes: ['30', '32', '34'] }),
    'leg: derived:leg needs one cell per size.',
    'parts.1.columns.0',
  );
  breaks(
    'a value too few',
    legs({ values: ['30 in'] }),
    'leg: it needs one value per size.',
    'parts.1.values',
  );
  breaks(
    'a label too few of another system',
    legs({ otherNames: [{ system: 'Metric', labels: ['76'] }] }),
    'leg: Metric needs one label per size.',
    'parts.1.otherNames',
  );
  breaks(
    'nothing that decides',
    { parts: [WAIST, scale('leg', 'derived:leg', ['30', '32'], { role: 'advisory' })] },
    'leg: no measurement decides it.',
    'parts.1.columns',
  );
  breaks(
    'single values among intervals',
    { parts: [WAIST, scale('leg', 'derived:leg', ['30', '32'], {}, ['29-31', '32'])] },
    'leg: derived:leg mixes single values and intervals. Write both ends of each.',
    'parts.1.columns.0',
  );
  breaks(
    'a lone value that reaches nobody knows how far',
    { parts: [WAIST, scale('leg', 'derived:leg', ['30'])] },
    'leg: how far the only value of derived:leg reaches is unknown. Write both its ends.',
    'parts.1.columns.0',
  );
  it('finds nothing in ease of one length', () => {
    const ease = { least: '2 in', most: '2 in' };
    expect(
      faultsOfSheet(trousers({ parts: [WAIST, scale('leg', 'derived:leg', ['30', '32'], { ease })] })),
    ).toEqual([]);
  });

  breaks(
    'ease upside down',
    { parts: [WAIST, scale('leg', 'derived:leg', ['30', '32'], { ease: { least: '4 in', most: '2 in' } })] },
    'leg: the ease of derived:leg is reversed.',
    'parts.1.columns.0.ease',
  );
  breaks(
    'what is offered by a part that is not before it',
    { parts: [{ ...WAIST, offered: { by: 'leg', sizes: {} } }, LEG] },
    'waist: what it offers depends on “leg”, which must be a part before it.',
    'parts.0.offered',
  );
  breaks(
    'a size offered that there is not',
    legs({ offered: { by: 'waist', sizes: { '30': ['36'] } } }),
    'leg: “36” is offered but is not one of its sizes.',
    'parts.1.offered.sizes.30',
  );
  breaks('a key that is not chosen', { rule: 'key-decides' }, 'Choose the measurement that decides.', 'key');
  breaks(
    'a key that decides nothing here',
    { rule: 'key-decides', key: 'chest-girth' },
    'The measurement that decides is not a deciding column of this chart. Choose one of its columns.',
    'key',
  );
  breaks(
    'a label of a part that is not there',
    { label: '{waist}x{cuff}' },
    'The label names “cuff”, which is not a part.',
    'label',
  );
  breaks(
    'a label that tells two sizes alike',
    { label: '{waist}' },
    'The label leaves out leg; two sizes would look alike.',
    'label',
  );
  breaks(
    'what is offered for a size that there is not',
    legs({ offered: { by: 'waist', sizes: { '29': ['30'] } } }),
    'leg: “29” is not a size of waist.',
    'parts.1.offered.sizes.29',
  );
  breaks(
    'a size for which nothing is offered',
    legs({ offered: { by: 'waist', sizes: { '30': [] } } }),
    'leg: no size is offered for “30”. Name a size, or remove the line to offer all.',
    'parts.1.offered.sizes.30',
  );
  breaks(
    'a combination of a part that there is not, first',
    { combinations: [{ parts: ['cuff', 'leg'], made: {} }] },
    '“cuff” and “leg” are not two parts of this chart.',
    'combinations.0',
  );
  breaks(
    'a combination of a part that there is not, second',
    { combinations: [{ parts: ['leg', 'cuff'], made: {} }] },
    '“leg” and “cuff” are not two parts of this chart.',
    'combinations.0',
  );
  breaks(
    'a combination of a size of the first that there is not',
    { combinations: [{ parts: ['waist', 'leg'], made: { '29': ['30'] } }] },
    '“29” is not a size of waist.',
    'combinations.0',
  );
  breaks(
    'a combination with itself',
    { combinations: [{ parts: ['leg', 'leg'], made: {} }] },
    '“leg” and “leg” are not two parts of this chart.',
    'combinations.0',
  );
  breaks(
    'a combination with a size that there is not',
    { combinations: [{ parts: ['waist', 'leg'], made: { '30': ['36'] } }] },
    '“36” is not a size of leg.',
    'combinations.0',
  );
  breaks(
    'an option that goes by what is not derived',
    {
      options: [
        { name: 'Long', when: [{ of: 'derived:cuff', is: 'above', length: '34 in' }], adds: '+2 in' },
      ],
    },
    'derived:cuff is not derived in this chart.',
    'options.0',
  );
});

describe('what a chart reads', () => {
  const sheet = trousers({
    expects: [{ code: 'hip-girth', tension: 'snug' }],
    options: [{ name: 'Long', when: [{ of: 'height', is: 'above', length: '74 in' }], adds: '+2 in' }],
  });
  it('are the measurements it decides by, its arithmetic’s among them', () =>
    expect(decidingCodes(sheet)).toEqual(['trouser-waist-girth', 'inside-leg-length']));
  it('and for whatever else it needs one', () =>
    expect([...codesRead(sheet)].sort()).toEqual([
      'height',
      'hip-girth',
      'inside-leg-length',
      'trouser-waist-girth',
    ]));
});

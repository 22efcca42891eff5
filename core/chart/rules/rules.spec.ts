import {
  cm,
  examineChart,
  measurement,
  RULES,
  sayChartFinding,
  sayMend,
  SEVERITY,
  type ChartSheet,
  type RuleCode,
} from '../../testing/all';
import { scale, wholeSheet } from '../../testing/whole-sheet';

const chest = (cells: readonly string[], more: object = {}, sizes = cells.map((_, at) => `${38 + at}`)) =>
  wholeSheet({ unit: 'cm', parts: [scale('size', 'chest-girth', sizes, { unit: 'cm', ...more }, cells)] });
const codes = (sheet: ChartSheet) => examineChart(sheet).map(({ code }) => code);
const only = (sheet: ChartSheet, code: RuleCode) => examineChart(sheet).find((one) => one.code === code)!;

describe('the rules', () => {
  it('are one table: each code has its rule, and each rule matters as the table says', () => {
    expect(RULES.map(({ code }) => code).sort()).toEqual((Object.keys(SEVERITY) as RuleCode[]).sort());
    for (const { code, severity } of RULES) expect(severity).toBe(SEVERITY[code]);
  });

  it('tell what is alike in weight by its place, whatever rule found it', () => {
    for (const cells of [
      ['86-94', '37-40', '102-110', '94-102', '110-118'],
      ['86-94', '102-110', '94-102', '43-46', '118-126'],
    ]) {
      const alike = examineChart(chest(cells)).filter(({ severity }) => severity === 'wrong');
      expect(new Set(alike.map(({ code }) => code)).size).toBeGreaterThan(1);
      const sizes = alike.map(({ place }) => place.size ?? -1);
      expect(sizes).toEqual([...sizes].sort((one, other) => one - other));
    }
  });

  it('say where in the file each finding is', () => {
    const sheet = chest(['86-94', '94-102', '90-98']);
    const [found] = examineChart(sheet);
    expect([found!.code, found!.path]).toEqual(['not-growing', ['parts', 0, 'columns', 0, 'cells', 2]]);
  });
});

describe('the chart doctor', () => {
  it('weighs single values as it weighs intervals', () => {
    expect(codes(chest(['86', '94', '90']))).toContain('not-growing');
    expect(codes(chest(['86', '94', '94']))).toContain('same-as-before');
    expect(codes(chest(['86', '94', '102']))).toEqual([]);
  });

  it('finds a cell in another unit beside a size that is open below', () => {
    const sheet = chest(['<84', '33-36', '91-98']);
    expect(only(sheet, 'other-unit-cell').place).toEqual({ part: 'size', column: 'chest-girth', size: 1 });
  });

  it('tells which length two sizes share', () => {
    const sheet = chest(['86-94', '94-102', '94-102']);
    expect(only(sheet, 'same-as-before').facts.lengths).toEqual([cm(94)]);
    expect(only(chest(['86-94', '94-102', '90-98']), 'not-growing').facts.lengths).toEqual([cm(90)]);
  });

  it('reckons with every value the sizes of another part have', () => {
    const sheet = wholeSheet({
      derivations: [
        {
          code: 'derived:sum',
          name: 'Sum',
          steps: [{ do: 'add', as: 'sum', of: ['waist-girth', 'size-of:front'] }],
        },
      ],
      parts: [
        scale('front', 'chest-girth', ['30', '90'], { values: ['30 in', '90 in'] }, ['30-40', '40-50']),
        scale('back', 'derived:sum', ['L'], {}, ['150-170']),
      ],
    });
    expect(codes(sheet)).not.toContain('off-the-scale');
    expect(codes(sheet)).not.toContain('unreachable-size');
  });

  it('says where letters stand out of order', () => {
    const sheet = chest(['86-94', '94-102', '102-110'], {}, ['S', 'L', 'M']);
    expect(only(sheet, 'letters-out-of-order').path).toEqual(['parts', 0, 'sizes', 2]);
    expect(codes(chest(['86-94', '94-102'], {}, ['1', 'S']))).toEqual([]);
  });

  it('calls wrong what decides nothing, and a stand-in that comes too late', () => {
    const mute = chest(['*', '*', '*']);
    expect(codes(mute)).toEqual(['says-nothing']);
    expect(sayChartFinding(mute, only(mute, 'says-nothing'), 8)).toContain('decides nothing');
    const late = wholeSheet({
      derivations: [
        {
          code: 'derived:left',
          name: 'Left',
          steps: [{ do: 'subtract', as: 'left', from: 'waist-girth', take: 'size-of:front' }],
        },
      ],
      parts: [
        scale('front', 'chest-girth', ['40', '42'], {
          values: ['40 in', '42 in'],
          standIns: ['derived:left'],
        }),
      ],
    });
    expect(sayChartFinding(late, only(late, 'stand-in-too-late'), 8)).toContain('cannot stand in');
  });

  it('finds nothing in a sound chart', () => {
    expect(codes(chest(['78-86', '86-94', '94-102', '102-110', '110-118']))).toEqual([]);
  });

  it('names gaps, and mends those of whole numbers', () => {
    const whole = chest(['86-89', '90-93', '94-97']);
    expect(codes(whole)).toEqual(['whole-number-gap', 'whole-number-gap']);
    const { mend } = only(whole, 'whole-number-gap');
    expect(codes(mend!.sheet)).withContext('one of two mended').toEqual(['whole-number-gap']);
    expect(sayChartFinding(whole, only(whole, 'whole-number-gap'), 8)).toBe(
      'Chest, size 39: 38 ends at 89 cm and 39 begins at 90 cm. If these are whole numbers, wearers in between fall into a gap.',
    );
    const gap = chest(['86-90', '92-96', '96-100']);
    expect(sayChartFinding(gap, only(gap, 'gap'), 8)).toContain('no wearer fits from 90 to 92 cm');
    expect(codes(chest(['>80 <90', '>90 <100', '>=100 <110'])))
      .withContext('nobody holds 90 itself')
      .toEqual(['bare-gap']);
  });

  it('asks no gap of a measurement that is rounded to whole units first', () => {
    const sheet = chest(['86-89', '90-93', '94-97']);
    expect(
      codes(
        wholeSheet({ ...sheet, expects: [{ code: 'chest-girth', rounding: { mode: 'up', step: '1 cm' } }] }),
      ),
    ).toEqual([]);
  });

  it('calls a gap of whole numbers what it is only where both ends are whole and printed', () => {
    expect(codes(chest(['86.5-89.5', '90.5-93']))).toEqual(['gap']);
    expect(codes(chest(['>=86 <89', '90-93']))).toEqual(['gap']);
    expect(codes(chest(['86-89', '91-94']))).toEqual(['gap']);
  });

  it('takes a bound for a body’s as long as a body reaches it', () => {
    // The catalogue's own limits of a chest.
    const { least, most } = measurement('chest-girth').limits;
    const at = (length: number) => String(length / 10_000);
    expect(codes(chest([`${at(least)}-94`, `94-${at(most)}`]))).not.toContain('outside-any-body');
    expect(codes(chest(['86-94', `${at(most)}-${at(most + 100_000)}`]))).not.toContain('outside-any-body');
    expect(codes(chest(['86-94', `${at(most + 1_000)}-${at(most + 100_000)}`]))).toContain(
      'outside-any-body',
    );
  });

  it('reads a column in another unit only where every cell of it asks for that', () => {
    expect(codes(chest(['34-36', '94-102', '102-110']))).not.toContain('other-unit-column');
    expect(codes(chest(['34-36', '37-40', '41-44']))).toContain('other-unit-column');
  });

  it('takes a cell for one in another unit only where its neighbours agree', () => {
    expect(codes(chest(['86-94', '37-40', '102-110']))).toContain('other-unit-cell');
    expect(codes(chest(['86-94', '37-40', '140-150']))).not.toContain('other-unit-cell');
    expect(codes(chest(['140-150', '37-40', '86-94']))).not.toContain('other-unit-cell');
  });

  it('asks for the heel where trousers are narrow at the ankle', () => {
    const trousers = (kind: 'trousers' | 'waders', code: 'ankle-girth' | 'heel-girth') =>
      wholeSheet({
        kind,
        unit: 'cm',
        parts: [scale('size', code, ['S', 'M'], { unit: 'cm' }, ['22-26', '26-30'])],
      });
    const found = only(trousers('trousers', 'ankle-girth'), 'ankle-not-heel');
    expect(found.severity).toBe('look');
    expect(sayChartFinding(trousers('trousers', 'ankle-girth'), found, 8)).toContain('must pass the heel');
    expect(codes(trousers('trousers', 'heel-girth'))).not.toContain('ankle-not-heel');
    expect(codes(trousers('waders', 'ankle-girth'))).not.toContain('ankle-not-heel');
  });

  it('notes overlaps', () => {
    const sheet = chest(['86-94', '92-100', '98-106']);
    expect(codes(sheet)).toEqual(['overlap', 'overlap']);
    expect(sayChartFinding(sheet, only(sheet, 'overlap'), 8)).toContain(
      'both hold 92 to 94 cm. There the preference decides.',
    );
    const leaning = { ...sheet, parts: sheet.parts.map((part) => ({ ...part, lean: 'smaller' as const })) };
    expect(sayChartFinding(leaning, only(leaning, 'overlap'), 8)).toContain('There the smaller is proposed.');
  });

  it('finds a cell in another unit, and reads it in that', () => {
    const sheet = chest(['86-94', '37-40', '102-110', '110-118']);
    const found = only(sheet, 'other-unit-cell');
    expect([found.severity, sayMend(found)]).toEqual(['wrong', 'Read it in in']);
    expect(codes(found.mend!.sheet)).not.toContain('other-unit-cell');
  });

  it('finds a whole column in another unit, and reads it in that', () => {
    const sheet = chest(['34-36', '36-38', '38-40']);
    expect(codes(sheet)).toEqual([
      'other-unit-column',
      'unreachable-size',
      'unreachable-size',
      'unreachable-size',
    ]);
    const { mend, facts } = only(sheet, 'other-unit-column');
    expect(facts.labels).withContext('of no one size').toEqual([]);
    expect(mend?.sheet.parts[0]!.columns[0]!.unit).toBe('in');
    expect(codes(mend!.sheet)).toEqual([]);
  });

  it('finds rows that fall back, stand twice, jump or were typed a line off', () => {
    expect(codes(chest(['86-94', '102-110', '94-102', '110-118']))).toContain('not-growing');
    expect(codes(chest(['86-94', '94-102', '94-102', '102-110']))).toContain('same-as-before');
    const jump = chest(['86-90', '90-94', '94-98', '98-102', '112-116']);
    expect(sayChartFinding(jump, only(jump, 'step-jump'), 8)).toBe(
      'Chest, size 42: the step from 41 to 42 is 14 cm, where 4 cm is usual in this column.',
    );
    expect(codes(chest(['86-90', '90-98', '94-98', '98-102']))).toContain('moved-by-one');
  });

  it('tells the worst first, whatever part it is of', () => {
    const sheet = wholeSheet({
      unit: 'cm',
      parts: [
        scale('top', 'chest-girth', ['S', 'M'], { unit: 'cm' }, ['86-94', '92-102']),
        scale('base', 'hip-girth', ['S', 'M', 'L'], { unit: 'cm' }, ['86-94', '94-102', '88-98']),
      ],
    });
    const weights = examineChart(sheet).map(({ severity, place }) => [severity, place.part]);
    expect(weights[0]).toEqual(['wrong', 'base']);
    expect(weights).toContain(['note', 'top']);
  });

  it('finds the first letter of all twice', () => {
    expect(codes(chest(['86-94', '94-102'], {}, ['4XS', '4xs']))).toEqual(['letters-alike']);
  });

  it('finds letters out of order', () => {
    const sizes = ['S', 'L', 'M', 'XL'];
    const sheet = chest(['86-94', '94-102', '102-110', '110-118'], {}, sizes);
    expect(sayChartFinding(sheet, only(sheet, 'letters-out-of-order'), 8)).toContain('M comes after L');
    expect(codes(chest(['86-94', '94-102'], {}, ['XXL', '3XL']))).toEqual([]);
  });

  it('finds a size that is missing within a run', () => {
    const cells = ['86-94', '94-102', '102-110', '110-118'];
    const gap = (...sizes: string[]) => codes(chest(cells.slice(0, sizes.length), {}, sizes));
    expect(gap('S', 'M', 'XL')).toEqual(['size-missing-in-run']);
    const sheet = chest(cells.slice(0, 3), {}, ['S', 'M', 'XL']);
    expect(sayChartFinding(sheet, only(sheet, 'size-missing-in-run'), 8)).toContain(
      'L is missing between M and XL',
    );
    expect(gap('36', '38', '42', '44')).toEqual(['size-missing-in-run']);
    expect(gap('36', '38', '40', '42')).toEqual([]);
    expect(gap('S', 'M', 'L', 'XL')).toEqual([]);
    expect(gap('36', '38', '42', '46'))
      .withContext('graded wider at the end')
      .toEqual([]);
    expect(gap('2', '4')).toEqual([]);
  });

  it('turns an interval round that ends before it begins', () => {
    // Text cannot carry one, but a file written by hand can.
    const upside = {
      kind: 'interval',
      lower: { at: '94 cm', edge: 'printed' },
      upper: { at: '86 cm', edge: 'printed' },
    };
    const sheet = wholeSheet({
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['S', 'M'],
          columns: [{ code: 'chest-girth', unit: 'cm', cells: [upside, '94-102'] }],
        },
      ],
    });
    const found = only(sheet, 'upside-down');
    const { mend } = found;
    expect([found.severity, sayMend(found)]).toEqual(['wrong', 'Swap the ends']);
    expect(codes(mend!.sheet)).toEqual([]);
  });

  it('finds sizes no body comes to, and bounds outside any body', () => {
    const sheet = chest(['86-94', '94-102', '1020-1100']);
    expect(codes(sheet)).toContain('outside-any-body');
    expect(codes(sheet)).toContain('unreachable-size');
  });

  it('holds finished garments to no limits of a body', () => {
    const wide = ['190-196', '196-202'];
    const outside = chest(wide);
    expect(codes(outside)).toContain('outside-any-body');
    expect(codes(chest(wide, { ease: { least: '60 cm', most: '70 cm' } }))).not.toContain('outside-any-body');
  });

  it('says no lengths where a finding is about labels', () => {
    const twice = chest(['86-94', '94-102'], {}, ['M', 'm']);
    for (const { facts, place } of examineChart(twice))
      if (place.column === null) expect(facts.lengths).toEqual([]);
  });

  it('finds ease below nothing on what is cut wider than the body', () => {
    const ease = { least: '-2 cm', most: '4 cm' };
    expect(codes(wholeSheet({ ...chest(['100-104', '104-108'], { ease }), kind: 'jacket' }))).toContain(
      'negative-ease',
    );
    expect(codes(wholeSheet({ ...chest(['100-104', '104-108'], { ease }), kind: 'dress' }))).not.toContain(
      'negative-ease',
    );
    for (const none of [null, { least: '0 cm', most: '4 cm' }, { least: '2 cm', most: '4 cm' }])
      expect(
        codes(wholeSheet({ ...chest(['100-104', '104-108'], { ease: none }), kind: 'jacket' })),
      ).not.toContain('negative-ease');
    const found = only(
      wholeSheet({ ...chest(['100-104', '104-108'], { ease }), kind: 'jacket' }),
      'negative-ease',
    );
    expect(found.path).withContext('of the column, and no cell of it').toEqual(['parts', 0, 'columns', 0]);
  });

  it('finds combinations and offers that leave a size out', () => {
    const sheet = wholeSheet({
      parts: [
        scale('waist', 'trouser-waist-girth', ['30', '32', '34'], {}, ['29-31', '31-33', '33-35']),
        scale(
          'leg',
          'inside-leg-length',
          ['30', '32'],
          { offered: { by: 'waist', sizes: { 30: ['30'], 32: ['30'], 34: ['30'] } } },
          ['29-31', '31-33'],
        ),
      ],
      combinations: [{ parts: ['waist', 'leg'], made: { 30: ['30'], 32: ['30'] } }],
    });
    expect(examineChart(sheet).map((one) => sayChartFinding(sheet, one, 8))).toEqual([
      'waist, size 34: 34 is made with no size of leg.',
      'leg, size 32: 32 is offered for no size of waist.',
      'leg, size 32: 32 is made with no size of waist.',
    ]);
  });

  it('finds arithmetic that never reaches its scale, and tables that fall back', () => {
    const derived = (steps: object[], sizes: string[]) =>
      wholeSheet({
        derivations: [{ code: 'derived:it', name: 'It', steps }],
        parts: [scale('size', 'derived:it', sizes)],
      });
    const inches = [{ do: 'multiply', as: 'it', of: 'head-girth', by: 0.3183 }];
    expect(codes(derived(inches, ['6', '7', '8']))).toEqual([]);
    const mean = [{ do: 'average', as: 'it', of: ['chest-girth', 'waist-girth'] }];
    const scales = (sizes: string[]) => codes(derived(mean, sizes)).includes('off-the-scale');
    expect([scales(['35', '40']), scales(['100', '110'])]).toEqual([false, true]);
    const sheet = derived(inches, ['60', '70', '80']);
    expect(sayChartFinding(sheet, only(sheet, 'off-the-scale'), 8)).toContain(
      'comes to 5 3/4 to 8 1/2 in over all bodies',
    );
    const table = (...upTo: readonly number[]) =>
      codes(
        derived(
          [
            {
              do: 'lookup',
              as: 'it',
              of: 'chest-girth',
              rows: upTo.map((end, at) => ({ upTo: `${end} in`, gives: `${10 + at} in` })),
            },
          ],
          upTo.map((_, at) => String(10 + at)),
        ),
      ).includes('lookup-not-growing');
    expect([table(28, 30, 70), table(30, 30, 70), table(28, 70, 60)]).toEqual([false, true, true]);
    const rows = [
      { upTo: '30 in', gives: '10 in' },
      { upTo: '28 in', gives: '11 in' },
    ];
    const falling = derived([{ do: 'lookup', as: 'it', of: 'chest-girth', rows }], ['10', '11']);
    const found = only(falling, 'lookup-not-growing');
    expect([found.path, found.facts.labels]).toEqual([
      ['derivations', 0, 'steps', 0],
      ['It', 'it'],
    ]);
  });
});

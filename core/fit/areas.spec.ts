import {
  columnOfPlace,
  fitChecksOf,
  GARMENT_KINDS,
  partOfPlace,
  sayOtherwise,
  type FitArea,
} from '../testing/all';
import { scale, wholeSheet } from '../testing/whole-sheet';
import { areaFacts } from '../garment/areas';
import { isOfLengths } from '../chart/size-chart';
import { placeName } from './areas';

const derived = (code: string, ...of: readonly string[]) => ({
  code: `derived:${code}`,
  name: code,
  steps: [{ do: 'max', as: 'most', of }],
});
const BLAZER = wholeSheet({
  kind: 'jacket',
  parts: [scale('chest', 'chest-girth', ['38', '40', '42']), scale('length', 'height', ['64', '68', '72'])],
});
const VEST = wholeSheet({
  kind: 'vest',
  derivations: [
    derived('front', 'chest-girth', 'waist-girth'),
    derived('back', 'chest-girth', 'waist-girth'),
  ],
  parts: [
    { ...scale('front-width', 'derived:front', ['18', '19']), name: 'Front width' },
    { ...scale('back-width', 'derived:back', ['18', '19']), name: 'Back width' },
    { ...scale('front-length', 'notch-to-belt-seated', ['13', '14']), name: 'Front length' },
    { ...scale('back-length', 'collar-to-belt', ['15', '16']), name: 'Back length' },
  ],
});
const BRA = wholeSheet({
  kind: 'bra',
  derivations: [derived('cup', 'underbust-girth', 'bust-girth')],
  parts: [
    { ...scale('cup', 'derived:cup', ['1', '2']), name: 'Cup' },
    { ...scale('band', 'underbust-girth', ['32', '34']), name: 'Band' },
  ],
});

describe('partOfPlace', () => {
  const of = (sheet: typeof BLAZER, ...areas: FitArea[]) =>
    areas.map((area) => partOfPlace(sheet, area)?.code ?? null);

  it('finds the part that sizes an area by what it measures', () => {
    expect(of(BLAZER, 'chest', 'shoulder', 'length', 'sleeve')).toEqual([
      'chest',
      'chest',
      'length',
      'length',
    ]);
    expect(of(BLAZER, 'collar', 'boot', 'seals')).toEqual([null, null, null]);
  });

  it('takes the part that measures it most directly, wherever it stands among them', () => {
    const parts = [scale('upper', 'height', ['64', '68']), scale('lower', 'inside-leg-length', ['30', '32'])];
    for (const order of [parts, [...parts].reverse()])
      expect(of(wholeSheet({ kind: 'trousers', parts: order }), 'leg')).toEqual(['lower']);
  });

  it('tells parts that go by the same measurements apart by what the maker calls them', () => {
    expect(of(VEST, 'front-width', 'back-width', 'front-length', 'back-length')).toEqual([
      'front-width',
      'back-width',
      'front-length',
      'back-length',
    ]);
    expect(of(BRA, 'band', 'cup')).toEqual(['band', 'cup']);
  });

  it('has one part serve several areas where the maker sizes them together', () => {
    const panels = wholeSheet({ kind: 'vest', parts: [scale('panel', 'chest-girth', ['36', '40'])] });
    expect(of(panels, 'front-width', 'back-width', 'front-length')).toEqual(['panel', 'panel', null]);
  });

  it('is not led astray by a name where the part measures nothing of the area', () => {
    const sheet = wholeSheet({ kind: 'boots', parts: [scale('length', 'foot-width-left', ['4', '5'])] });
    expect(of(sheet, 'boot', 'boot-width')).toEqual([null, 'length']);
  });
});

describe('columnOfPlace', () => {
  it('takes the column that reads what an area is about, the reading itself before what is derived from it', () => {
    const sheet = wholeSheet({
      kind: 'dress',
      derivations: [derived('either', 'hip-girth', 'waist-girth')],
      parts: [
        {
          code: 'size',
          name: 'Size',
          sizes: ['8', '10'],
          columns: [
            { code: 'derived:either', unit: 'in', cells: ['30', '32'] },
            { code: 'bust-girth', unit: 'in', cells: ['34', '36'] },
            { code: 'hip-girth', unit: 'in', cells: ['36', '38'] },
            { code: 'height', unit: 'in', cells: ['64', '66'], role: 'advisory' },
          ],
        },
      ],
    });
    const code = (area: FitArea) => columnOfPlace(sheet, sheet.parts[0]!, area)?.code ?? null;
    expect([code('bust'), code('hip'), code('waist')]).toEqual(['bust-girth', 'hip-girth', 'derived:either']);
    expect(code('hem')).withContext('what is only reported places nobody').toBeNull();
  });
});

describe('placeName', () => {
  it('calls a part as its chart does, and one that the chart has no more the garment', () => {
    expect([placeName(BLAZER, 'part:chest'), placeName(BLAZER, 'part:cape')]).toEqual(['chest', 'garment']);
    expect(placeName(BLAZER, 'sleeve')).toBe(areaFacts('sleeve').name);
  });
});

describe('isOfLengths', () => {
  it('goes by what decides, whatever stands beside it', () => {
    const part = (deciding: string, beside: string) => {
      const columns = [
        { code: deciding, unit: 'in', cells: ['30-32', '32-34'] },
        { code: beside, unit: 'in', cells: ['36-38', '38-40'], role: 'advisory' },
      ];
      const parts = [{ code: 'size', name: 'Size', sizes: ['1', '2'], columns }];
      return wholeSheet({ kind: 'jacket', parts });
    };
    const [long, wide] = [part('inside-leg-length', 'hip-girth'), part('hip-girth', 'inside-leg-length')];
    expect([isOfLengths(long, long.parts[0]!), isOfLengths(wide, wide.parts[0]!)]).toEqual([true, false]);
  });
});

describe('sayOtherwise', () => {
  it('says what to do in the chart’s own parts, and leaves out what it has no part for', () => {
    const says = (sheet: typeof BLAZER, check: string) =>
      sayOtherwise(sheet, fitChecksOf(sheet).find(({ code }) => code === check)!);
    expect(says(BLAZER, 'button')).toBe(
      'It pulls at the button: a larger chest. It hangs like a box: a smaller chest, or take in the waist.',
    );
    expect(says(BLAZER, 'hem')).toBe(
      'It leaves the seat bare: a longer one. It hangs below the thumb: a shorter one, or shorten the length. It is rather long: shorten the length.',
    );
    expect(says(VEST, 'gap-seated')).toBe(
      'It rests on the belt: a shorter front. It rises to the throat: a shorter front. The gap stays open: a longer front.',
    );
    expect(says(BRA, 'band')).toBe(
      'It rides up: a smaller band and a larger cup, or first measure underbust and bust again. It is tighter: a larger band and a smaller cup, or first measure underbust and bust again.',
    );
    const short = wholeSheet({ kind: 'jacket', parts: [scale('size', 'chest-girth', ['38', '40'])] });
    expect(says(short, 'hem')).toBe(
      'It leaves the seat bare: made to measure. It hangs below the thumb: shorten the length. It is rather long: shorten the length.',
    );
    expect(says(short, 'button')).toContain('It pulls at the button: a size up.');
  });

  it('says something for every check of every kind on any chart', () => {
    const plain = wholeSheet({ kind: 'other', parts: [scale('size', 'head-girth', ['22', '23'])] });
    for (const kind of GARMENT_KINDS)
      for (const check of fitChecksOf({ kind, fitChecks: [] }))
        expect(sayOtherwise(plain, check)).toMatch(/^.+: .+\.$/);
  });
});

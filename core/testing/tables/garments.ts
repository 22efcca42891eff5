// Made-up garments of the corpus, as data: what a person would understand of any table of them.

export interface CorpusColumn {
  readonly code: string;
  readonly unit: 'cm' | 'in' | 'mm';
  readonly name: { readonly en: string; readonly de: string; readonly fr: string; readonly es: string };
  /** From and to of each size; nothing for an end that is none. */
  readonly cells: readonly (readonly [from: number | null, to: number | null])[];
}

export interface CorpusGarment {
  readonly name: string;
  readonly sizes: readonly string[];
  readonly columns: readonly CorpusColumn[];
}

const steps = (first: number, step: number, count: number): (readonly [number, number])[] =>
  Array.from({ length: count }, (_, at) => [first + at * step, first + (at + 1) * step] as const);

const hip = { en: 'Hip', de: 'Hüftumfang', fr: 'Tour de hanches', es: 'Contorno de cadera' };
const height = { en: 'Height', de: 'Körpergröße', fr: 'Stature', es: 'Estatura' };
const chest = { en: 'Chest', de: 'Brust (Brustumfang)', fr: 'Tour de poitrine', es: 'Contorno de pecho' };
const neck = { en: 'Collar', de: 'Kragenweite', fr: 'Encolure', es: 'Cuello' };
const head = { en: 'Head', de: 'Kopfumfang', fr: 'Tour de tête', es: 'Contorno de cabeza' };
const hand = { en: 'Hand girth', de: 'Handumfang', fr: 'Tour de main', es: 'Contorno de mano' };
const handLength = { en: 'Hand length', de: 'Handlänge', fr: 'Longueur de main', es: 'Largo de mano' };

export const JACKET: CorpusGarment = {
  name: 'Harbour jacket',
  sizes: ['S', 'M', 'L', 'XL'],
  columns: [
    { code: 'hip-girth', unit: 'cm', name: hip, cells: steps(90, 8, 4) },
    { code: 'height', unit: 'cm', name: height, cells: steps(164, 6, 4) },
  ],
};

export const SHIRT: CorpusGarment = {
  name: 'Warden shirt',
  sizes: ['S', 'M', 'L', 'XL'],
  columns: [
    { code: 'chest-girth', unit: 'in', name: chest, cells: steps(34, 4, 4) },
    {
      code: 'neck-girth',
      unit: 'in',
      name: neck,
      cells: steps(14, 1, 4).map(([from, to]) => [from, to - 0.5]),
    },
  ],
};

export const CAP: CorpusGarment = {
  name: 'Ferry cap',
  sizes: ['54', '56', '58', '60'],
  columns: [{ code: 'head-girth', unit: 'cm', name: head, cells: steps(53, 2, 4) }],
};

export const GLOVE: CorpusGarment = {
  name: 'Net glove',
  sizes: ['7', '8', '9', '10'],
  columns: [
    {
      code: 'hand-girth',
      unit: 'mm',
      name: hand,
      cells: [
        [165, 190],
        [190, 215],
        [215, 241],
        [241, 266],
      ],
    },
    {
      code: 'hand-length',
      unit: 'mm',
      name: handLength,
      cells: [
        [166, 177],
        [177, 187],
        [187, 198],
        [198, 209],
      ],
    },
  ],
};

/** One that is open at both ends. */
export const OPEN: CorpusGarment = {
  name: 'Tide smock',
  sizes: ['S', 'M', 'L'],
  columns: [
    {
      code: 'hip-girth',
      unit: 'cm',
      name: hip,
      cells: [
        [null, 94],
        [94, 102],
        [102, null],
      ],
    },
  ],
};

/** A number as a person writes it in a unit: halves of an inch as fractions. */
export function numberOf(value: number, unit: string): string {
  if (unit !== 'in' || Number.isInteger(value)) return String(value);
  const whole = Math.floor(value);
  const eighths = Math.round((value - whole) * 8);
  const fraction = { 1: '1/8', 2: '1/4', 3: '3/8', 4: '1/2', 5: '5/8', 6: '3/4', 7: '7/8' }[eighths]!;
  return `${whole} ${fraction}`;
}

/** What a person understands of a garment: a line a size. */
export function understoodSizes({ sizes, columns }: CorpusGarment): string[] {
  return sizes.map((size, at) =>
    [
      size,
      ...columns.map(({ code, unit, cells }) => {
        const [from, to] = cells[at]!;
        const written = (value: number) => numberOf(value, unit);
        if (from === null) return `${code} <=${written(to!)} ${unit}`;
        if (to === null) return `${code} >=${written(from)} ${unit}`;
        return `${code} ${from === to ? written(from) : `${written(from)}-${written(to)}`} ${unit}`;
      }),
    ].join(' | '),
  );
}

import type { MeasurementCode } from '../body/catalogue/codes';
import { FIT_PREFERENCES, HOUSE_RULES } from '../chart/chart-shape';
import type { PlainChart } from './plain-sizing';

/** Draws a whole number from 0 up to, but not including, `most`. */
export type Draw = (most: number) => number;

/** What random charts measure. */
export const RANDOM_CODES = [
  'chest-girth',
  'waist-girth',
  'hip-girth',
  'height',
] as const satisfies readonly MeasurementCode[];

/** Draws from a source of numbers from 0 up to 1. */
export function drawFrom(random: () => number): Draw {
  return (most) => Math.floor(random() * most);
}

/** One of some things. */
export function oneOf<One>(draw: Draw, of: readonly One[]): One {
  return of[draw(of.length)]!;
}

/** A body for random charts, about one measurement in twelve not taken; micrometres. */
export function randomBody(draw: Draw): Map<MeasurementCode, number> {
  return new Map(
    RANDOM_CODES.flatMap((code): [MeasurementCode, number][] =>
      draw(12) === 0 ? [] : [[code, (680 + draw(520)) * 1_000 + (draw(3) === 0 ? draw(1_000) : 0)]],
    ),
  );
}

/** A fit preference. */
export function randomPreference(draw: Draw) {
  return oneOf(draw, FIT_PREFERENCES);
}

/**
 * A chart at random, as its file writes it, with everything the form has: gaps, overlaps, open ends,
 * nominal values of every reach, ease, stand-ins measured and derived, parts that go by others in
 * what they offer and in their arithmetic, every kind of step, roundings, leans, rules of parts and
 * combinations. Deterministic in its draws.
 */
export function randomChart(draw: Draw): PlainChart & { readonly maker: string; readonly garment: string } {
  const count = 1 + draw(4);
  const sizes = Array.from({ length: count }, () => labels(1 + draw(6)));
  const derivations = [0, 1, 2].slice(0, draw(4)).map((at) => derivation(draw, at, count));
  const codesBefore = (part: number): string[] => [
    ...RANDOM_CODES,
    ...derivations.filter(({ needs }) => needs <= part).map(({ code }) => code),
  ];
  const parts = sizes.map((own, at) => {
    const codes = shuffled(draw, codesBefore(at)).slice(0, 1 + draw(3));
    // A part that goes by arithmetic goes by it often enough to be worth drawing.
    const last = derivations.filter(({ needs }) => needs === at).at(-1);
    if (last !== undefined && !codes.includes(last.code)) codes[0] = last.code;
    const columns = codes.map((code, index) => ({
      ...column(draw, code, own.length),
      role: index > 0 && draw(6) === 0 ? 'advisory' : 'deciding',
      standIns:
        draw(3) === 0
          ? shuffled(draw, codesBefore(at))
              .filter((one) => one !== code)
              .slice(0, 2)
          : [],
    }));
    const by = at > 0 && draw(3) === 0 ? draw(at) : null;
    return {
      code: `p${at}`,
      name: `Part ${at}`,
      sizes: own,
      values: own.map((_, size) => `${60 + size * 20 + draw(7)} mm`),
      columns,
      lean: oneOf(draw, [null, null, 'larger', 'smaller']),
      rule: draw(3) === 0 ? oneOf(draw, HOUSE_RULES) : null,
      offered: by === null ? null : { by: `p${by}`, sizes: some(draw, sizes[by]!, own) },
    };
  });
  const deciding = parts.flatMap(({ columns }) =>
    columns.filter(({ role }) => role === 'deciding').map(({ code }) => code),
  );
  return {
    maker: 'Ostrel Workwear',
    garment: 'Random',
    unit: 'mm',
    rule: oneOf(draw, HOUSE_RULES),
    key: oneOf(draw, deciding),
    expects: RANDOM_CODES.filter(() => draw(5) === 0).map((code) => ({
      code,
      rounding: rounding(draw),
      recorded: draw(2) === 0,
    })),
    choices: CHOICES,
    derivations: derivations.map(({ needs: _, ...one }) => one),
    parts,
    combinations:
      count > 1 && draw(3) === 0
        ? [{ parts: ['p0', `p${count - 1}`], made: some(draw, sizes[0]!, sizes[count - 1]!) }]
        : [],
  } as unknown as ReturnType<typeof randomChart>;
}

function labels(count: number): string[] {
  return Array.from({ length: count }, (_, size) => `s${size}`);
}

function shuffled<One>(draw: Draw, of: readonly One[]): One[] {
  const left = [...of];
  return of.map(() => left.splice(draw(left.length), 1)[0]!);
}

/** For some of the first sizes, some of the second. */
function some(draw: Draw, first: readonly string[], second: readonly string[]): Record<string, string[]> {
  return Object.fromEntries(
    first
      .filter((_, at) => at === 0 || draw(5) > 0)
      .map((size) => {
        const left = second.filter(() => draw(3) > 0);
        return [size, left.length === 0 ? [oneOf(draw, second)] : left];
      }),
  );
}

function column(draw: Draw, code: string, sizes: number) {
  const style = sizes === 1 ? 1 : draw(3);
  const eased = draw(5) === 0;
  let at = 700 + draw(300);
  const unit = oneOf(draw, ['mm', 'mm', 'cm', 'in']);
  const length = (mm: number) =>
    unit === 'mm' ? `${mm}` : unit === 'cm' ? `${mm / 10}` : `${Math.round(mm / 25.4)}`;
  const cells = Array.from({ length: sizes }, (_, size) => {
    const from = at;
    at += 30 + draw(60);
    if (style === 0) return length(from);
    // Neighbours share a bound, leave a gap or overlap.
    const until = Math.max(at + oneOf(draw, [0, 0, -12, 26, 1]), from + 27);
    if (size === 0 && draw(4) === 0) return oneOf(draw, [`<${length(until)}`, `<=${length(until)}`]);
    if (size === sizes - 1 && draw(4) === 0) return oneOf(draw, [`>=${length(from)}`, `>${length(from)}`]);
    return draw(5) === 0 ? `>=${length(from)} <${length(until)}` : `${length(from)}-${length(until)}`;
  });
  return {
    code,
    unit,
    cells,
    reach: oneOf(draw, ['halfway', 'next-up', 'next-down']),
    ease: eased ? { least: `${draw(40)} mm`, most: `${40 + draw(50)} mm` } : null,
  };
}

const CHOICES = [
  {
    code: 'more',
    name: 'More',
    usual: 'some',
    ways: [
      { label: 'some', length: '25 mm' },
      { label: 'much', length: '50 mm' },
    ],
  },
];

function rounding(draw: Draw) {
  return draw(4) === 0
    ? { mode: 'down-to-offered', offered: [740, 800, 850, 900, 1_000].map((mm) => `${mm + draw(20)} mm`) }
    : {
        mode: oneOf(draw, ['up', 'down', 'nearest']),
        step: oneOf(draw, ['10 mm', '25 mm', '1 in', '1/2 in']),
      };
}

/** A derivation of two or three steps, and how many parts must have a size before it. */
function derivation(draw: Draw, index: number, parts: number) {
  const needs = draw(2) === 0 ? 0 : draw(parts);
  const earlier = index > 0 && draw(3) === 0 ? `derived:d${draw(index)}` : null;
  const a = earlier ?? oneOf(draw, RANDOM_CODES);
  const b = oneOf(draw, RANDOM_CODES);
  const more = draw(4) === 0 ? 'choice:more' : `${draw(40)} mm`;
  const steps: object[] = [{ do: 'add', as: 'a', of: [a, more] }];
  if (needs > 0) steps.push({ do: 'add', as: 'with', of: ['a', `size-of:p${needs - 1}`] });
  const from = needs > 0 ? 'with' : 'a';
  steps.push(
    oneOf(draw, [
      { do: 'reading', as: 'b', of: b },
      { do: 'max', as: 'b', of: [from, b] },
      { do: 'average', as: 'b', of: [from, b, b] },
      { do: 'round', as: 'b', of: from, to: rounding(draw) },
      { do: 'require', as: 'b', of: from, least: b, because: 'so it is' },
      { do: 'multiply', as: 'b', of: from, by: 0.97 },
      { do: 'clamp', as: 'b', of: from, least: '800 mm', most: '1000 mm' },
      {
        do: 'lookup',
        as: 'b',
        of: from,
        rows: [
          { upTo: '850 mm', gives: '750 mm' },
          { upTo: '950 mm', gives: '900 mm' },
          { upTo: '1080 mm', gives: '1010 mm' },
        ],
      },
    ]),
  );
  if (draw(3) === 0) steps.push({ do: 'difference', as: 'c', of: ['b', `${draw(60)} mm`] });
  if (draw(4) === 0) steps.push({ do: 'subtract', as: 'e', from: 'b', take: '5 mm' });
  return {
    code: `derived:d${index}`,
    name: `Derived ${index}`,
    steps,
    needs: needsOf(earlier, needs, parts),
  };
}

/** What goes by an earlier derivation needs at least what that needs; the most any can. */
function needsOf(earlier: string | null, needs: number, parts: number): number {
  return earlier === null ? needs : Math.max(needs, parts - 1);
}

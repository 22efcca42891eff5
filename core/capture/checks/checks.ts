import type { MeasurementCode } from '../../body/catalogue/codes';
import { inches, mm, MICROMETRES_PER, micrometres, type Length } from '../../quantity/length';
import { GRAMS_PER } from '../../quantity/mass';
import { RARE, unlikelyBody, type Unlikely } from './likelihood';
import { relationsOf, SUMS, type CheckCode, type Relation, type Sum } from './relations';

export { CHECK_CODES, type CheckCode } from './relations';

/** The values of one wearer, as far as they are known. */
export type KnownValues = ReadonlyMap<MeasurementCode, Length>;

/**
 * A set of values that does not hang together. `ask`: read again, or confirm with one tap
 * that it is so; `hint`: said, and nothing asked. Nothing that was read is ever discarded.
 */
export interface Suspicion {
  readonly check: CheckCode;
  readonly weight: 'ask' | 'hint';
  /** The measurements that take part, the likeliest culprit first. */
  readonly measurements: readonly MeasurementCode[];
  readonly facts:
    | {
        readonly kind: 'difference';
        readonly is: Length;
        readonly least: Length | null;
        readonly most: Length | null;
      }
    | {
        readonly kind: 'sum';
        /** What the parts add up to, what was read for the whole, and how far apart the two may be. */
        readonly is: Length;
        readonly whole: Length;
        readonly most: Length;
      }
    | { readonly kind: 'ratio'; readonly is: number; readonly least: number; readonly most: number }
    | { readonly kind: 'build'; readonly is: number; readonly least: number; readonly most: number }
    | { readonly kind: 'value'; readonly is: Length; readonly least: Length; readonly most: Length }
    | { readonly kind: 'unlikely'; readonly unlikely: Unlikely };
}

/** A measurement that lies in a narrow range on nearly everybody. Common practice, no source. */
const USUAL: readonly { check: CheckCode; code: MeasurementCode; least: Length; most: Length }[] = [
  { check: 'waist-to-hip-drop', code: 'waist-to-hip', least: inches(7), most: inches(10) },
  { check: 'shoulder-to-waist', code: 'front-waist-length', least: inches(14.5), most: inches(18) },
];

/**
 * From these girths on a body is a large one (working values of ours, beyond nearly all of the 507). What is usual of
 * middling builds says nothing of it: a length over a full bust or belly is longer, a hip far wider than the shoulders.
 */
const LARGE: readonly (readonly [MeasurementCode, Length])[] = [
  ['chest-girth', mm(1180)],
  ['bust-girth', mm(1120)],
  ['waist-girth', mm(1080)],
  ['hip-girth', mm(1200)],
];

/** The statistics are of young and active people: of a large body only what no body has is asked about. */
const RARE_OF_LARGE = 1e-6;

function isLarge(values: KnownValues): boolean {
  return LARGE.some(([code, from]) => (values.get(code) ?? 0) >= from);
}

/** Inside leg as a share of height. Common practice, no source. */
const LEG_SHARE = { least: 0.38, most: 0.52 };

/** Kilograms over the square of the height in metres; outside these nearly always a slip (working values of ours). */
const BUILD = { least: 13, most: 60 };

/**
 * Checks the values of one wearer against each other, as far as they are known. The limits of
 * a single value are checked when it is read (`readReading`).
 *
 * @returns what does not hang together, relations first, then what is unlikely as a whole
 * @example checkBody(new Map([['bust-girth', cm(80)], ['underbust-girth', cm(90)]])).map(({ check }) => check) // ['bust-under-underbust']
 */
export function checkBody(values: KnownValues): Suspicion[] {
  const large = isLarge(values);
  const related = relationsOf(values).flatMap((relation) => checkRelation(relation, values));
  const sums = SUMS.flatMap((sum) => checkSum(sum, values));
  const usual = USUAL.flatMap(({ check, code, least, most }): Suspicion[] => {
    const is = values.get(code);
    if (is === undefined || large || (is >= least && is <= most)) return [];
    return [{ check, weight: 'ask', measurements: [code], facts: { kind: 'value', is, least, most } }];
  });
  const unlikely = unlikelyBody(values, large ? RARE_OF_LARGE : RARE);
  const together: Suspicion[] =
    unlikely === null
      ? []
      : [
          {
            check: 'unlikely-together',
            weight: 'ask',
            measurements: unlikely.culprits,
            facts: { kind: 'unlikely', unlikely },
          },
        ];
  return [...related, ...sums, ...checkLegShare(values), ...checkBuild(values), ...usual, ...together];
}

function checkRelation(
  { check, weight, first, second, least, most }: Relation,
  values: KnownValues,
): Suspicion[] {
  const [a, b] = [values.get(first), values.get(second)];
  if (a === undefined || b === undefined) return [];
  if (check === 'overarm-to-hip' && (!values.has('bust-girth') || isLarge(values))) return [];
  const is = micrometres(a - b);
  if ((least === null || is >= least) && (most === null || is <= most)) return [];
  return [{ check, weight, measurements: [second, first], facts: { kind: 'difference', is, least, most } }];
}

/** Parts that make a whole, read each by itself, add up to it. */
function checkSum({ check, parts, whole, most }: Sum, values: KnownValues): Suspicion[] {
  const read = parts.map((code) => values.get(code));
  const all = values.get(whole);
  if (all === undefined || read.some((one) => one === undefined)) return [];
  const is = micrometres(read.reduce<number>((sum, one) => sum + one!, 0));
  if (Math.abs(is - all) <= most) return [];
  const facts = { kind: 'sum', is, whole: all, most } as const;
  return [{ check, weight: 'ask', measurements: [whole, ...parts], facts }];
}

function checkLegShare(values: KnownValues): Suspicion[] {
  const [leg, height] = [values.get('inside-leg-length'), values.get('height')];
  if (leg === undefined || height === undefined) return [];
  // Whole-number comparison: share in hundredths against the height.
  if (leg * 100 >= height * 38 && leg * 100 <= height * 52) return [];
  const facts = { kind: 'ratio', is: leg / height, ...LEG_SHARE } as const;
  return [
    { check: 'inside-leg-to-height', weight: 'ask', measurements: ['inside-leg-length', 'height'], facts },
  ];
}

function checkBuild(values: KnownValues): Suspicion[] {
  const [weight, height] = [values.get('weight'), values.get('height')];
  if (weight === undefined || height === undefined) return [];
  const metres = height / MICROMETRES_PER.m;
  const is = weight / GRAMS_PER.kg / metres ** 2;
  if (is >= BUILD.least && is <= BUILD.most) return [];
  return [
    {
      check: 'weight-to-height',
      weight: 'ask',
      measurements: ['weight', 'height'],
      facts: { kind: 'build', is, ...BUILD },
    },
  ];
}

import type { MeasurementCode } from '../body/catalogue/codes';
import { inches, MICROMETRES_PER, micrometres, mm, type Length } from '../quantity/length';
import { GRAMS_PER } from '../quantity/mass';
import { unlikelyBody, type Unlikely } from './likelihood';

/** The values of one wearer, as far as they are known. */
export type KnownValues = ReadonlyMap<MeasurementCode, Length>;

/** Every check that a set of values can fail. */
export const CHECK_CODES = [
  'seated-front',
  'waist-over-hip',
  'waist-over-chest',
  'bust-under-underbust',
  'overarm-over-chest',
  'inside-to-outside-leg',
  'inside-leg-to-height',
  'weight-to-height',
  'feet-lengths',
  'waist-to-hip-drop',
  'shoulder-to-waist',
  'overarm-to-hip',
  'unlikely-together',
] as const;
export type CheckCode = (typeof CHECK_CODES)[number];

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
    | { readonly kind: 'ratio'; readonly is: number; readonly least: number; readonly most: number }
    | { readonly kind: 'build'; readonly is: number; readonly least: number; readonly most: number }
    | { readonly kind: 'value'; readonly is: Length; readonly least: Length; readonly most: Length }
    | { readonly kind: 'unlikely'; readonly unlikely: Unlikely };
}

/** A relation between two measurements: `first - second` within bounds. Common practice, no source. */
interface Relation {
  readonly check: CheckCode;
  readonly weight: 'ask' | 'hint';
  readonly first: MeasurementCode;
  readonly second: MeasurementCode;
  readonly least: Length | null;
  readonly most: Length | null;
}

const ask = (
  check: CheckCode,
  first: MeasurementCode,
  second: MeasurementCode,
  least: Length | null,
  most: Length | null,
): Relation => ({
  check,
  weight: 'ask',
  first,
  second,
  least,
  most,
});

const RELATIONS: readonly Relation[] = [
  ask('seated-front', 'notch-to-belt-standing', 'notch-to-belt-seated', inches(0), inches(4)),
  // A large belly makes both of these true; so they ask and never block.
  ask('waist-over-hip', 'hip-girth', 'waist-girth', mm(0), null),
  ask('waist-over-chest', 'chest-girth', 'waist-girth', mm(0), null),
  ask('waist-over-chest', 'bust-girth', 'waist-girth', mm(0), null),
  ask('bust-under-underbust', 'bust-girth', 'underbust-girth', mm(0), null),
  // Fitters say 3 in at the least; 18 of the 507 bodies have less, 2 in leaves four of them.
  ask('overarm-over-chest', 'overarm-girth', 'chest-girth', inches(2), inches(12)),
  ask('inside-to-outside-leg', 'outside-leg-length', 'inside-leg-length', inches(6), inches(14)),
  ask('feet-lengths', 'foot-length-left', 'foot-length-right', mm(-10), mm(10)),
  // Only of an evenly built woman: a hint, and only where a bust was measured.
  { ...ask('overarm-to-hip', 'overarm-girth', 'hip-girth', inches(-2), inches(2)), weight: 'hint' },
];

/** A measurement that lies in a narrow range on nearly everybody. Common practice, no source. */
const USUAL: readonly { check: CheckCode; code: MeasurementCode; least: Length; most: Length }[] = [
  { check: 'waist-to-hip-drop', code: 'waist-to-hip', least: inches(7), most: inches(10) },
  { check: 'shoulder-to-waist', code: 'front-waist-length', least: inches(14.5), most: inches(18) },
];

/** Inside leg as a share of height. Common practice, no source. */
const LEG_SHARE = { least: 0.38, most: 0.52 };

/** Kilograms over the square of the height in metres; outside these nearly always a slip (working values of ours). */
const BUILD = { least: 13, most: 60 };

/**
 * Checks the values of one wearer against each other, as far as they are known. The limits of
 * a single value are checked when it is read (`readReading`).
 *
 * @returns what does not hang together, relations first, then what is unlikely as a whole
 */
export function checkBody(values: KnownValues): Suspicion[] {
  const related = RELATIONS.flatMap((relation) => checkRelation(relation, values));
  const usual = USUAL.flatMap(({ check, code, least, most }): Suspicion[] => {
    const is = values.get(code);
    if (is === undefined || (is >= least && is <= most)) return [];
    return [{ check, weight: 'ask', measurements: [code], facts: { kind: 'value', is, least, most } }];
  });
  const unlikely = unlikelyBody(values);
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
  return [...related, ...checkLegShare(values), ...checkBuild(values), ...usual, ...together];
}

function checkRelation(
  { check, weight, first, second, least, most }: Relation,
  values: KnownValues,
): Suspicion[] {
  const [a, b] = [values.get(first), values.get(second)];
  if (a === undefined || b === undefined) return [];
  if (check === 'overarm-to-hip' && !values.has('bust-girth')) return [];
  const is = micrometres(a - b);
  if ((least === null || is >= least) && (most === null || is <= most)) return [];
  return [{ check, weight, measurements: [second, first], facts: { kind: 'difference', is, least, most } }];
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

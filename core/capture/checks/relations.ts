import { beyondMark, CHAINS } from '../../body/chains';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { inches, mm, type Length } from '../../quantity/length';

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
  'chain-order',
  'dart',
  'crotch-halves',
  'leg-heights',
  'arc-over-girth',
  'limb-girths',
  'knee-bent',
  'knuckle-over-hand',
  'worn-waist-height',
  'both-legs',
  'unlikely-together',
] as const;
export type CheckCode = (typeof CHECK_CODES)[number];

/** A relation between two measurements: `first - second` within bounds. Common practice, no source. */
export interface Relation {
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
  // Over the breast is at least beside it: what is more is the dart.
  ask('dart', 'shoulder-to-underbust', 'shoulder-to-underbust-side', mm(0), mm(150)),
  ask('chain-order', 'front-waist-length', 'shoulder-to-underbust-side', mm(20), null),
  // Part of a girth is less than all of it.
  ask('arc-over-girth', 'bust-girth', 'bust-front-arc', mm(100), null),
  ask('arc-over-girth', 'hip-girth', 'hip-back-arc', mm(100), null),
  ask('limb-girths', 'thigh-girth', 'knee-girth', mm(0), null),
  ask('limb-girths', 'thigh-girth', 'above-knee-girth', mm(0), null),
  ask('limb-girths', 'calf-girth', 'ankle-girth', mm(0), null),
  ask('limb-girths', 'heel-girth', 'ankle-girth', mm(0), null),
  ask('limb-girths', 'upper-arm-girth', 'forearm-girth', mm(-10), null),
  ask('limb-girths', 'forearm-girth', 'wrist-girth', mm(0), null),
  ask('limb-girths', 'hand-entry-girth', 'wrist-girth', mm(0), null),
  ask('limb-girths', 'hand-entry-girth', 'hand-girth', mm(-10), null),
  ask('both-legs', 'both-thighs-girth', 'thigh-girth', mm(150), null),
  ask('both-legs', 'both-knees-girth', 'above-knee-girth', mm(100), null),
  ask('knee-bent', 'knee-girth-bent', 'knee-girth', mm(-20), mm(120)),
  ask('knuckle-over-hand', 'hand-length', 'wrist-to-knuckle', mm(40), null),
  ask('worn-waist-height', 'outside-leg-length', 'trouser-waist-to-floor', mm(-30), mm(250)),
  // Only of an evenly built woman: a hint, and only where a bust was measured.
  { ...ask('overarm-to-hip', 'overarm-girth', 'hip-girth', inches(-2), inches(2)), weight: 'hint' },
];

/** Parts that add up to a whole, each read by itself, and how far the two may be apart. Common practice, no source. */
export interface Sum {
  readonly check: CheckCode;
  readonly parts: readonly MeasurementCode[];
  readonly whole: MeasurementCode;
  readonly most: Length;
}

export const SUMS: readonly Sum[] = [
  {
    check: 'crotch-halves',
    parts: ['crotch-length-front', 'crotch-length-back'],
    whole: 'crotch-length',
    // Three readings' errors of 7 mm together, two and a half times.
    most: mm(30),
  },
  {
    check: 'leg-heights',
    parts: ['waist-to-hip', 'hip-to-floor'],
    whole: 'outside-leg-length',
    // The tape follows the hip down the side, and hangs straight from it to the floor.
    most: mm(45),
  },
];

/**
 * The relations that some values can fail: those of the body, and of every chain each mark with the
 * one before it, whatever was left out between.
 */
export function relationsOf(values: ReadonlyMap<MeasurementCode, Length>): Relation[] {
  const grow = Object.values(CHAINS).flatMap(({ marks }) => {
    const read = marks.map(({ code }) => code).filter((code) => values.has(code));
    return read.slice(1).map((code, at): Relation => {
      const before = read[at]!;
      const { least, most } = beyondMark(before, code)!;
      return ask('chain-order', code, before, least, most);
    });
  });
  return [...RELATIONS, ...grow];
}

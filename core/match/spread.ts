import type { MeasurementCode } from '../body/catalogue/codes';
import type { Algebra } from '../chart/derive';
import { micrometres, type Length } from '../quantity/length';
import { roundLength, type RoundingPolicy } from '../quantity/rounding';
import { normalBelow } from './normal';

/** A value that takes a few lengths only, each with its chance. */
interface Atom {
  readonly at: number;
  readonly chance: number;
}

/**
 * How a value may truly lie, given the errors of the readings it rests on.
 *
 * Sums, differences and multiples of readings stay normal and exact, whatever they share;
 * rounding, looking up and clamping turn a value into a few lengths with exact chances; the
 * largest of several multiplies their chances. Where two such meet they are taken as
 * independent.
 */
export interface Spread {
  /** The chance of lying below a length. */
  readonly below: (length: number) => number;
  /** The value as read, and its standard error to the first order. */
  readonly value: number;
  readonly standardError: number;
  /** How much the value moves with each reading, in standard errors of that reading: micrometres. */
  readonly pull: ReadonlyMap<MeasurementCode, number>;
  /** Whether it is normal about its value. */
  readonly normal: boolean;
  readonly atoms: readonly Atom[] | null;
}

/** Atoms less likely than this are left out. */
const NEGLIGIBLE = 1e-10;
/** How many standard errors either way are looked at, and into how many atoms a spread is cut where it must be. */
const REACH = 7;
const CUTS = 560;

/** A length that is known exactly. */
export function exactly(length: number): Spread {
  return ofAtoms([{ at: length, chance: 1 }], length, new Map());
}

/** A reading with its normal error, in micrometres. */
export function readingSpread(code: MeasurementCode, value: Length, standardError: number): Spread {
  return standardError <= 0 ? exactly(value) : normal(value, new Map([[code, standardError]]));
}

/** The arithmetic of a chart on spreads. */
export function spreadAlgebra(
  reading: (code: MeasurementCode) => Spread | undefined,
  sizeOf: (part: string) => Length | undefined,
): Algebra<Spread> {
  return {
    reading,
    sizeOf: (part) => {
      const length = sizeOf(part);
      return length === undefined ? undefined : exactly(length);
    },
    length: exactly,
    add: (values) => values.reduce(plus),
    subtract: (from, take) => plus(from, times(take, -1)),
    multiply: times,
    average: (values) => times(values.reduce(plus), 1 / values.length),
    difference: (one, other) => apart(plus(one, times(other, -1))),
    max: largest,
    lookup: lookUp,
    round: roundSpread,
    clamp: (value, least, most) => clamp(value, least ?? -Infinity, most ?? Infinity),
    // A requirement is a matter of the reading as it is, not of its error.
    isAtLeast: (value, least) => value.value >= least.value,
  };
}

function normal(value: number, pull: ReadonlyMap<MeasurementCode, number>): Spread {
  const standardError = Math.hypot(...pull.values());
  return {
    value,
    pull,
    standardError,
    normal: true,
    atoms: null,
    below: (length) => normalBelow((length - value) / standardError),
  };
}

function ofAtoms(atoms: readonly Atom[], value: number, pull: ReadonlyMap<MeasurementCode, number>): Spread {
  return {
    value,
    pull,
    standardError: Math.hypot(...pull.values()),
    normal: false,
    atoms,
    below: (length) => atoms.reduce((sum, { at, chance }) => (at < length ? sum + chance : sum), 0),
  };
}

function otherwise(
  below: Spread['below'],
  value: number,
  pull: ReadonlyMap<MeasurementCode, number>,
): Spread {
  return { below, value, pull, standardError: Math.hypot(...pull.values()), normal: false, atoms: null };
}

function joined(one: Spread, other: Spread): Map<MeasurementCode, number> {
  const pull = new Map(one.pull);
  for (const [code, by] of other.pull) pull.set(code, (pull.get(code) ?? 0) + by);
  return pull;
}

function plus(one: Spread, other: Spread): Spread {
  const pull = joined(one, other);
  const value = one.value + other.value;
  if (isFixed(other)) return moved(one, other.value);
  if (isFixed(one)) return moved(other, one.value);
  if (one.normal && other.normal)
    return [...pull.values()].every((by) => by === 0) ? exactly(value) : normal(value, pull);
  const atoms = one.atoms ?? other.atoms ?? cut(one);
  const rest = one.atoms === null && other.atoms !== null ? one : one.atoms === null ? other : other;
  if (rest.atoms !== null) {
    const sums = new Map<number, number>();
    for (const a of atoms)
      for (const b of rest.atoms) sums.set(a.at + b.at, (sums.get(a.at + b.at) ?? 0) + a.chance * b.chance);
    return ofAtoms(toAtoms(sums), value, pull);
  }
  const below = (length: number) =>
    atoms.reduce((sum, { at, chance }) => sum + chance * rest.below(length - at), 0);
  return otherwise(below, value, pull);
}

function isFixed({ atoms }: Spread): boolean {
  return atoms?.length === 1 && atoms[0]!.chance > 1 - NEGLIGIBLE;
}

function moved(one: Spread, by: number): Spread {
  const value = one.value + by;
  if (one.normal) return normal(value, one.pull);
  if (one.atoms !== null)
    return ofAtoms(
      one.atoms.map(({ at, chance }) => ({ at: at + by, chance })),
      value,
      one.pull,
    );
  return otherwise((length) => one.below(length - by), value, one.pull);
}

function times(one: Spread, by: number): Spread {
  const pull = new Map([...one.pull].map(([code, error]) => [code, error * by]));
  const value = Math.round(one.value * by);
  if (one.normal) return normal(value, pull);
  if (one.atoms !== null)
    return ofAtoms(
      one.atoms.map(({ at, chance }) => ({ at: Math.round(at * by), chance })),
      value,
      pull,
    );
  const below = (length: number) =>
    by > 0 ? one.below(length / by) : 1 - one.below(Math.floor(length / by) + 1);
  return otherwise(below, value, pull);
}

function apart(one: Spread): Spread {
  const value = Math.abs(one.value);
  if (one.atoms !== null) {
    const sizes = new Map<number, number>();
    for (const { at, chance } of one.atoms) sizes.set(Math.abs(at), (sizes.get(Math.abs(at)) ?? 0) + chance);
    return ofAtoms(toAtoms(sizes), value, one.pull);
  }
  return otherwise(
    (length) => (length <= 0 ? 0 : one.below(length) - one.below(-length + 1)),
    value,
    one.pull,
  );
}

function largest(values: readonly Spread[]): Spread {
  const leading = values.reduce((one, other) => (other.value > one.value ? other : one));
  const rivals = values.filter((one) => !isFixed(one) || one.value >= leading.value);
  if (rivals.length === 1) return rivals[0]!;
  const below = (length: number) => values.reduce((product, one) => product * one.below(length), 1);
  return otherwise(below, leading.value, leading.pull);
}

function lookUp(
  one: Spread,
  rows: readonly { readonly upTo: Length; readonly gives: Length }[],
): Spread | undefined {
  const row = rows.find(({ upTo }) => one.value <= upTo);
  if (row === undefined) return undefined;
  const atoms = rows.map(({ upTo, gives }, index) => ({
    at: gives as number,
    chance: one.below(upTo + 1) - (index === 0 ? 0 : one.below(rows[index - 1]!.upTo + 1)),
  }));
  return ofAtoms(likely(atoms), row.gives, one.pull);
}

/** Rounds a spread by a policy; what a measurement is rounded to before it is looked up is spread so too. */
export function roundSpread(one: Spread, to: RoundingPolicy): Spread | undefined {
  const value = roundLength(micrometres(Math.round(one.value)), to);
  if (value === null) return undefined;
  if (one.atoms !== null) {
    const rounded = new Map<number, number>();
    for (const { at, chance } of one.atoms) {
      const at2 = roundLength(micrometres(Math.round(at)), to);
      if (at2 !== null) rounded.set(at2, (rounded.get(at2) ?? 0) + chance);
    }
    return ofAtoms(toAtoms(rounded), value, one.pull);
  }
  const atoms = gridAbout(one, to).map((at) => {
    const [from, until] = comesTo(at, to);
    return { at, chance: one.below(until) - one.below(from) };
  });
  return ofAtoms(likely(atoms), value, one.pull);
}

/** The lengths a policy can give for what a spread may be. */
function gridAbout({ value, standardError }: Spread, to: RoundingPolicy): number[] {
  if (to.mode === 'down-to-offered') return [...to.offered].sort((a, b) => a - b);
  const low = Math.floor((value - REACH * standardError) / to.step) - 1;
  const high = Math.ceil((value + REACH * standardError) / to.step) + 1;
  return Array.from({ length: high - low + 1 }, (_, index) => (low + index) * to.step);
}

/** The whole micrometres that a policy brings to one length: from the first to before the last. */
function comesTo(at: number, to: RoundingPolicy): [number, number] {
  switch (to.mode) {
    case 'up':
      return [at - to.step + 1, at + 1];
    case 'down':
      return [at, at + to.step];
    case 'nearest':
      return [Math.ceil(at - to.step / 2), Math.ceil(at + to.step / 2)];
    case 'down-to-offered':
      return [at, Math.min(Infinity, ...to.offered.filter((offered) => offered > at))];
  }
}

function clamp(one: Spread, least: number, most: number): Spread {
  const value = Math.min(Math.max(one.value, least), most);
  if (one.atoms !== null) {
    const kept = new Map<number, number>();
    for (const { at, chance } of one.atoms) {
      const within = Math.min(Math.max(at, least), most);
      kept.set(within, (kept.get(within) ?? 0) + chance);
    }
    return ofAtoms(toAtoms(kept), value, one.pull);
  }
  const below = (length: number) => (length <= least ? 0 : length > most ? 1 : one.below(length));
  return otherwise(below, value, one.pull);
}

/** A spread cut into fine slices, each standing for its middle. */
function cut(one: Spread): Atom[] {
  const width = (2 * REACH * one.standardError) / CUTS;
  const low = one.value - REACH * one.standardError;
  return likely(
    Array.from({ length: CUTS }, (_, index) => ({
      at: Math.round(low + (index + 0.5) * width),
      chance: one.below(low + (index + 1) * width) - one.below(low + index * width),
    })),
  );
}

function toAtoms(chances: ReadonlyMap<number, number>): Atom[] {
  return likely([...chances].map(([at, chance]) => ({ at, chance })));
}

function likely(atoms: readonly Atom[]): Atom[] {
  return atoms.filter(({ chance }) => chance > NEGLIGIBLE).sort((a, b) => a.at - b.at);
}

declare const micrometre: unique symbol;

/**
 * A length as a whole number of micrometres.
 *
 * Millimetres, half centimetres and eighths of an inch (3,175 µm) are all exact, so a
 * reading that lies on a boundary compares exactly. Lengths are never compared as
 * floating-point numbers of some other unit.
 */
export type Length = number & { readonly [micrometre]: true };

/** Units a length can be written in. Their factors are exact. */
export const LENGTH_UNITS = ['mm', 'cm', 'm', 'in', 'ft'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** Units a fitter works in: what a docket, a chart or a screen may be set to. */
export const WORKING_UNITS = ['in', 'cm', 'mm'] as const;
export type WorkingUnit = (typeof WORKING_UNITS)[number];

/** Each working unit in words. */
export const UNIT_WORDS: Readonly<Record<WorkingUnit, string>> = {
  in: 'inches',
  cm: 'centimetres',
  mm: 'millimetres',
};

/**
 * Micrometres in one of each unit. The inch is 25.4 mm exactly by the international
 * yard and pound agreement of 1959.
 */
export const MICROMETRES_PER: Readonly<Record<LengthUnit, number>> = {
  mm: 1_000,
  cm: 10_000,
  m: 1_000_000,
  in: 25_400,
  ft: 304_800,
};

/**
 * Takes a whole number of micrometres as a length.
 *
 * @throws RangeError when the number is not a safe whole number: a programming error,
 *   never something a person typed (those go through `parseLength`).
 * @example micrometres(980_000) === cm(98) // true
 */
export function micrometres(count: number): Length {
  if (!Number.isSafeInteger(count)) throw new RangeError(`${count} is not a whole number of micrometres`);
  return count as Length;
}

/**
 * A length of so many millimetres; a thousandth of a millimetre is the finest step.
 *
 * @example mm(12.5) // 12500
 */
export function mm(count: number): Length {
  return micrometres(Math.round(count * MICROMETRES_PER.mm));
}

/**
 * A length of so many centimetres, to the nearest micrometre.
 *
 * @example cm(97.5) // 975000
 */
export function cm(count: number): Length {
  return micrometres(Math.round(count * MICROMETRES_PER.cm));
}

/**
 * A length of so many inches, to the nearest micrometre (exact for eighths).
 *
 * @example inches(0.125) // 3175
 */
export function inches(count: number): Length {
  return micrometres(Math.round(count * MICROMETRES_PER.in));
}

/**
 * How far apart two lengths are; never negative.
 *
 * @example distance(mm(3), mm(10)) // 7000
 */
export function distance(a: Length, b: Length): Length {
  return micrometres(Math.abs(a - b));
}

// Cells that hold one measure in two units: `34-36 (86-91)`, `36 in / 91 cm`.
import { MICROMETRES_WRITTEN, unitsOfCell, type WrittenUnit } from '../words/unit-evidence';

/** The two measures of a cell. */
export type Halves = readonly [first: string, second: string];

const BRACKETED = /^(.*\d.*?)\s*[([]\s*([^()[\]]*\d[^()[\]]*)[)\]]\s*$/u;
const UNITS = `(?:cms?|mm|m|in(?:s|ch(?:es)?)?|["″”]|''|ft|['’′]|zoll|pouces?|pulgadas?)`;
/** Behind a unit, or between two ranges, a sign or a space parts two measures. */
const PARTED = new RegExp(`^(.*\\d\\s*${UNITS}\\.?)\\s*(?:[/|=;,·]|\\s)\\s*(\\S*\\d.*)$`, 'iu');
const TWO_RANGES = /^([\d.,½¼¾ ]+[-–—][\d.,½¼¾ ]+?)\s*[/|=;· ]\s*([\d.,]+ ?[-–—] ?[\d.,]+)$/u;
/** Two numbers with a sign between that no range has. */
const TWO_NUMBERS = /^([\d.,½¼¾ ]+?)\s*[|=]\s*([\d.,]+)$/u;

/** How far two measures of one may be apart by rounding: to a whole centimetre and half an inch. */
const APART = 13_000;

/**
 * The two measures of a cell, if it holds two.
 *
 * @example halvesOf('34-36 (86-91)') // ['34-36', '86-91']
 */
export function halvesOf(text: string): Halves | null {
  for (const way of [BRACKETED, TWO_RANGES, PARTED, TWO_NUMBERS]) {
    const found = way.exec(text);
    if (found !== null && measures(found[1]!) === measures(found[2]!))
      return [found[1]!.trim(), found[2]!.trim()];
  }
  return null;
}

/** How many numbers a text holds, a whole with its fraction counted once. */
function measures(text: string): number {
  if (unitsOfCell(text).includes('ft')) return text.match(/\d+\s*(?:['’′]|ft|feet|foot)/giu)?.length ?? 0;
  return numbersIn(text).length;
}

/**
 * The numbers of a cell, fractions with their whole, feet with their inches as inches.
 *
 * @example numbersIn('34–36') // [34, 36]
 */
export function numbersIn(text: string): number[] {
  const plain = text
    .replace(/[½¼¾⅛⅜⅝⅞]/g, (sign) => ` ${FRACTIONS[sign]!}`)
    .replace(
      /(\d{1,2})\s*(?:['’′](?!\d{3})|ft|feet|foot)(?!')\s*(\d{1,2})?/giu,
      (_, feet: string, inches?: string) => String(Number(feet) * 12 + Number(inches ?? 0)),
    );
  return [...plain.matchAll(/(\d+(?:[.,]\d+)?)(?:\s+(\d+)\/(\d+))?/g)].map(
    ([, whole, top, bottom]) =>
      Number(whole!.replace(',', '.')) + (top === undefined ? 0 : Number(top) / Number(bottom)),
  );
}

// prettier-ignore
const FRACTIONS: Readonly<Record<string, string>> = {
  '½': '1/2', '¼': '1/4', '¾': '3/4', '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8',
};

/**
 * Whether two texts say the same lengths, each in its unit, within what rounding leaves.
 *
 * @example sayTheSame('34-36', 'in', '86-91', 'cm') // true
 */
export function sayTheSame(one: string, unit: WrittenUnit, other: string, otherUnit: WrittenUnit): boolean {
  const lengths = (text: string, per: WrittenUnit) =>
    numbersIn(text).map((number) => number * MICROMETRES_WRITTEN[per === 'ft' ? 'in' : per]);
  const [here, there] = [lengths(one, unit), lengths(other, otherUnit)];
  return here.length === there.length && here.every((at, end) => Math.abs(at - there[end]!) <= APART);
}

/**
 * The units of two measures of one by what they are to each other: no other two are 2.54 apart.
 *
 * @param cells the halves of the cells of a column
 * @example unitsByRatio([halvesOf('34-36 (86-91)')]) // ['in', 'cm']
 */
export function unitsByRatio(cells: readonly Halves[]): readonly [WrittenUnit, WrittenUnit] | null {
  // prettier-ignore
  const pairs = [['in', 'cm'], ['cm', 'in'], ['in', 'mm'], ['mm', 'in'], ['cm', 'mm'], ['mm', 'cm']] as const;
  const fitting = pairs.filter(([one, other]) =>
    cells.every(([first, second]) => sayTheSame(first, one, second, other)),
  );
  return fitting.length === 1 ? fitting[0]! : null;
}

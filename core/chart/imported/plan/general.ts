// What lines around a table say of all of it.
import { unitOfNote, unitPairOfNote, type WrittenUnit } from '../words/unit-evidence';
import { MODIFIERS, plainWords } from '../words/vocabulary';
import type { PlannedColumn } from './planned-column';

/** What lines around a table say of all of it. */
export interface General {
  readonly unit: WrittenUnit | null;
  readonly pair: readonly [WrittenUnit, WrittenUnit] | null;
  readonly of: PlannedColumn['of'];
}

/** What titles and notes say of every column. */
export function generalOf(notes: readonly string[]): General {
  const pair = notes.map(unitPairOfNote).find((one) => one !== null) ?? null;
  const units = new Set(
    notes.filter((note) => unitPairOfNote(note) === null).flatMap((note) => unitOfNote(note) ?? []),
  );
  const words = notes
    .filter(
      (note) =>
        (ABOUT_MEASURES.test(note) || OF_GARMENT.test(note)) && !/\b(?:not|nicht|pas|no)\b/i.test(note),
    )
    .map(plainWords);
  const says = (list: ReadonlySet<string>) =>
    words.some((note) => note.split(' ').some((word) => list.has(word)));
  return {
    unit: units.size === 1 ? [...units][0]! : null,
    pair,
    of: says(MODIFIERS.flat) ? 'flat' : says(MODIFIERS.garment) ? 'garment' : 'body',
  };
}
/** A garment that is finished, or lies flat, is spoken of for its measures alone. */
const OF_GARMENT =
  /(?:finished|actual) (?:garment|product|item)|garment (?:size|width|girth)|(?:laid|lying|lay) flat|flat lay|pit to pit|seam to seam|fertigma|fertige[sn]? kleid|flach (?:liegend|gemessen)|vêtement fini|(?:posé|mesuré) à plat|prenda (?:acabada|terminada)|en plano/i;
const ABOUT_MEASURES = /measure|dimension|maße|masse|mesures|medidas/i;

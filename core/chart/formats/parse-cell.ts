import { failure, success, type Outcome } from '../../outcome';
import { micrometres, type Length, type WorkingUnit } from '../../quantity/length';
import { normalise, parseLength, type LengthProblem } from '../../quantity/parse-length';
import type { Bound, Cell } from '../interval';
import { NO_END } from './write-cell';

/** Why a cell holds no interval. */
export type CellProblem =
  | { readonly code: 'unreadable'; readonly problem: LengthProblem }
  | { readonly code: 'upside-down'; readonly mend: string | null }
  | { readonly code: 'empty-interval' };

const NUMBER = String.raw`(?:\d+(?: +|-)\d+\/\d+|\d+\/\d+|\d*[.,]?\d+)`;
/** Below nothing only in brackets: a dash before a number may as well mean “up to”. */
const VALUE = String.raw`(?:\(-${NUMBER}\)|${NUMBER})`;
const LOWER = String.raw`(?:(>=|≥|>) ?)?(${VALUE})`;
const UPPER = String.raw`(?:(<=|≤|<) ?)?(${VALUE})`;
/** `86-90`, `86 to 90`, and with an end that says its own: `86-<90`, `>86-90`. */
const RANGE = new RegExp(`^${LOWER} ?(?:-| to ) ?${UPPER}$`);
/** `86-*`, `*-90`: one end as printed, and no other. */
const UPWARD = new RegExp(`^(${VALUE}) ?(?:-| to ) ?\\*$`);
const DOWNWARD = new RegExp(`^\\* ?(?:-| to ) ?(${VALUE})$`);
const BOTH_COMPARED = /^(>=|≥|>)\s*([^<≤]+?)\s*,?\s+(<=|≤|<)\s*(.+)$/;
const COMPARED = /^(<=|>=|≤|≥|<|>)\s*(.*)$/;

/**
 * Reads one cell of a size table: `86-90`, `86 – 90`, `34 1/2-36`, `90`, `>=130`, `<82`,
 * `>=66 <=71`. An end that says its own may stand beside one as printed, `86-<90`, and a star in
 * the place of one that is none, `86-*`; a star alone holds every length.
 *
 * A dash followed by a bare fraction belongs to the number (`38-1/2` is thirty-eight and a
 * half), as fitters write it everywhere else.
 *
 * @param text the cell as it stands in the file, not empty
 * @param unit the unit its column names
 *
 * @example parseCell('>=130', 'cm') // { ok: true, value: { kind: 'interval', lower: { at: 1300000, edge: 'closed' }, upper: null } }
 */
export function parseCell(text: string, unit: WorkingUnit): Outcome<Cell, CellProblem> {
  const plain = normalise(text);
  if (plain === NO_END) return success({ kind: 'interval', lower: null, upper: null });
  const upward = UPWARD.exec(plain);
  if (upward) return withEnds(['', upward[1]!], null, unit);
  const downward = DOWNWARD.exec(plain);
  if (downward) return withEnds(null, ['', downward[1]!], unit);
  const both = BOTH_COMPARED.exec(plain);
  if (both) return withEnds([both[1]!, both[2]!], [both[3]!, both[4]!], unit);

  // A single value before a range, so that 38-1/2 is not taken for the range from 38 to a half.
  const single = readValue(plain, unit);
  if (single.ok) return success({ kind: 'nominal', at: single.value });
  const range = RANGE.exec(plain);
  if (range) return withEnds([range[1] ?? '', range[2]!], [range[3] ?? '', range[4]!], unit);
  const compared = COMPARED.exec(plain);
  if (compared === null) return failure({ code: 'unreadable', problem: single.problem });
  const end = [compared[1]!, compared[2]!] as const;
  return compared[1]!.startsWith('<') || compared[1] === '≤'
    ? withEnds(null, end, unit)
    : withEnds(end, null, unit);
}

/** An end as written: its sign, empty for one as printed, and its value. */
type WrittenEnd = readonly [sign: string, value: string];

function withEnds(
  from: WrittenEnd | null,
  to: WrittenEnd | null,
  unit: WorkingUnit,
): Outcome<Cell, CellProblem> {
  const lower = readEnd(from, unit);
  if (!lower.ok) return lower;
  const upper = readEnd(to, unit);
  if (!upper.ok) return upper;
  const [start, end] = [lower.value, upper.value];
  if (start !== null && end !== null) {
    if (start.at > end.at)
      return failure({
        code: 'upside-down',
        mend: start.at > end.at * WIDEST ? null : turnedRound(from!, to!),
      });
    // As long as one length is in it, an interval of one length is somebody's.
    if (start.at === end.at && (start.edge !== 'closed' || end.edge !== 'closed'))
      return failure({ code: 'empty-interval' });
  }
  return success({ kind: 'interval', lower: start, upper: end });
}

/** Ends that are further apart than those of any size are no range written the wrong way round: `86-9` lacks a figure. */
const WIDEST = 1.5;

function turnedRound([fromSign, from]: WrittenEnd, [toSign, to]: WrittenEnd): string {
  const between = fromSign !== '' && toSign !== '' ? ' ' : '-';
  return `${fromSign}${to}${between}${toSign}${from}`;
}

function readEnd(end: WrittenEnd | null, unit: WorkingUnit): Outcome<Bound | null, CellProblem> {
  if (end === null) return success(null);
  const [sign, text] = end;
  const at = readValue(text, unit);
  if (!at.ok) return failure({ code: 'unreadable', problem: at.problem });
  const edge = sign === '' ? 'printed' : sign === '<' || sign === '>' ? 'open' : 'closed';
  return success({ at: at.value, edge });
}

/** A value in the column's own unit; below nothing it stands in brackets, `(-3)`. */
function readValue(text: string, unit: WorkingUnit): Outcome<Length, LengthProblem> {
  const below = /^\(-(.*)\)$/.exec(text);
  const read = parseLength(below?.[1] ?? text, unit);
  if (!read.ok) return read;
  // The heading names the unit; a cell that names one of its own may contradict it, so it is refused.
  if (!read.value.bare) return failure({ code: 'unknown-unit', text, unit: read.value.unit });
  return success(below === null ? read.value.length : micrometres(-read.value.length));
}

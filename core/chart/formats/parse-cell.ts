import { failure, success, type Outcome } from '../../outcome';
import type { WorkingUnit } from '../../quantity/length';
import { normalise, parseLength, type LengthProblem } from '../../quantity/parse-length';
import type { Bound, Cell } from '../interval';

/** Why a cell holds no interval. */
export type CellProblem =
  | { readonly code: 'unreadable'; readonly problem: LengthProblem }
  | { readonly code: 'upside-down'; readonly mend: string }
  | { readonly code: 'empty-interval' };

const VALUE = String.raw`(?:\d+(?: +|-)\d+\/\d+|\d+\/\d+|\d*[.,]?\d+)`;
const RANGE = new RegExp(`^(${VALUE}) ?(?:-| to ) ?(${VALUE})$`);
const BOTH_COMPARED = /^(>=|≥|>)\s*([^<≤]+?)\s*,?\s+(<=|≤|<)\s*(.+)$/;
const COMPARED = /^(<=|>=|≤|≥|<|>)\s*(.*)$/;

type BothCompared = readonly [string, from: string, lower: string, to: string, upper: string];

/**
 * Reads one cell of a size table: `86-90`, `86 – 90`, `34 1/2-36`, `90`, `>=130`, `<82`,
 * `>=66 <=71`.
 *
 * A dash followed by a bare fraction belongs to the number (`38-1/2` is thirty-eight and a
 * half), as fitters write it everywhere else.
 *
 * @param text the cell as it stands in the file, not empty
 * @param unit the unit its column names
 */
export function parseCell(text: string, unit: WorkingUnit): Outcome<Cell, CellProblem> {
  const plain = normalise(text);
  const both = BOTH_COMPARED.exec(plain);
  if (both) return bothEnds(both as unknown as BothCompared, unit);
  const compared = COMPARED.exec(plain);
  if (compared) return openEnded(compared[1]!, compared[2]!, unit);

  // A single value first, so that 38-1/2 is not taken for the range from 38 to a half.
  const single = parseLength(plain, unit);
  if (single.ok && single.value.bare) return success({ kind: 'nominal', at: single.value.length });

  const range = RANGE.exec(plain);
  if (!range)
    return failure({
      code: 'unreadable',
      problem: single.ok ? foreignUnit(text, single.value.unit) : single.problem,
    });
  return closedRange(range[1]!, range[2]!, unit);
}

function openEnded(sign: string, value: string, unit: WorkingUnit): Outcome<Cell, CellProblem> {
  const at = parseLength(value, unit);
  if (!at.ok) return failure({ code: 'unreadable', problem: at.problem });
  if (!at.value.bare) return failure({ code: 'unreadable', problem: foreignUnit(value, at.value.unit) });
  const bound: Bound = { at: at.value.length, edge: sign === '<' || sign === '>' ? 'open' : 'closed' };
  return success(
    sign === '<' || sign === '<=' || sign === '≤'
      ? { kind: 'interval', lower: null, upper: bound }
      : { kind: 'interval', lower: bound, upper: null },
  );
}

function bothEnds([, from, low, to, high]: BothCompared, unit: WorkingUnit): Outcome<Cell, CellProblem> {
  const lower = openEnded(from, low, unit);
  if (!lower.ok) return lower;
  const upper = openEnded(to, high, unit);
  if (!upper.ok) return upper;
  if (lower.value.kind !== 'interval' || upper.value.kind !== 'interval') return lower;
  const [start, end] = [lower.value.lower!, upper.value.upper!];
  if (start.at > end.at) return failure({ code: 'upside-down', mend: `${from}${high} ${to}${low}` });
  if (start.at === end.at && (start.edge === 'open' || end.edge === 'open'))
    return failure({ code: 'empty-interval' });
  return success({ kind: 'interval', lower: start, upper: end });
}

function closedRange(first: string, second: string, unit: WorkingUnit): Outcome<Cell, CellProblem> {
  const lower = parseLength(first, unit);
  if (!lower.ok) return failure({ code: 'unreadable', problem: lower.problem });
  const upper = parseLength(second, unit);
  if (!upper.ok) return failure({ code: 'unreadable', problem: upper.problem });
  if (lower.value.length > upper.value.length)
    return failure({ code: 'upside-down', mend: `${second}-${first}` });
  if (lower.value.length === upper.value.length) return failure({ code: 'empty-interval' });
  return success({
    kind: 'interval',
    lower: { at: lower.value.length, edge: 'printed' },
    upper: { at: upper.value.length, edge: 'printed' },
  });
}

/** The heading names the unit; a cell that names one of its own may contradict it, so it is refused. */
function foreignUnit(text: string, unit: string): LengthProblem {
  return { code: 'unknown-unit', text, unit };
}

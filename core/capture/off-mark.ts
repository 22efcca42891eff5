import type { MeasurementCode } from '../body/catalogue/codes';
import { beyondMark } from '../body/chains';
import { micrometres, type Length } from '../quantity/length';

/** A mark of a chain that was just read, beside the one before it: not beyond it, or further beyond than any body has it. */
export interface OffMark {
  readonly code: MeasurementCode;
  readonly before: MeasurementCode;
  /** How far beyond the mark before it is; less than nothing where it lies before it. */
  readonly is: Length;
  readonly least: Length;
  readonly most: Length;
}

/**
 * Asks of a mark as soon as it is read whether it can lie where it was read, while the tape is still in
 * place.
 *
 * @param before the mark that was read before it in the same round
 * @returns `null` where it can, or where the two are not marks of one chain in this order
 * @example offMark('shoulder-to-underbust', cm(27), { code: 'shoulder-to-bust', length: cm(28) })?.code // 'shoulder-to-underbust'
 */
export function offMark(
  code: MeasurementCode,
  length: Length,
  before: { readonly code: MeasurementCode; readonly length: Length },
): OffMark | null {
  const beyond = beyondMark(before.code, code);
  const is = micrometres(length - before.length);
  if (beyond === null || (is >= beyond.least && is <= beyond.most)) return null;
  return { code, before: before.code, is, ...beyond };
}

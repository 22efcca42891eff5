import { isMeasurementCode } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import type { Length } from '../../quantity/length';
import { parseLength } from '../../quantity/parse-length';
import { isColumnCode, isDerivedCode, type DerivedCode } from '../column-code';
import { hasNameForm } from './steps/step';

/** What a step works on, taken apart. */
export type Operand =
  | { readonly kind: 'reading'; readonly code: MeasurementCode }
  | { readonly kind: 'step'; readonly name: string }
  | { readonly kind: 'derived'; readonly code: DerivedCode }
  | { readonly kind: 'size-of'; readonly part: string }
  | { readonly kind: 'choice'; readonly choice: string }
  | { readonly kind: 'length'; readonly length: Length };

/**
 * Takes an operand apart: a measurement's code, the name of an earlier step, `derived:…` for what
 * another derivation came to, `size-of:…` for the printed value of the size that another part came
 * to, `choice:…` for what is chosen on the docket, or a length with its unit (`1 in`).
 *
 * @param earlier the names of the steps before the one it stands in
 * @returns the operand, or `null` for a text that is none of the six
 *
 * @example parseOperand('size-of:front', []) // { kind: 'size-of', part: 'front' }
 * @example parseOperand('1 in', []) // { kind: 'length', length: 25400 }
 */
export function parseOperand(text: string, earlier: readonly string[]): Operand | null {
  if (earlier.includes(text)) return { kind: 'step', name: text };
  if (isMeasurementCode(text)) return isColumnCode(text) ? { kind: 'reading', code: text } : null;
  if (isDerivedCode(text)) return { kind: 'derived', code: text };
  const sizeOf = /^size-of:([a-z][a-z0-9-]*)$/.exec(text);
  if (sizeOf) return { kind: 'size-of', part: sizeOf[1]! };
  const choice = /^choice:([a-z][a-z0-9-]*)$/.exec(text);
  if (choice) return { kind: 'choice', choice: choice[1]! };
  const length = parseLength(text, 'mm');
  return length.ok && !length.value.bare ? { kind: 'length', length: length.value.length } : null;
}

/**
 * Whether a name can be a step's: it must not be taken for a measurement.
 *
 * @example isStepName('less-one') // true
 * @example isStepName('chest-girth') // false
 */
export function isStepName(text: string): boolean {
  return hasNameForm(text) && !isMeasurementCode(text);
}

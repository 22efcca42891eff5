import * as z from 'zod';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { isDerivedCode, type ColumnCode, type DerivedCode } from '../column-code';
import { parseOperand, type Operand } from './operand';
import { derivationStepSchema, kindOfStep, type DerivationStep } from './steps';

/** The maker's arithmetic as data: a list of named steps, of which the last is what it comes to. */
export const derivationSchema = z.object({
  code: z.custom<DerivedCode>((text) => typeof text === 'string' && isDerivedCode(text), {
    error: 'A derivation is named derived:… in small letters, digits and hyphens.',
  }),
  name: z.string().trim().min(1).max(60),
  steps: z.array(derivationStepSchema).min(1).max(12),
});
export type Derivation = z.infer<typeof derivationSchema>;

/** A step with its operands taken apart. */
export interface ParsedStep {
  readonly step: DerivationStep;
  readonly operands: readonly { readonly text: string; readonly operand: Operand | null }[];
}

const PARSED = new WeakMap<Derivation, readonly ParsedStep[]>();

/**
 * The steps of a derivation, their operands taken apart once for as long as it lives.
 *
 * @example parsedSteps(waistcoat.sheet.derivations[0])[0].operands[0].operand // { kind: 'reading', code: 'chest-girth' }
 */
export function parsedSteps(derivation: Derivation): readonly ParsedStep[] {
  const known = PARSED.get(derivation);
  if (known !== undefined) return known;
  const steps = derivation.steps.map((step, at): ParsedStep => {
    const earlier = derivation.steps.slice(0, at).map(({ as }) => as);
    const operands = kindOfStep(step).operands(step);
    return { step, operands: operands.map((text) => ({ text, operand: parseOperand(text, earlier) })) };
  });
  PARSED.set(derivation, steps);
  return steps;
}

/** What a derivation rests on, through all the derivations before it. */
export interface Behind {
  readonly readings: readonly MeasurementCode[];
  /** The parts whose outcome it needs. */
  readonly parts: readonly string[];
}

const BEHIND = new WeakMap<readonly Derivation[], ReadonlyMap<DerivedCode, Behind>>();
const NOTHING: Behind = { readings: [], parts: [] };

/**
 * What every derivation of a chart rests on. A derivation may only rest on ones before it, so each
 * is looked at once, in their order; one that names itself or a later one has nothing from there.
 *
 * @example behindEach(waistcoat.sheet.derivations).get('derived:girth').parts // []
 */
export function behindEach(derivations: readonly Derivation[]): ReadonlyMap<DerivedCode, Behind> {
  const known = BEHIND.get(derivations);
  if (known !== undefined) return known;
  const found = new Map<DerivedCode, Behind>();
  for (const derivation of derivations) {
    const readings = new Set<MeasurementCode>();
    const parts = new Set<string>();
    for (const { operands } of parsedSteps(derivation))
      for (const { operand } of operands) {
        if (operand?.kind === 'reading') readings.add(operand.code);
        if (operand?.kind === 'size-of') parts.add(operand.part);
        if (operand?.kind !== 'derived') continue;
        const earlier = found.get(operand.code) ?? NOTHING;
        for (const code of earlier.readings) readings.add(code);
        for (const part of earlier.parts) parts.add(part);
      }
    found.set(derivation.code, { readings: [...readings], parts: [...parts] });
  }
  BEHIND.set(derivations, found);
  return found;
}

/**
 * What stands behind a column: itself where it is measured, else what it is derived from.
 *
 * @example behindColumn(waistcoat.sheet.derivations, 'derived:girth').readings // ['chest-girth']
 */
export function behindColumn(derivations: readonly Derivation[], code: ColumnCode): Behind {
  if (!isDerivedCode(code)) return { readings: [code], parts: [] };
  return behindEach(derivations).get(code) ?? NOTHING;
}

import {
  measurement,
  type MeasurementCode,
  type Plan,
  type PlannedStep,
  type Stance,
} from '@neat-measure/core';

/** Where the work can stand: preparing, a change of stance, a measurement, what is wished, deciding the garments, trying them on, or handing them over. */
export type Stop =
  | { readonly key: 'prepare'; readonly kind: 'prepare' }
  | { readonly key: string; readonly kind: 'stance'; readonly stance: Stance }
  | { readonly key: string; readonly kind: 'step'; readonly code: MeasurementCode }
  | { readonly key: 'wishes'; readonly kind: 'wishes' }
  | { readonly key: 'decide'; readonly kind: 'decide' }
  | { readonly key: 'try'; readonly kind: 'try' }
  | { readonly key: 'hand'; readonly kind: 'hand' };

/**
 * The stops of a plan in their order. The first stance is asked for while preparing; along a chain the
 * stance changes with the tape in place, and is no stop of its own.
 *
 * @param wishes whether lengths of the garment are asked about
 * @param tries whether there is anything that can be tried on
 */
export function stopsOf(plan: Pick<Plan, 'steps'>, wishes = false, tries = false): Stop[] {
  const stops: Stop[] = [{ key: 'prepare', kind: 'prepare' }];
  let before: PlannedStep | null = null;
  for (const step of plan.steps) {
    const { code, chain } = step;
    const { stance } = measurement(code);
    const held = chain !== null && chain === before?.chain;
    if (before !== null && !held && stance !== measurement(before.code).stance)
      stops.push({ key: `stance:${stance}`, kind: 'stance', stance });
    stops.push({ key: code, kind: 'step', code });
    before = step;
  }
  if (wishes) stops.push({ key: 'wishes', kind: 'wishes' });
  stops.push({ key: 'decide', kind: 'decide' });
  if (tries) stops.push({ key: 'try', kind: 'try' }, { key: 'hand', kind: 'hand' });
  return stops;
}

/** The key of the stop before or after one; at either end it is the end itself. */
export function stopBeside(stops: readonly Stop[], { key }: Stop, by: 1 | -1): string {
  const index = stops.findIndex((stop) => stop.key === key);
  return stops[Math.min(Math.max(index + by, 0), stops.length - 1)]!.key;
}

/** The measurement taken before a stop, past changes of stance; `null` where there is none. */
export function stepBefore(stops: readonly Stop[], { key }: Stop): MeasurementCode | null {
  const before = stops.slice(
    0,
    stops.findIndex((stop) => stop.key === key),
  );
  return before.flatMap((stop) => (stop.kind === 'step' ? [stop.code] : [])).at(-1) ?? null;
}

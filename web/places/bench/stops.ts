import type { Bench } from '@neat-measure/contract';
import {
  decidingCodes,
  measurement,
  planDocket,
  type MeasurementCode,
  type Plan,
  type Stance,
} from '@neat-measure/core';

/** Where the work can stand: preparing, a change of stance, a measurement, or deciding the garments. */
export type Stop =
  | { readonly key: 'prepare'; readonly kind: 'prepare' }
  | { readonly key: string; readonly kind: 'stance'; readonly stance: Stance }
  | { readonly key: string; readonly kind: 'step'; readonly code: MeasurementCode }
  | { readonly key: 'decide'; readonly kind: 'decide' };

/** What the docket's charts and protocols ask for, planned. Steps on demand are left out. */
export function planOf({ charts, protocols }: Pick<Bench, 'charts' | 'protocols'>): Plan {
  return planDocket([
    ...charts.flatMap(({ sheet }) => decidingCodes(sheet).map((code) => ({ by: sheet.garment, code }))),
    ...protocols.flatMap(({ name, steps }) =>
      steps
        .filter(({ onDemand }) => onDemand !== true)
        .map(({ code, tension }) => ({ by: name, code, tension })),
    ),
  ]);
}

/** The stops of a plan in their order. The first stance is asked for while preparing. */
export function stopsOf(plan: Plan): Stop[] {
  const stops: Stop[] = [{ key: 'prepare', kind: 'prepare' }];
  let before: Stance | null = null;
  for (const { code } of plan.steps) {
    const { stance } = measurement(code);
    if (before !== null && stance !== before) stops.push({ key: `stance:${stance}`, kind: 'stance', stance });
    stops.push({ key: code, kind: 'step', code });
    before = stance;
  }
  return [...stops, { key: 'decide', kind: 'decide' }];
}

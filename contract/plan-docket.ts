import { decidingCodes, planDocket, type MeasurementCode, type Need, type Plan } from '@neat-measure/core';
import type { Bench } from './docket';

/** What a plan is made from: the docket's charts, its protocols, and what is asked for besides. */
export type Planned = Pick<Bench, 'charts' | 'protocols'> & {
  readonly docket: Pick<Bench['docket'], 'extraCodes'>;
};

/**
 * What the docket asks for, planned. Server (the printed sheet, the wearer's own page) and
 * screen both call this, so that they ask for the same steps in the same order. A protocol's
 * steps on demand are left out until they are asked for.
 */
export function planOf({ charts, protocols, docket }: Planned): Plan {
  return planDocket([
    ...charts.flatMap(({ sheet }) =>
      decidingCodes(sheet).map((code): Need => {
        const tension = sheet.expects.find((one) => one.code === code)?.tension ?? undefined;
        return { by: sheet.garment, code, tension };
      }),
    ),
    ...protocols.flatMap(({ name, steps }) =>
      steps
        .filter(({ onDemand }) => onDemand !== true)
        .map(({ code, tension }): Need => ({ by: name, code, tension })),
    ),
    ...docket.extraCodes.map((code): Need => ({ by: 'Asked for besides', code })),
  ]);
}

/** The steps that the protocols of a docket take on demand, each once, with whether it is asked for. */
export function demandable({ protocols, docket }: Planned): { code: MeasurementCode; asked: boolean }[] {
  const offered = protocols.flatMap(({ steps }) =>
    steps.filter(({ onDemand }) => onDemand === true).map(({ code }) => code),
  );
  return [...new Set([...offered, ...docket.extraCodes])].map((code) => ({
    code,
    asked: docket.extraCodes.includes(code),
  }));
}

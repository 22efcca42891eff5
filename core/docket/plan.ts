import type { MeasurementCode } from '../body/catalogue/codes';
import { planDocket, type Need, type Plan } from '../body/plan';
import { tensionIn } from '../body/protocol';
import type { WishCode } from '../body/wishes';
import { decidingCodes } from '../chart/size-chart';
import type { Docket } from './docket';
import type { Shelf, ShelvedProtocol } from './shelf';

/** What the plan of a docket rests on. */
export type Planned = Pick<Docket, 'garments' | 'protocolIds' | 'extraCodes' | 'clothing'>;

/**
 * What a docket asks for, planned: by its garments' charts, its protocols, and besides. A
 * protocol's steps on demand are left out until they are asked for. A chart that says how it
 * wants to be measured is measured so.
 *
 * @example planOf(docket, shelf).steps.map(({ code }) => code) // ['chest-girth', 'waist-girth']
 */
export function planOf(docket: Planned, shelf: Shelf): Plan {
  const charts = docket.garments.flatMap(({ chartId }) => shelf.charts.filter(({ id }) => id === chartId));
  return planDocket(
    [
      ...charts.flatMap(({ sheet }) =>
        decidingCodes(sheet).map((code): Need => {
          const expected = sheet.expects.find((one) => one.code === code);
          return {
            by: sheet.garment,
            code,
            tension: expected?.tension ?? undefined,
            clothing: expected?.clothing ?? undefined,
            // Makers mean the natural waist; a waist at the navel is another measurement.
            waist: 'natural',
          };
        }),
      ),
      ...protocolsOn(docket, shelf).flatMap((protocol) =>
        protocol.steps
          .filter(({ onDemand }) => onDemand !== true)
          .map(
            (step): Need => ({
              by: protocol.name,
              code: step.code,
              tension: tensionIn(protocol, step),
              waist: protocol.waist,
            }),
          ),
      ),
      ...docket.extraCodes.map((code): Need => ({ by: 'Asked for besides', code })),
    ],
    docket.clothing,
  );
}

/**
 * The steps that the protocols of a docket take on demand, each once, with whether it is asked for.
 *
 * @example demandable(docket, shelf) // []
 */
export function demandable(
  docket: Pick<Docket, 'protocolIds' | 'extraCodes'>,
  shelf: Shelf,
): { readonly code: MeasurementCode; readonly asked: boolean }[] {
  const offered = protocolsOn(docket, shelf).flatMap(({ steps }) =>
    steps.filter(({ onDemand }) => onDemand === true).map(({ code }) => code),
  );
  return [...new Set([...offered, ...docket.extraCodes])].map((code) => ({
    code,
    asked: docket.extraCodes.includes(code),
  }));
}

/**
 * The wishes that the protocols of a docket ask about, each once.
 *
 * @example wishesAsked(docket, shelf) // []
 */
export function wishesAsked(docket: Pick<Docket, 'protocolIds'>, shelf: Shelf): WishCode[] {
  return [...new Set(protocolsOn(docket, shelf).flatMap(({ wishes }) => wishes ?? []))];
}

function protocolsOn({ protocolIds }: Pick<Docket, 'protocolIds'>, shelf: Shelf): ShelvedProtocol[] {
  return protocolIds.flatMap((protocolId) => shelf.protocols.filter(({ id }) => id === protocolId));
}

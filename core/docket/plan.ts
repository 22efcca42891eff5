import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import type { Clothing } from '../body/measurement';
import { planDocket, type Need, type Plan, type PlanConflict } from '../body/plan';
import { preparationOf } from '../body/preparation';
import { saidTension } from '../body/protocol';
import { CLOTHING_WORDS, TENSION_WORDS } from '../body/say-plan';
import { WAIST_WORDS } from '../body/waist';
import type { WishCode } from '../body/wishes';
import { askedCodes } from '../chart/size-chart';
import { garmentKind, type GarmentKind } from '../garment/kinds';
import type { Doing } from './acts';
import type { Docket } from './docket';
import type { Library, LibraryChart, LibraryProtocol } from './library';

/** What the plan of a docket rests on. */
export type Planned = Pick<
  Docket,
  'garments' | 'protocolIds' | 'extraCodes' | 'clothing' | 'tension' | 'waist'
>;

/**
 * What a docket asks for, planned: by its garments' charts, its protocols, and besides. A
 * protocol's steps on demand are left out until they are asked for. A chart that says how it
 * wants to be measured is measured so.
 *
 * @example planOf(docket, library).steps.map(({ code }) => code) // ['chest-girth', 'waist-girth']
 */
export function planOf(docket: Planned, library: Library): Plan {
  return planDocket(
    [
      ...chartsOn(docket, library).flatMap(({ sheet }) =>
        askedCodes(sheet).map((code): Need => {
          const expected = sheet.expects.find((one) => one.code === code);
          return {
            by: sheet.garment,
            code,
            tension: expected?.tension ?? undefined,
            clothing: expected?.clothing ?? wornUnder(sheet.kind, code),
            // Makers mean the natural waist, however it is found; a waist at the navel is another measurement.
            natural: true,
          };
        }),
      ),
      ...protocolsOn(docket, library).flatMap((protocol) =>
        protocol.steps
          .filter(({ onDemand }) => onDemand !== true)
          .map(
            (step): Need => ({
              by: protocol.name,
              code: step.code,
              tension: saidTension(protocol, step),
              waist: protocol.waist,
            }),
          ),
      ),
      ...docket.extraCodes.map((code): Need => ({ by: 'Also asked for', code })),
    ],
    docket,
  );
}

/** One way to settle a conflict of a plan: its words, the act that chooses it, and whether it is taken now. */
export interface ConflictChoice {
  readonly words: string;
  readonly doing: Doing;
  readonly taken: boolean;
}

/**
 * The ways to settle a conflict; none where both are taken, each by itself.
 *
 * @example planOf(docket, library).conflicts.map(conflictChoices) // []
 */
export function conflictChoices(conflict: PlanConflict): ConflictChoice[] {
  switch (conflict.kind) {
    case 'one-word-two-places':
      return [];
    case 'tension':
      return [...new Set(conflict.wanted.map(({ tension }) => tension))].map((tension) => ({
        words: TENSION_WORDS[tension],
        doing: { kind: 'tension-chosen', code: conflict.code, tension },
        taken: tension === conflict.taken,
      }));
    case 'clothing':
      return [...new Set(conflict.wanted.map(({ clothing }) => clothing))].map((clothing) => ({
        words: CLOTHING_WORDS[clothing],
        doing: { kind: 'clothing-chosen', code: conflict.code, clothing },
        taken: clothing === conflict.taken,
      }));
    case 'waist':
      return [...new Set(conflict.wanted.map(({ place }) => place))].map((place) => ({
        words: WAIST_WORDS[place],
        doing: { kind: 'waist-chosen', place },
        taken: place === conflict.taken,
      }));
  }
}

/** What a kind of garment is measured over, of what a tape is laid for. */
function wornUnder(kind: GarmentKind, code: MeasurementCode): Clothing | undefined {
  return measurement(code).instruments.includes('tape')
    ? (garmentKind(kind).worn.clothing ?? undefined)
    : undefined;
}

/**
 * What is prepared for a docket: what its protocols say, and what its garments are measured over.
 *
 * @example preparationFor(docket, library)[0] // 'Close-fitting clothes, no thick seams'
 */
export function preparationFor(docket: Pick<Docket, 'garments' | 'protocolIds'>, library: Library): string[] {
  return preparationOf(
    protocolsOn(docket, library),
    chartsOn(docket, library).map(({ sheet }) => garmentKind(sheet.kind).worn),
  );
}

/**
 * The steps that the protocols of a docket take on demand, each once, with whether it is asked for.
 *
 * @example demandable(docket, library) // []
 */
export function demandable(
  docket: Pick<Docket, 'protocolIds' | 'extraCodes'>,
  library: Library,
): { readonly code: MeasurementCode; readonly asked: boolean }[] {
  const offered = protocolsOn(docket, library).flatMap(({ steps }) =>
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
 * @example wishesAsked(docket, library) // []
 */
export function wishesAsked(docket: Pick<Docket, 'protocolIds'>, library: Library): WishCode[] {
  return [...new Set(protocolsOn(docket, library).flatMap(({ wishes }) => wishes ?? []))];
}

function chartsOn({ garments }: Pick<Docket, 'garments'>, library: Library): readonly LibraryChart[] {
  return garments.flatMap(({ chartId }) => library.charts.filter(({ id }) => id === chartId));
}

function protocolsOn({ protocolIds }: Pick<Docket, 'protocolIds'>, library: Library): LibraryProtocol[] {
  return protocolIds.flatMap((protocolId) => library.protocols.filter(({ id }) => id === protocolId));
}

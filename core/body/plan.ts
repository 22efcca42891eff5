import { measurement } from './catalogue';
import type { MeasurementCode } from './catalogue/codes';
import type { ChainCode } from './chains';
import type { Clothing, Tension } from './measurement';
import { placingsOf } from './order';
import { touchesWaist, type WaistPlace } from './waist';

/** One measurement that a garment's chart or a protocol asks for. */
export interface Need {
  /** Who asks, in words for the fitter: a garment's or a protocol's name. */
  readonly by: string;
  readonly code: MeasurementCode;
  /** The tension asked for; the catalogue's where nothing is said. */
  readonly tension?: Tension | undefined;
  /** What is to lie between tape and body; close-fitting clothes where nothing is said. */
  readonly clothing?: Clothing | undefined;
  /** Where the waist is meant to be; who says nothing takes it where the others do. */
  readonly waist?: WaistPlace | undefined;
}

/** One step of the work: a measurement taken once for all who ask. */
export interface PlannedStep {
  readonly code: MeasurementCode;
  readonly tension: Tension;
  readonly clothing: Clothing;
  readonly wantedBy: readonly string[];
  /** The chain it is read along; `null` where the tape is laid for it alone. Marks of one chain follow one another. */
  readonly chain: ChainCode | null;
  /** Where the waist is, of what is read at it. */
  readonly waist: WaistPlace | null;
}

/** What two askers mean differently, to be settled by the fitter before the tape is out. */
export type PlanConflict =
  /** The same word for different places on the body. */
  | {
      readonly kind: 'one-word-two-places';
      readonly word: string;
      readonly codes: readonly MeasurementCode[];
      readonly wantedBy: readonly string[];
    }
  /** The same place with the tape lying differently: readings are never converted, so it is taken at the first. */
  | {
      readonly kind: 'tension';
      readonly code: MeasurementCode;
      readonly tensions: readonly { readonly tension: Tension; readonly by: string }[];
    }
  /** The same place over different clothes: it is taken once, over what the fitter says. */
  | {
      readonly kind: 'clothing';
      readonly code: MeasurementCode;
      readonly wanted: readonly { readonly clothing: Clothing; readonly by: string }[];
      readonly taken: Clothing;
    }
  /** The waist at two places: there is one cord, and it is tied where the first says. */
  | {
      readonly kind: 'waist';
      readonly wanted: readonly { readonly place: WaistPlace; readonly by: string }[];
      readonly taken: WaistPlace;
    };

/** The steps of a docket in the order they are taken, and what does not go together. */
export interface Plan {
  readonly steps: readonly PlannedStep[];
  readonly conflicts: readonly PlanConflict[];
  /** Where the cord is tied, once two or more steps are read at it; `null` without one. */
  readonly cord: WaistPlace | null;
  /** How often the tape is laid, and how often it would be without chains; what is taken without one counts in neither. */
  readonly placings: { readonly count: number; readonly alone: number };
}

/** Places on the body that makers call by one word. */
const ONE_WORD: Readonly<Record<string, readonly MeasurementCode[]>> = {
  waist: ['waist-girth', 'navel-girth', 'abdominal-girth', 'trouser-waist-girth'],
  chest: ['chest-girth', 'bust-girth', 'above-bust-girth'],
  hip: ['hip-girth', 'high-hip-girth'],
  thigh: ['thigh-girth', 'both-thighs-girth'],
  knee: ['knee-girth', 'above-knee-girth', 'knee-girth-bent'],
  hand: ['hand-girth', 'hand-entry-girth'],
  sleeve: ['arm-length', 'cervicale-to-wrist', 'shoulder-to-knuckle', 'neck-to-knuckle'],
  'outside leg': ['outside-leg-length', 'outseam', 'trouser-waist-to-floor'],
  'back length': ['back-waist-length', 'nape-to-belt', 'collar-to-belt'],
};

/** Over what a measurement is taken where nobody says otherwise. */
const USUAL_CLOTHING: Clothing = 'close-fitting';

/**
 * Plans a docket: the union of what is asked for, each once, in the order of least bother,
 * conflicts named.
 *
 * @param chosen over what the fitter takes a measurement for which it is wanted differently; the
 *   first who says anything of it decides otherwise
 * @example planDocket([{ by: 'Field jacket', code: 'chest-girth' }, { by: 'Waders', code: 'height' }]).steps.map(({ code }) => code) // ['chest-girth', 'height']
 */
export function planDocket(
  needs: readonly Need[],
  chosen: Readonly<Partial<Record<MeasurementCode, Clothing>>> = {},
): Plan {
  const waist = needs.find((one) => one.waist !== undefined && touchesWaist(one.code))?.waist ?? 'natural';
  const stepOf = (code: MeasurementCode): Omit<PlannedStep, 'chain'> => {
    const asking = needs.filter((need) => need.code === code);
    const said = asking.find(({ clothing }) => clothing !== undefined)?.clothing;
    return {
      code,
      tension: tensionOf(asking[0]!),
      clothing: chosen[code] ?? said ?? USUAL_CLOTHING,
      wantedBy: [...new Set(asking.map(({ by }) => by))],
      waist: touchesWaist(code) ? waist : null,
    };
  };
  const wanted = new Map(needs.map(({ code }) => [code, stepOf(code)]));
  const placings = placingsOf([...wanted.keys()], (code) => {
    const { tension, clothing } = wanted.get(code)!;
    return `${tension} ${clothing}`;
  });
  const steps = placings.flatMap(({ chain, codes }) =>
    codes.map((code): PlannedStep => ({ ...wanted.get(code)!, chain })),
  );
  const laid = placings.filter(({ codes }) => measurement(codes[0]!).instruments.includes('tape'));
  const conflicts = [
    ...wordConflicts(steps),
    ...tensionConflicts(needs),
    ...clothingConflicts(needs, steps),
    ...waistConflicts(needs, waist),
  ];
  return {
    steps,
    conflicts,
    cord: steps.filter((step) => step.waist !== null).length < 2 ? null : waist,
    placings: { count: laid.length, alone: laid.flatMap((placing) => placing.codes).length },
  };
}

function tensionOf({ code, tension }: Need): Tension {
  return tension ?? measurement(code).tension;
}

function wordConflicts(steps: readonly PlannedStep[]): PlanConflict[] {
  return Object.entries(ONE_WORD).flatMap(([word, places]): PlanConflict[] => {
    const meant = steps.filter(({ code }) => places.includes(code));
    // One asker who wants two places knows that they are two.
    const askers = new Set(meant.flatMap(({ wantedBy }) => wantedBy));
    const differs = [...askers].some((asker) => meant.some(({ wantedBy }) => !wantedBy.includes(asker)));
    if (!differs) return [];
    return [
      { kind: 'one-word-two-places', word, codes: meant.map(({ code }) => code), wantedBy: [...askers] },
    ];
  });
}

function tensionConflicts(needs: readonly Need[]): PlanConflict[] {
  return [...new Set(needs.map(({ code }) => code))].flatMap((code): PlanConflict[] => {
    const tensions = needs
      .filter((need) => need.code === code)
      .map((need) => ({ tension: tensionOf(need), by: need.by }));
    return new Set(tensions.map(({ tension }) => tension)).size < 2
      ? []
      : [{ kind: 'tension', code, tensions }];
  });
}

/** Only those who say something of the clothes can differ over them. */
function clothingConflicts(needs: readonly Need[], steps: readonly PlannedStep[]): PlanConflict[] {
  return steps.flatMap(({ code, clothing: taken }): PlanConflict[] => {
    const wanted = needs.flatMap(({ code: asked, clothing, by }) =>
      asked === code && clothing !== undefined ? [{ clothing, by }] : [],
    );
    return new Set(wanted.map(({ clothing }) => clothing)).size < 2
      ? []
      : [{ kind: 'clothing', code, wanted, taken }];
  });
}

/** Only those who say where the waist is, and read something there, can differ over it. */
function waistConflicts(needs: readonly Need[], taken: WaistPlace): PlanConflict[] {
  const said = needs.flatMap(({ by, code, waist }) =>
    waist === undefined || !touchesWaist(code) ? [] : [{ place: waist, by }],
  );
  const wanted = said.filter(
    ({ place, by }, at) => said.findIndex((one) => one.place === place && one.by === by) === at,
  );
  return new Set(wanted.map(({ place }) => place)).size < 2 ? [] : [{ kind: 'waist', wanted, taken }];
}

/**
 * Steps as the tape is laid for them: the marks of a chain together, every other step by itself.
 *
 * @example byPlacing(planOf(docket, shelf).steps).map((placing) => placing.length) // [1, 1]
 */
export function byPlacing<Step extends { readonly chain: ChainCode | null }>(
  steps: readonly Step[],
): Step[][] {
  return steps.reduce<Step[][]>((placings, step) => {
    const last = placings.at(-1);
    if (last !== undefined && step.chain !== null && last[0]!.chain === step.chain) last.push(step);
    else placings.push([step]);
    return placings;
  }, []);
}

import { measurement } from './catalogue';
import type { MeasurementCode } from './catalogue/codes';
import type { ChainCode } from './chains';
import type { Clothing, Tension } from './measurement';
import { placingsOf } from './order';
import { isNaturalWaist, touchesWaist, type WaistPlace } from './waist';

/** One measurement that a garment's chart or a protocol asks for. */
export interface Need {
  /** Who asks, in words for the fitter: a garment's or a protocol's name. */
  readonly by: string;
  readonly code: MeasurementCode;
  /** The tension asked for; who says nothing takes it as the others do, else as the catalogue says. */
  readonly tension?: Tension | undefined;
  /** What is to lie between tape and body; close-fitting clothes where nothing is said. */
  readonly clothing?: Clothing | undefined;
  /** Where the waist is meant to be; who says nothing takes it where the others do. */
  readonly waist?: WaistPlace | undefined;
  /** Whether the waist has to be the natural one, however it is found: what makers mean by it. */
  readonly natural?: boolean | undefined;
}

/** What a fitter has said of a docket's steps, where those who ask want them differently. */
export interface PlanChoices {
  readonly clothing?: Readonly<Partial<Record<MeasurementCode, Clothing>>>;
  readonly tension?: Readonly<Partial<Record<MeasurementCode, Tension>>>;
  readonly waist?: WaistPlace | null;
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
  /** The same place with the tape lying differently: readings are never converted, so it is taken one way. */
  | {
      readonly kind: 'tension';
      readonly code: MeasurementCode;
      readonly wanted: readonly { readonly tension: Tension; readonly by: string }[];
      readonly taken: Tension;
    }
  /** The same place over different clothes: it is taken once, over what the fitter says. */
  | {
      readonly kind: 'clothing';
      readonly code: MeasurementCode;
      readonly wanted: readonly { readonly clothing: Clothing; readonly by: string }[];
      readonly taken: Clothing;
    }
  /** The waist at two places: there is one cord, tied where the fitter says, else the first who says anything of it. */
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
 * Who says nothing of tension, clothes or waist overrules nobody who does. A waist girth at the navel
 * is `navel-girth`, another measurement, and is planned as that.
 *
 * @param chosen how the fitter takes what is wanted differently; otherwise the first who says anything of it decides
 * @example planDocket([{ by: 'Field jacket', code: 'chest-girth' }, { by: 'Waders', code: 'height' }]).steps.map(({ code }) => code) // ['height', 'chest-girth']
 */
export function planDocket(asked: readonly Need[], chosen: PlanChoices = {}): Plan {
  const needs = asked.map(atTheNavel);
  const waist = chosen.waist ?? needs.find(saysWaist)?.waist ?? 'natural';
  const stepOf = (code: MeasurementCode): Omit<PlannedStep, 'chain'> => {
    const asking = needs.filter((need) => need.code === code);
    const said = <One>(what: (need: Need) => One | undefined): One | undefined =>
      asking.map(what).find((one) => one !== undefined);
    return {
      code,
      tension: chosen.tension?.[code] ?? said(({ tension }) => tension) ?? measurement(code).tension,
      clothing: chosen.clothing?.[code] ?? said(({ clothing }) => clothing) ?? USUAL_CLOTHING,
      wantedBy: [...new Set(asking.map(({ by }) => by))],
      waist: waistAt(code, waist),
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
    ...steps.flatMap((step) => [...tensionConflict(needs, step), ...clothingConflict(needs, step)]),
    ...waistConflicts(needs, waist),
  ];
  const atTheCord = steps.filter(
    (step) => step.waist === waist || (waist === 'navel' && step.code === 'navel-girth'),
  );
  return {
    steps,
    conflicts,
    cord: atTheCord.length < 2 ? null : waist,
    placings: { count: laid.length, alone: laid.flatMap((placing) => placing.codes).length },
  };
}

/** The girth of a waist that is at the navel has a name of its own. */
function atTheNavel(need: Need): Need {
  return need.code === 'waist-girth' && need.waist === 'navel'
    ? { ...need, code: 'navel-girth', waist: undefined }
    : need;
}

function waistAt(code: MeasurementCode, waist: WaistPlace): WaistPlace | null {
  if (!touchesWaist(code)) return null;
  return code === 'waist-girth' && waist === 'navel' ? 'natural' : waist;
}

function saysWaist({ code, waist }: Need): boolean {
  return waist !== undefined && touchesWaist(code);
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

/** Only those who say how the tape lies can differ over it. */
function tensionConflict(needs: readonly Need[], { code, tension: taken }: PlannedStep): PlanConflict[] {
  const wanted = needs.flatMap(({ code: asked, tension, by }) =>
    asked === code && tension !== undefined ? [{ tension, by }] : [],
  );
  return new Set(wanted.map(({ tension }) => tension)).size < 2
    ? []
    : [{ kind: 'tension', code, wanted, taken }];
}

/** Only those who say something of the clothes can differ over them. */
function clothingConflict(needs: readonly Need[], { code, clothing: taken }: PlannedStep): PlanConflict[] {
  const wanted = needs.flatMap(({ code: asked, clothing, by }) =>
    asked === code && clothing !== undefined ? [{ clothing, by }] : [],
  );
  return new Set(wanted.map(({ clothing }) => clothing)).size < 2
    ? []
    : [{ kind: 'clothing', code, wanted, taken }];
}

/** Only those who say where the waist is, or need the natural one, and read a length there, can differ over it. */
function waistConflicts(needs: readonly Need[], taken: WaistPlace): PlanConflict[] {
  const said = needs.flatMap(({ by, code, waist, natural }): { place: WaistPlace | null; by: string }[] => {
    if (!touchesWaist(code)) return [];
    if (waist !== undefined) return [{ place: waist, by }];
    // The girth of a natural waist stands beside one at the navel.
    return natural === true && code !== 'waist-girth' ? [{ place: null, by }] : [];
  });
  const places = new Set(said.flatMap(({ place }) => place ?? []));
  // However the natural waist is found, it is the natural one for a maker.
  const natural = [...places].find(isNaturalWaist) ?? 'natural';
  const wanted = said
    .map(({ place, by }) => ({ place: place ?? natural, by }))
    .filter(({ place, by }, at, all) => all.findIndex((one) => one.place === place && one.by === by) === at);
  return new Set(wanted.map(({ place }) => place)).size < 2 ? [] : [{ kind: 'waist', wanted, taken }];
}

/**
 * Steps as the tape is laid for them: the marks of a chain together, every other step by itself.
 *
 * @example byPlacing(planOf(docket, library).steps).map((placing) => placing.length) // [1, 1]
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

import { measurement } from './catalogue';
import { MEASUREMENT_CODES, type MeasurementCode } from './catalogue/codes';
import { STANCES, type Clothing, type Stance, type Tension } from './measurement';
import { list } from '../words/list';

/** One measurement that a garment's chart or a protocol asks for. */
export interface Need {
  /** Who asks, in words for the fitter: a garment's or a protocol's name. */
  readonly by: string;
  readonly code: MeasurementCode;
  /** The tension asked for; the catalogue's where nothing is said. */
  readonly tension?: Tension | undefined;
  /** What is to lie between tape and body; close-fitting clothes where nothing is said. */
  readonly clothing?: Clothing | undefined;
}

/** One step of the work: a measurement taken once for all who ask. */
export interface PlannedStep {
  readonly code: MeasurementCode;
  readonly tension: Tension;
  readonly clothing: Clothing;
  readonly wantedBy: readonly string[];
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
    };

/** The steps of a docket in the order they are taken, and what does not go together. */
export interface Plan {
  readonly steps: readonly PlannedStep[];
  readonly conflicts: readonly PlanConflict[];
}

/** Places on the body that makers call by one word. */
const ONE_WORD: Readonly<Record<string, readonly MeasurementCode[]>> = {
  waist: ['waist-girth', 'navel-girth', 'abdominal-girth', 'trouser-waist-girth'],
  chest: ['chest-girth', 'bust-girth', 'above-bust-girth'],
  hip: ['hip-girth', 'high-hip-girth'],
  sleeve: ['arm-length', 'cervicale-to-wrist', 'shoulder-to-knuckle'],
  'outside leg': ['outside-leg-length', 'outseam'],
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
 */
export function planDocket(
  needs: readonly Need[],
  chosen: Readonly<Partial<Record<MeasurementCode, Clothing>>> = {},
): Plan {
  const steps = planSteps(needs.map(({ code }) => code)).map((code): PlannedStep => {
    const asking = needs.filter((need) => need.code === code);
    const said = asking.find(({ clothing }) => clothing !== undefined)?.clothing;
    return {
      code,
      tension: tensionOf(asking[0]!),
      clothing: chosen[code] ?? said ?? USUAL_CLOTHING,
      wantedBy: [...new Set(asking.map(({ by }) => by))],
    };
  });
  const conflicts = [...wordConflicts(steps), ...tensionConflicts(needs), ...clothingConflicts(needs, steps)];
  return { steps, conflicts };
}

/**
 * Orders measurements as they are taken: each once, all of a stance together, shoes off once,
 * one foot after the other, and otherwise from the catalogue's top to its bottom. Every stance
 * is entered once and the shoes come off at most once, so no order has fewer changes.
 */
export function planSteps(codes: readonly MeasurementCode[]): MeasurementCode[] {
  const rank = (code: MeasurementCode) => [
    STANCES.indexOf(measurement(code).stance),
    shoesRank(code),
    sideRank(code),
    MEASUREMENT_CODES.indexOf(code),
  ];
  return [...new Set(codes)].sort((a, b) => {
    const [left, right] = [rank(a), rank(b)];
    return left.map((one, index) => one - right[index]!).find((differs) => differs !== 0) ?? 0;
  });
}

/** What a step needs of the shoes: those to be worn, none, or either. */
export function shoesFor(code: MeasurementCode): 'on' | 'off' | 'either' {
  if (code === 'outseam' || code === 'hollow-to-hem') return 'on';
  return code === 'height' || code === 'weight' || code === 'heel-girth' || measurement(code).kind === 'foot'
    ? 'off'
    : 'either';
}

/** Which side of the body a step is taken on, where it has one. */
export function sideOf(code: MeasurementCode): 'left' | 'right' | null {
  return code.endsWith('-left') ? 'left' : code.endsWith('-right') ? 'right' : null;
}

/**
 * How often an order bothers the wearer: changes of stance, of shoes and of side. What the
 * plan minimises, and what its spec compares with every other order.
 */
export function bother(codes: readonly MeasurementCode[]): number {
  let changes = 0;
  let shoes: 'on' | 'off' | 'either' = 'either';
  codes.forEach((code, index) => {
    const before = codes[index - 1];
    if (before !== undefined) {
      if (measurement(code).stance !== measurement(before).stance) changes += 1;
      else if (sideOf(code) !== sideOf(before)) changes += 1;
    }
    const wanted = shoesFor(code);
    if (wanted === 'either') return;
    if (shoes !== 'either' && shoes !== wanted) changes += 1;
    shoes = wanted;
  });
  return changes;
}

function shoesRank(code: MeasurementCode): number {
  return { on: 0, either: 1, off: 2 }[shoesFor(code)];
}

function sideRank(code: MeasurementCode): number {
  return sideOf(code) === 'right' ? 1 : 0;
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

/** Each stance as the fitter says it. */
export const STANCE_WORDS: Readonly<Record<Stance, string>> = {
  standing: 'Standing, facing you',
  turned: 'Turned away',
  seated: 'Seated',
  'on-paper': 'On paper',
  shoe: 'The shoe',
};

/** What to ask of the wearer when a stance begins. */
export const STANCE_ASKS: Readonly<Record<Stance, string>> = {
  standing: 'Ask them to stand straight and relaxed, facing you, looking ahead.',
  turned: 'Ask them to turn round and look straight ahead.',
  seated: 'Ask them to sit on a hard, armless chair, upright, belt where it normally rides.',
  'on-paper': 'Ask them to take their shoes off and stand on the paper, weight on the foot you draw round.',
  shoe: 'Ask for the shoes that will be worn.',
};

/** Each tension in words. */
export const TENSION_WORDS: Readonly<Record<Tension, string>> = {
  skin: 'touching, not pressing',
  snug: 'snug',
  'one-finger': 'one finger beneath the tape',
  'two-fingers': 'two fingers beneath the tape',
  'drawn-tight': 'drawn tight',
};

/** What lies between tape and body, in words. */
export const CLOTHING_WORDS: Readonly<Record<Clothing, string>> = {
  bare: 'on bare skin',
  'close-fitting': 'over close-fitting clothes',
  'worn-beneath': 'over what is worn beneath',
  thick: 'over thick clothes',
};

/** A conflict as a sentence that says what is done about it. */
export function sayConflict(conflict: PlanConflict): string {
  if (conflict.kind === 'tension') {
    const asked = conflict.tensions.map(({ tension, by }) => `${by}: ${TENSION_WORDS[tension]}`).join('; ');
    return `${measurement(conflict.code).name} is wanted with the tape lying differently (${asked}). It is taken as the first says; the other is to be judged with that in mind.`;
  }
  if (conflict.kind === 'clothing') {
    const asked = conflict.wanted.map(({ clothing, by }) => `${by}: ${CLOTHING_WORDS[clothing]}`).join('; ');
    return `${measurement(conflict.code).name} is wanted over different clothes (${asked}). It is taken ${CLOTHING_WORDS[conflict.taken]}; the other is marked.`;
  }
  const names = list(conflict.codes.map((code) => measurement(code).name.toLowerCase()));
  return `${list(conflict.wantedBy)} may all say “${conflict.word}” and mean different places: ${names}. Each is taken by itself.`;
}

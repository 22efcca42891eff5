import { measurement } from '../body/catalogue';
import type { MeasurementCode } from '../body/catalogue/codes';
import { isClosing, standingDecision, type Docket } from '../docket/docket';
import { stageOf } from '../docket/fitting/fitting';
import { judgeDocket } from '../docket/judge/judge';
import { isOpen, stepsOf } from '../docket/judge/steps';
import type { Library } from '../docket/library';
import { planOf } from '../docket/plan';

/** The parts of the work on a docket that a station can have, in the order in which they are done. */
export const PARTS = ['girths', 'lengths', 'head', 'hands', 'feet', 'deciding', 'trying', 'handing'] as const;
export type Part = (typeof PARTS)[number];

/** What a part is called. */
export const PART_WORDS: Readonly<Record<Part, string>> = {
  girths: 'Girths',
  lengths: 'Lengths, height and weight',
  head: 'Head',
  hands: 'Hands',
  feet: 'Feet',
  deciding: 'Deciding sizes',
  trying: 'Trying on',
  handing: 'Handing over',
};

/** What is measured. */
export const TAPE_PARTS: readonly Part[] = ['girths', 'lengths', 'head', 'hands', 'feet'];

/** What is done before what: all that is measured, then the sizes, then what is put on, then what is taken along. */
const STAGES: readonly (readonly Part[])[] = [TAPE_PARTS, ['deciding'], ['trying'], ['handing']];

const HEAD: readonly MeasurementCode[] = ['head-girth', 'head-arc', 'crown-to-hairline'];
const HANDS: readonly MeasurementCode[] = [
  'hand-girth',
  'hand-length',
  'hand-entry-girth',
  'wrist-to-knuckle',
];
const SHOES: readonly MeasurementCode[] = ['heel-height'];

/**
 * The part of the work that a measurement belongs to: every one belongs to one, so that stations share a plan and
 * nothing of it is left over.
 *
 * @example partOf('chest-girth') // 'girths'
 * @example partOf('foot-length-left') // 'feet'
 */
export function partOf(code: MeasurementCode): Part {
  const { kind } = measurement(code);
  if (HEAD.includes(code)) return 'head';
  if (HANDS.includes(code)) return 'hands';
  if (kind === 'foot' || SHOES.includes(code)) return 'feet';
  return kind === 'girth' ? 'girths' : 'lengths';
}

/**
 * What is still to be done on a docket, by parts and in their order: open steps, garments without a decision, without
 * having been tried on, and not handed over.
 *
 * @example missingParts(docket, library) // ['trying', 'handing']
 * @example missingParts(worn, library) // []
 */
export function missingParts(docket: Docket, library: Library): readonly Part[] {
  const { openAgain } = judgeDocket(docket, library);
  const steps = stepsOf(planOf(docket, library), docket, openAgain, library.habits);
  const missing = new Set<Part>(steps.filter(isOpen).map(({ code }) => partOf(code)));
  for (const { chartId } of docket.garments) {
    const stage = stageOf(docket, chartId);
    if (stage === 'handed-over') continue;
    const decision = standingDecision(docket, chartId);
    // What is made to measure goes no further on this day.
    if (decision?.outcome === 'made-to-measure') continue;
    if (!isClosing(decision)) missing.add('deciding');
    if (stage !== 'kept') missing.add('trying');
    missing.add('handing');
  }
  return PARTS.filter((part) => missing.has(part));
}

/**
 * Of what is missing that which can be done now at any station there is: what is measured before what is decided, and
 * that before what is put on. What no station has is waited for only where the next cannot be done without it.
 *
 * @param missing what is still to be done
 * @param served what the stations of the muster have
 * @param left what a station has left undone: it is passed by
 * @example partsDue(['feet', 'deciding', 'handing'], ['feet', 'deciding', 'handing']) // ['feet']
 * @example partsDue(['trying', 'handing'], ['handing']) // ['handing']
 */
export function partsDue(
  missing: readonly Part[],
  served: readonly Part[],
  left: readonly Part[] = [],
): readonly Part[] {
  for (const stage of STAGES) {
    const due = missing.filter((part) => stage.includes(part) && !left.includes(part));
    const here = due.filter((part) => served.includes(part));
    if (here.length > 0) return here;
    // Without having tried on it can be handed over; unmeasured nothing is decided, undecided nothing is handed over.
    if (due.length > 0 && !due.includes('trying')) return [];
  }
  return [];
}

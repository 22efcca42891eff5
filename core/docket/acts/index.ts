import { z } from 'zod';
import { clothingChosen, type ClothingChosen } from './clothing-chosen';
import { docketOpened, type DocketOpened } from './docket-opened';
import { garmentAsked, type GarmentAsked } from './garment-asked';
import { garmentDecided, type GarmentDecided } from './garment-decided';
import { garmentDropped, type GarmentDropped } from './garment-dropped';
import { measurementAsked, type MeasurementAsked } from './measurement-asked';
import { protocolAsked, type ProtocolAsked } from './protocol-asked';
import { readingTaken, type ReadingTaken } from './reading-taken';
import { readingWithdrawn, type ReadingWithdrawn } from './reading-withdrawn';
import { ruleOverruled, type RuleOverruled } from './rule-overruled';
import { stepPassed, type StepPassed } from './step-passed';
import { suspicionConfirmed, type SuspicionConfirmed } from './suspicion-confirmed';
import type { ActKind, BaseAct } from './act';

/** Something done on a docket. */
export type Act =
  | DocketOpened
  | GarmentAsked
  | GarmentDropped
  | ProtocolAsked
  | MeasurementAsked
  | ClothingChosen
  | RuleOverruled
  | ReadingTaken
  | ReadingWithdrawn
  | StepPassed
  | SuspicionConfirmed
  | GarmentDecided;

/** Every kind of act, in about the order of the work. */
const KINDS = [
  docketOpened,
  garmentAsked,
  garmentDropped,
  protocolAsked,
  measurementAsked,
  clothingChosen,
  ruleOverruled,
  readingTaken,
  readingWithdrawn,
  stepPassed,
  suspicionConfirmed,
  garmentDecided,
] as const;

/** The kinds by name. */
export const ACT_KINDS = KINDS.map(({ kind }) => kind);

/** Any act, read by its kind. */
export const actSchema = z.union(KINDS.map(({ schema }) => schema)) as unknown as z.ZodType<Act, unknown>;

const BY_KIND = new Map<string, unknown>(KINDS.map((one) => [one.kind, one]));

/** Everything there is to know of an act's kind. */
export function kindOf<One extends Act>(act: One): ActKind<One & BaseAct> {
  return BY_KIND.get(act.kind) as ActKind<One & BaseAct>;
}

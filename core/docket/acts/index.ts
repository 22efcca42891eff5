import { ActMachine } from '../../acts/machine';
import type { UnreadableAct } from '../../acts/say-unreadable-act';
import type { Outcome } from '../../outcome';
import type { Docket } from '../docket';
import type { Library } from '../library';
import type { Refusal } from '../refusal';
import { alterationsDone, type AlterationsDone } from './fitting/alterations-done';
import { alterationNoted, type AlterationNoted } from './fitting/alteration-noted';
import { choiceMade, type ChoiceMade } from './choice-made';
import { clothingChosen, type ClothingChosen } from './clothing-chosen';
import { consentRecorded, type ConsentRecorded } from './consent-recorded';
import { docketOpened, type DocketOpened } from './docket-opened';
import { fitChecked, type FitChecked } from './fitting/fit-checked';
import { garmentAsked, type GarmentAsked } from './garment-asked';
import { garmentCameBack, type GarmentCameBack } from './handing/garment-came-back';
import { garmentDecided, type GarmentDecided } from './garment-decided';
import { garmentDropped, type GarmentDropped } from './garment-dropped';
import { garmentFitted, type GarmentFitted } from './fitting/garment-fitted';
import { garmentTried, type GarmentTried } from './fitting/garment-tried';
import { garmentsHandedOver, type GarmentsHandedOver } from './handing/garments-handed-over';
import { handingWithdrawn, type HandingWithdrawn } from './handing/handing-withdrawn';
import { hireExtended, type HireExtended } from './handing/hire-extended';
import { measurementAsked, type MeasurementAsked } from './measurement-asked';
import { protocolAsked, type ProtocolAsked } from './protocol-asked';
import { readingTaken, type ReadingTaken } from './reading-taken';
import { readingWithdrawn, type ReadingWithdrawn } from './reading-withdrawn';
import { returnWithdrawn, type ReturnWithdrawn } from './handing/return-withdrawn';
import { ruleOverruled, type RuleOverruled } from './rule-overruled';
import { sizeTold, type SizeTold } from './size-told';
import { stepPassed, type StepPassed } from './step-passed';
import { styleNoted, type StyleNoted } from './style-noted';
import { suspicionConfirmed, type SuspicionConfirmed } from './suspicion-confirmed';
import { tensionChosen, type TensionChosen } from './tension-chosen';
import { trialWithdrawn, type TrialWithdrawn } from './fitting/trial-withdrawn';
import { unitChosen, type UnitChosen } from './unit-chosen';
import { waistChosen, type WaistChosen } from './waist-chosen';
import { wishDropped, type WishDropped } from './wish-dropped';
import { wishNoted, type WishNoted } from './wish-noted';
import type { ActKind, BaseAct } from './act';

/** Something done on a docket. */
export type Act =
  | DocketOpened
  | ConsentRecorded
  | GarmentAsked
  | GarmentDropped
  | ProtocolAsked
  | MeasurementAsked
  | ClothingChosen
  | TensionChosen
  | WaistChosen
  | UnitChosen
  | SizeTold
  | RuleOverruled
  | ChoiceMade
  | ReadingTaken
  | ReadingWithdrawn
  | StepPassed
  | StyleNoted
  | SuspicionConfirmed
  | WishNoted
  | WishDropped
  | GarmentDecided
  | GarmentTried
  | TrialWithdrawn
  | FitChecked
  | AlterationNoted
  | AlterationsDone
  | GarmentFitted
  | GarmentsHandedOver
  | HandingWithdrawn
  | HireExtended
  | GarmentCameBack
  | ReturnWithdrawn;

type WithoutBase<One> = One extends Act ? Omit<One, 'id' | 'docketId' | 'at' | 'by' | 'undoes'> : never;
/** What is done, before it is said by whom, when and on which docket. */
export type Doing = WithoutBase<Act>;

/** Every kind of act, in about the order of the work. */
const KINDS = [
  docketOpened,
  consentRecorded,
  garmentAsked,
  garmentDropped,
  protocolAsked,
  measurementAsked,
  clothingChosen,
  tensionChosen,
  waistChosen,
  unitChosen,
  sizeTold,
  ruleOverruled,
  choiceMade,
  readingTaken,
  readingWithdrawn,
  stepPassed,
  styleNoted,
  suspicionConfirmed,
  wishNoted,
  wishDropped,
  garmentDecided,
  garmentTried,
  trialWithdrawn,
  fitChecked,
  alterationNoted,
  alterationsDone,
  garmentFitted,
  garmentsHandedOver,
  handingWithdrawn,
  hireExtended,
  garmentCameBack,
  returnWithdrawn,
] as const;

/** The kinds by name. */
export const ACT_KINDS = KINDS.map(({ kind }) => kind);

/** The kinds that tell how charts run, or take that back. */
export const EVIDENCE_KINDS = KINDS.flatMap(({ kind, evidence }) => (evidence ? [kind] : []));

/** What does acts on dockets. */
export const DOCKET_ACTS = new ActMachine<Docket, Act, Library, Refusal, ActKind<Act & BaseAct>>(
  KINDS as unknown as readonly ActKind<Act & BaseAct>[],
  { code: 'not-opened' },
);

/** Any act, read by its kind. */
export const actSchema = DOCKET_ACTS.schema;

/**
 * Reads an act from what was sent or kept. One of a kind that this version does not know is no act.
 *
 * @example readAct({ kind: 'nap-taken' }).problem.code // 'unknown-kind'
 */
export function readAct(sent: unknown): Outcome<Act, UnreadableAct> {
  return DOCKET_ACTS.read(sent);
}

/**
 * Everything there is to know of an act's kind.
 *
 * @example kindOf(acts[0]).undo // 'opening'
 */
export function kindOf<One extends Act>(act: One): ActKind<One & BaseAct> {
  return DOCKET_ACTS.kindOf(act) as unknown as ActKind<One & BaseAct>;
}

import type { ReadingProblem } from '../capture/read-reading';
import type { WishProblem } from '../capture/read-wish';
import type { AlterationProblem } from '../fit/alterations';
import type { Length, WorkingUnit } from '../quantity/length';
import type { MeasureUnit } from '../quantity/mass';
import type { ActCapability } from './trust';

/** Why an act is not let in. The docket stays as it was. */
export type Refusal =
  /** Nothing can be done on a docket that nobody opened. */
  | { readonly code: 'not-opened' }
  | { readonly code: 'opened-already' }
  /** Another act has the id. */
  | { readonly code: 'id-taken' }
  /** It says that somebody else did it than whoever signs it. */
  | { readonly code: 'other-hand' }
  /** Whoever did it is not trusted with it. */
  | { readonly code: 'not-trusted'; readonly takes: ActCapability }
  /** The device's clock is far from the server's. */
  | { readonly code: 'moment-off'; readonly at: string; readonly now: string }
  /** It says to be carried over from a reading that is on no record of the wearer. */
  | { readonly code: 'no-such-record' }
  /** It says to come from a tape that this house has never heard. */
  | { readonly code: 'no-such-tape'; readonly device: string }
  /** The wearer has taken back that they agree to be measured. */
  | { readonly code: 'consent-withdrawn'; readonly at: string }
  | { readonly code: 'no-such-wearer' }
  | { readonly code: 'no-such-chart' }
  | { readonly code: 'no-such-protocol' }
  | { readonly code: 'no-such-reading' }
  | { readonly code: 'docket-full'; readonly most: number }
  | { readonly code: 'not-on-docket' }
  /** Its chart leaves no such thing to be chosen. */
  | { readonly code: 'no-such-choice'; readonly choice: string; readonly label: string }
  | { readonly code: 'decided-already' }
  | { readonly code: 'unreadable-reading'; readonly problem: ReadingProblem; readonly unit: MeasureUnit }
  | { readonly code: 'unreadable-wish'; readonly problem: WishProblem; readonly unit: WorkingUnit }
  /** What was typed does not come to the length that was sent with it. */
  | { readonly code: 'length-differs'; readonly typed: string; readonly length: Length }
  /** Other readings stand than those it was decided on. */
  | { readonly code: 'readings-changed' }
  /** The house sizes by other habits than those it was decided by. */
  | { readonly code: 'habits-changed' }
  /** Somebody else decided the garment first. */
  | { readonly code: 'decided-meanwhile' }
  | {
      readonly code: 'no-such-size';
      readonly size: string | null;
      /** The part's name; `null` where the chart has only one. */
      readonly part: string | null;
      readonly sizes: readonly string[];
    }
  | { readonly code: 'reason-missing' }
  | { readonly code: 'nothing-proposed' }
  | { readonly code: 'not-the-proposal'; readonly proposed: string }
  | { readonly code: 'no-such-trial' }
  | { readonly code: 'no-such-check' }
  /** What trying it on came to stands: it is opened again first. */
  | { readonly code: 'fitted-already' }
  /** Another size is on by now than the one that was looked at. */
  | { readonly code: 'tried-meanwhile' }
  /** What must be looked at was not, and no reason was given. */
  | { readonly code: 'must-be-seen'; readonly look: string }
  /** It is kept although something is not right, which nothing mends, and no reason was given. */
  | { readonly code: 'not-right'; readonly says: string }
  | { readonly code: 'handed-twice' }
  | { readonly code: 'handed-already'; readonly garment: string }
  /** It has no size, or came back and nothing was done since. */
  | { readonly code: 'nothing-to-hand-over'; readonly garment: string }
  /** A size is on, and nobody has said what trying it on came to. */
  | { readonly code: 'still-on'; readonly garment: string }
  | { readonly code: 'until-missing'; readonly garment: string }
  | { readonly code: 'until-past'; readonly garment: string; readonly until: string }
  /** What must be looked at on the wearer was not kept after a trial, and no reason was given. */
  | { readonly code: 'must-be-tried'; readonly garment: string; readonly look: string }
  | { readonly code: 'nothing-altered' }
  | { readonly code: 'no-such-handing' }
  | { readonly code: 'area-missing' }
  | { readonly code: 'lost-goes-nowhere' }
  /** Altered or damaged, it would lie on the shelf as whole and in the size of its label. */
  | { readonly code: 'not-as-labelled'; readonly altered: boolean }
  /** It was not taken from the stores, so nothing of them counts it. */
  | { readonly code: 'not-from-stores' }
  /** The stores have none of that size there, or not any more. */
  | { readonly code: 'not-on-shelf'; readonly garment: string; readonly size: string }
  /** The piece is not there, or must not be handed out; why, in words. */
  | { readonly code: 'piece-refused'; readonly garment: string; readonly why: string }
  /** Somebody else has it booked for some of those days. */
  | { readonly code: 'booked-otherwise'; readonly garment: string; readonly until: string }
  | {
      readonly code: 'unreadable-alteration';
      readonly problem: AlterationProblem;
      readonly unit: WorkingUnit;
    };

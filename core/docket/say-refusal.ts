import { sayDay } from '../words/days';
import { shownIn, type InchParts } from '../quantity/format-length';
import { sayReadingProblem } from '../capture/say-reading-problem';
import { sayWishProblem } from '../capture/say-wish-problem';
import { sayAlterationProblem } from '../fit/say-alterations';
import type { Refusal } from './refusal';
import { ACT_CAPABILITY_WORDS } from './trust';

/**
 * Why an act is not let in, and what to do, in one or two sentences.
 *
 * @example sayRefusal({ code: 'reason-missing' }, 8) // 'A size other than the proposal needs a reason. Enter a reason, then hand over.'
 */
export function sayRefusal(refusal: Refusal, parts: InchParts): string {
  switch (refusal.code) {
    case 'not-opened':
      return 'There is no such docket. It may have been opened from an old link.';
    case 'opened-already':
      return 'This docket has been opened already. Open another one.';
    case 'id-taken':
      return 'Something else was saved under this id. Reload the page and do it again.';
    case 'other-hand':
      return 'Another fitter made this change. It is sent when that fitter signs in on this device.';
    case 'not-trusted':
      return `Your role does not let you ${ACT_CAPABILITY_WORDS[refusal.takes]}. Ask an administrator.`;
    case 'moment-off':
      return `This change is dated ${refusal.at.slice(0, 10)}, but today is ${refusal.now.slice(0, 10)}. Set the clock of this device, then try again.`;
    case 'no-such-record':
      return 'There is no such reading on record of this wearer, of that moment and value. Reload the page and check the record, or measure again.';
    case 'no-such-tape':
      return `The tape ${refusal.device} is not paired with this house. Pair it under House, or type the reading.`;
    case 'consent-withdrawn':
      return `The wearer no longer agrees to be measured (recorded ${sayDay(refusal.at.slice(0, 10))}). Record the agreement again before measuring.`;
    case 'no-such-wearer':
      return 'There is no such wearer. Reload the page and choose the wearer again.';
    case 'no-such-chart':
      return 'There is no such chart. It may have been chosen from an old page; reload it.';
    case 'no-such-protocol':
      return 'There is no such protocol. It may have been chosen from an old page; reload it.';
    case 'no-such-reading':
      return 'There is no such reading on this docket. Reload the page and check the readings.';
    case 'docket-full':
      return `A docket holds at most ${refusal.most}. Open another docket for the rest.`;
    case 'no-such-choice':
      return `The size chart does not offer ${refusal.choice} ${refusal.label}. Choose one that it offers.`;
    case 'not-on-docket':
      return 'This garment is not on the docket. Add it first.';
    case 'decided-already':
      return 'This garment is decided. Undo the decision first, then remove the garment.';
    case 'unreadable-reading':
      return sayReadingProblem(refusal.problem, shownIn(refusal.unit, parts));
    case 'unreadable-wish':
      return sayWishProblem(refusal.problem, shownIn(refusal.unit, parts));
    case 'length-differs':
      return `“${refusal.typed}” does not match the length sent with it. Reload the page and measure again.`;
    case 'readings-changed':
      return 'The readings have changed since you looked. Check the verdict, then decide.';
    case 'habits-changed':
      return 'The sizing rules have changed since you looked. Check the verdict, then decide.';
    case 'decided-meanwhile':
      return 'Another fitter has decided this garment. Check that decision, then decide again if needed.';
    case 'no-such-size': {
      const of = refusal.part === null ? 'this chart' : refusal.part;
      return `${refusal.size ?? 'Nothing'} is not a size of ${of}. Choose one of ${refusal.sizes.join(', ')}.`;
    }
    case 'reason-missing':
      return 'A size other than the proposal needs a reason. Enter a reason, then hand over.';
    case 'nothing-proposed':
      return 'No size is proposed. Choose a size with a reason.';
    case 'not-the-proposal':
      return `The proposal is ${refusal.proposed}. Choose another size with a reason.`;
    case 'no-such-trial':
      return 'This garment was not tried on in that size. Reload the page and check the size that is on.';
    case 'no-such-check':
      return 'There is no such check of this garment, or no such answer to it. Reload the page and answer again.';
    case 'fitted-already':
      return 'The fitting already has a result. Open it again, or try on another size.';
    case 'tried-meanwhile':
      return 'Another size was put on since you looked. Check that size, then keep it or try another.';
    case 'must-be-seen':
      return `Not checked yet: ${refusal.look}. Check it, or enter why it is skipped.`;
    case 'not-right':
      return `“${refusal.says}” is not mended. Try another size, note what is altered, or give a reason to keep it.`;
    case 'handed-twice':
      return 'One garment is listed twice. Remove one.';
    case 'handed-already':
      return `The wearer has the ${inSentence(refusal.garment)} already. Return it first.`;
    case 'nothing-to-hand-over':
      return `There is no size of the ${inSentence(refusal.garment)} to hand over. Decide it, or try it on first.`;
    case 'still-on':
      return `The ${inSentence(refusal.garment)} is being tried on. Keep the size that is on, or another, first.`;
    case 'until-missing':
      return `Enter the last day of hire for the ${inSentence(refusal.garment)}.`;
    case 'until-past':
      return `${sayDay(refusal.until)} is in the past. Enter the last day of hire for the ${inSentence(refusal.garment)}.`;
    case 'must-be-tried':
      return `The ${inSentence(refusal.garment)} must be checked on the wearer before handing over: ${refusal.look}. Try it on, or give a reason.`;
    case 'nothing-altered':
      return 'This garment has no alteration, or another fitter has already marked it as ready. Check the docket.';
    case 'no-such-handing':
      return 'This garment is not with the wearer. Reload the page and check the docket.';
    case 'area-missing':
      return 'Choose where it was tight, loose, short or long.';
    case 'lost-goes-nowhere':
      return 'A lost garment cannot be returned to stock. It is written off.';
    case 'not-as-labelled':
      return refusal.altered
        ? 'The garment was altered, so its label no longer states its size. Set it aside, or enter how it was put in order.'
        : 'The garment is damaged or faulty and cannot return to the library. Set it aside, or enter how it was put in order.';
    case 'not-from-stores':
      return 'The garment is not from the stores, so it cannot be returned to a room here. Add it to stock under Stores.';
    case 'not-on-shelf':
      return `There is no ${inSentence(refusal.garment)} in ${refusal.size} in stock any more. Check the stock, order it, or try the nearest size.`;
    case 'piece-refused':
      return `That piece of the ${inSentence(refusal.garment)} is not available. ${refusal.why}`;
    case 'booked-otherwise':
      return `That piece of the ${inSentence(refusal.garment)} is booked for another wearer${refusal.until === '' ? '' : ` before ${sayDay(refusal.until)}`}. Choose another piece or other dates.`;
    case 'unreadable-alteration':
      return sayAlterationProblem(refusal.problem, shownIn(refusal.unit, parts));
  }
}

/** The name of a garment in the middle of a sentence. */
function inSentence(garment: string): string {
  return garment.charAt(0).toLowerCase() + garment.slice(1);
}

import { shownIn, type InchParts } from '../quantity/format-length';
import { sayReadingProblem } from '../capture/say-reading-problem';
import { sayWishProblem } from '../capture/read-wish';
import { sayAlterationProblem } from '../fit/alterations';
import type { Refusal } from './refusal';
import { ACT_CAPABILITY_WORDS } from './trust';

/**
 * Why an act is not let in, and what to do, in one or two sentences.
 *
 * @example sayRefusal({ code: 'reason-missing' }, 8) // 'Another size than the proposal needs a reason. Give one, then hand it over.'
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
      return 'This was done by somebody else than whoever sends it. They sign in on this device, and it is sent.';
    case 'not-trusted':
      return `Your role does not let you ${ACT_CAPABILITY_WORDS[refusal.takes]}. Ask somebody whose role does, or an administrator.`;
    case 'moment-off':
      return `It says it was done on ${refusal.at.slice(0, 10)}, and today is ${refusal.now.slice(0, 10)}. Set the clock of this device right, then do it again.`;
    case 'no-such-record':
      return 'There is no such reading on record of this wearer. Reload the page and look at the record, or measure again.';
    case 'no-such-wearer':
      return 'There is no such wearer. Reload the page and choose them again.';
    case 'no-such-chart':
      return 'There is no such chart. It may have been chosen from an old page; reload it.';
    case 'no-such-protocol':
      return 'There is no such protocol. It may have been chosen from an old page; reload it.';
    case 'no-such-reading':
      return 'There is no such reading on this docket. Reload the page and look at the readings.';
    case 'docket-full':
      return `A docket holds at most ${refusal.most}. Open another docket for the rest.`;
    case 'no-such-choice':
      return `The size chart does not offer ${refusal.choice} ${refusal.label}. Choose one that it offers.`;
    case 'not-on-docket':
      return 'This garment is not on the docket. Add it first.';
    case 'decided-already':
      return 'This garment is decided. Put the decision off first, then take it from the docket.';
    case 'unreadable-reading':
      return sayReadingProblem(refusal.problem, shownIn(refusal.unit, parts));
    case 'unreadable-wish':
      return sayWishProblem(refusal.problem, shownIn(refusal.unit, parts));
    case 'length-differs':
      return `“${refusal.typed}” does not come to the length that was sent with it. Reload the page and read it again.`;
    case 'readings-changed':
      return 'The readings have changed since you looked. Look at the verdict again, then decide.';
    case 'habits-changed':
      return 'The house has changed how it sizes since you looked. Look at the verdict again, then decide.';
    case 'decided-meanwhile':
      return 'Somebody else decided this garment since you looked. Look at what they decided, then decide again if need be.';
    case 'no-such-size': {
      const of = refusal.part === null ? 'this chart' : refusal.part;
      return `${refusal.size ?? 'Nothing'} is no size of ${of}. Choose one of ${refusal.sizes.join(', ')}.`;
    }
    case 'reason-missing':
      return 'Another size than the proposal needs a reason. Give one, then hand it over.';
    case 'nothing-proposed':
      return 'No size is proposed. Take a size with a reason instead.';
    case 'not-the-proposal':
      return `The proposal is ${refusal.proposed}. Take another size with a reason instead.`;
    case 'no-such-trial':
      return 'This garment was not tried on in that size. Reload the page and look at what is on.';
    case 'no-such-check':
      return 'There is no such check of this garment, or no such answer to it. Reload the page and answer again.';
    case 'fitted-already':
      return 'What trying it on came to stands already. Open it again, or put another size on.';
    case 'tried-meanwhile':
      return 'Another size was put on since you looked. Look at that one, then keep it or try another.';
    case 'must-be-seen':
      return `Not looked at yet: ${refusal.look}. Look at it, or say why it is left out.`;
    case 'not-right':
      return `“${refusal.says}” is not mended. Try another size, note what is altered, or give a reason to keep it.`;
    case 'handed-twice':
      return 'One garment stands there twice. Take one of them out.';
    case 'handed-already':
      return `The wearer has the ${inSentence(refusal.garment)} already. Take it back first.`;
    case 'nothing-to-hand-over':
      return `There is no size of the ${inSentence(refusal.garment)} to hand over. Decide it, or try it on first.`;
    case 'still-on':
      return `The ${inSentence(refusal.garment)} is being tried on. Keep the size that is on, or another, first.`;
    case 'until-missing':
      return `Until when is the ${inSentence(refusal.garment)} hired? Give the last day.`;
    case 'until-past':
      return `${refusal.until} is past: until when is the ${inSentence(refusal.garment)} hired?`;
    case 'must-be-tried':
      return `The ${inSentence(refusal.garment)} is not handed over before it was looked at on the wearer: ${refusal.look}. Try it on, or give a reason.`;
    case 'nothing-altered':
      return 'Nothing of this garment is altered, or somebody else has said so already. Look at the docket.';
    case 'no-such-handing':
      return 'This garment is not with the wearer. Reload the page and look at the docket.';
    case 'area-missing':
      return 'Say where it was tight, loose, short or long.';
    case 'lost-goes-nowhere':
      return 'What was lost goes to no shelf: it is written off.';
    case 'not-as-labelled':
      return refusal.altered
        ? 'It was altered, and on the shelf the next wearer gets it for what its label says. Set it aside, or say what was done about it.'
        : 'It is damaged or faulty, and on the shelf the next wearer gets it. Set it aside, or say what was done about it.';
    case 'not-from-stores':
      return 'It did not come from the stores, so it cannot go back into a store room by itself. Take it in under Stores.';
    case 'not-on-shelf':
      return `There is no ${inSentence(refusal.garment)} in ${refusal.size} on that shelf any more. Look at what is there, order it, or try the nearest.`;
    case 'piece-refused':
      return `That piece of the ${inSentence(refusal.garment)} is not to be had. ${refusal.why}`;
    case 'booked-otherwise':
      return `That piece of the ${inSentence(refusal.garment)} is booked for somebody else${refusal.until === '' ? '' : ` before ${refusal.until}`}. Take another piece, or other days.`;
    case 'unreadable-alteration':
      return sayAlterationProblem(refusal.problem, shownIn(refusal.unit, parts));
  }
}

/** The name of a garment in the middle of a sentence. */
function inSentence(garment: string): string {
  return garment.charAt(0).toLowerCase() + garment.slice(1);
}

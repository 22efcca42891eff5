import { list } from '../words/list';
import type { MusterNames } from './acts/act';
import type { MusterRefusal } from './refusal';
import { MUSTER_CAPABILITY_WORDS } from './trust';

/**
 * Why an act is not done on a muster, and what to do, in one or two sentences.
 *
 * @param names what wearers are called; whose name is not known here goes by a plain word
 * @example sayMusterRefusal({ code: 'muster-closed' }, { wearer: () => 'the wearer' }) // 'This muster is closed. A lead fitter can reopen it.'
 */
export function sayMusterRefusal(refusal: MusterRefusal, { wearer }: Pick<MusterNames, 'wearer'>): string {
  switch (refusal.code) {
    case 'no-muster':
      return 'There is no such muster. Open Roll and choose one from the list.';
    case 'muster-opened-already':
      return 'This muster has been opened already. Reload the page.';
    case 'muster-closed':
      return 'This muster is closed. A lead fitter can reopen it.';
    case 'muster-open':
      return 'This muster is open already. Reload the page.';
    case 'muster-not-trusted':
      return `Your role does not let you ${MUSTER_CAPABILITY_WORDS[refusal.takes]}. Ask an administrator.`;
    case 'no-such-station':
      return 'There is no such station on this muster. Reload the page and choose another.';
    case 'station-there':
      return 'This station is there already. Reload the page.';
    case 'station-closed':
      return `${refusal.station} is closed. Choose another station, or ask a lead fitter to open it.`;
    case 'station-busy':
      return `${wearer(refusal.wearerId)} is still at ${refusal.station}. Finish with that wearer first.`;
    case 'not-on-muster':
      return 'This wearer is not on the list of this muster. Add the wearer first.';
    case 'no-such-wearer-here':
      return 'One of these wearers is not known here. Reload the page and choose the wearers again.';
    case 'docket-of-another':
      return `The docket for ${wearer(refusal.wearerId)} belongs to another wearer. Reload the page and add the wearer again.`;
    case 'act-id-taken':
      return 'Something else was saved under this id. Reload the page and do it again.';
    case 'on-muster-already':
      return `${wearer(refusal.wearerId)} is on the list of this muster already.`;
    case 'muster-full':
      return `A muster holds at most ${refusal.most} wearers. Open another muster for the rest.`;
    case 'here-already':
      return `${wearer(refusal.wearerId)} is checked in already.`;
    case 'called-elsewhere':
      return `${wearer(refusal.wearerId)} is at ${refusal.station} now. Call another wearer.`;
    case 'gone-already':
      return `${wearer(refusal.wearerId)} has left. Check this wearer in again first.`;
    case 'not-at-station':
      return `${wearer(refusal.wearerId)} is no longer at ${refusal.station}. Another fitter has moved this wearer on.`;
    case 'come-already':
      return `${wearer(refusal.wearerId)} has been checked in and cannot be removed. Note that this wearer left instead.`;
    case 'went-on-meanwhile':
      return `Something else was done about ${wearer(refusal.wearerId)} since, so this cannot be undone.`;
    case 'days-backward':
      return 'The last day is before the first. Choose a later one.';
  }
}

/**
 * Parts of the work in a sentence.
 *
 * @example sayParts(['feet', 'handing']) // 'feet and handing over'
 */
export function sayParts(parts: readonly (keyof typeof IN_SENTENCE)[]): string {
  return list(parts.map((part) => IN_SENTENCE[part]));
}

const IN_SENTENCE = {
  girths: 'girths',
  lengths: 'lengths',
  head: 'head',
  hands: 'hands',
  feet: 'feet',
  deciding: 'deciding sizes',
  trying: 'trying on',
  handing: 'handing over',
} as const;

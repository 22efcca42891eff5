import { LATER_REASONS, WAIST_WORDS, type Origin, type WaistPlace } from '@neat-measure/core';

/** What a reading at the Bench can come from. */
export const FROM = ['fitter', 'helper', 'reported'] as const satisfies readonly Origin[];

/** Each in words. */
export const FROM_WORDS: Readonly<Record<Origin, string>> = {
  fitter: 'Read by you',
  helper: 'Read by a helper',
  self: 'Read by the wearer',
  reported: 'Told, not measured',
};

/** Why a step is passed over, as fitters say it. */
export const SKIP_REASONS = ['The wearer declines', 'Not needed for these garments', ...LATER_REASONS];

/** Where a reading at the waist is taken: at the cord where one is tied. */
export function atCordWords(waist: WaistPlace | null, tied: boolean): string {
  if (waist === null) return '';
  if (tied) return waist === 'natural' ? 'Read at the cord.' : `Read at the cord, ${WAIST_WORDS[waist]}.`;
  return waist === 'natural' ? '' : `The waist is ${WAIST_WORDS[waist]}.`;
}

/** The one after in a short list, round and round. */
export function after<One>(list: readonly One[], one: One): One {
  return list[(list.indexOf(one) + 1) % list.length]!;
}

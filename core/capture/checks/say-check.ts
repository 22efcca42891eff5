import { measurement } from '../../body/catalogue';
import type { MeasurementCode } from '../../body/catalogue/codes';
import { formatLength, type ShownLength } from '../../quantity/format-length';
import { micrometres } from '../../quantity/length';
import { list } from '../../words/list';
import type { CheckCode, Suspicion } from './checks';
import type { Unlikely } from './likelihood';

/**
 * What is asked, in one sentence, with what would be usual.
 *
 * @example saySuspicion(checkBody(new Map([['bust-girth', cm(80)], ['underbust-girth', cm(90)]]))[0], 'cm') // 'Underbust is 10 cm more than bust. The two may be exchanged.'
 */
export function saySuspicion({ check, measurements, facts }: Suspicion, unit: ShownLength): string {
  switch (facts.kind) {
    case 'difference':
      return sayDifference(check, measurements, facts, unit);
    case 'sum':
      return saySum(check, measurements, facts, unit);
    case 'ratio':
      return `The inside leg is ${percent(facts.is)} of the height; ${percent(facts.least)} to ${percent(facts.most)} is usual. Was it taken to the ankle bone, without shoes?`;
    case 'build':
      return 'Weight and height do not go together. Were the two exchanged, or is one of them in another unit?';
    case 'value':
      return `${named(measurements[0]!)} ${formatLength(facts.is, unit)} is unusual; ${formatLength(facts.least, unit)} to ${formatLength(facts.most, unit)} is usual. Is the waist marked where it creases?`;
    case 'unlikely':
      return sayUnlikely(facts.unlikely, unit);
  }
}

const QUESTIONS: Readonly<Record<CheckCode, string>> = {
  'seated-front': 'Sitting takes up to 4 in off the front. Did the belt move on sitting down?',
  'waist-over-hip':
    'On a large belly this is possible; otherwise one of the two is wrong. Confirm, or measure again.',
  'waist-over-chest':
    'On a large belly this is possible; otherwise one of the two is wrong. Confirm, or measure again.',
  'bust-under-underbust': 'The two may be exchanged.',
  'overarm-over-chest': 'Were the arms hanging for the one, and the tape level for the other?',
  'inside-to-outside-leg':
    'Was the inside leg taken from the fork to the ankle bone, the outside leg from the waist to the floor?',
  'inside-leg-to-height': '',
  'weight-to-height': '',
  'feet-lengths': 'Feet seldom differ by more than 10 mm. Check both outlines.',
  'waist-to-hip-drop': '',
  'shoulder-to-waist': '',
  'overarm-to-hip': 'On an evenly built woman the two are within about 2 in.',
  'chain-order': 'Each mark lies beyond the one before. Was the tape held where it begins?',
  dart: 'Over the breast is at least beside it; what is more is the dart. The two may be exchanged.',
  'crotch-halves': 'The two halves add up to the whole. Was the fork the same for all three?',
  'leg-heights': 'Was hip level the same for both?',
  'arc-over-girth': 'A part of the girth is less than all of it.',
  'limb-girths': 'The two may be exchanged, or one of them is wrong.',
  'knee-bent': 'Was it taken kneeling on that leg?',
  'knuckle-over-hand': 'Was it taken to the knuckle of the middle finger?',
  'worn-waist-height': 'Do the trousers ride where they are worn?',
  'both-legs': 'Round both legs is well more than round one.',
  'unlikely-together': '',
};

function saySum(
  check: CheckCode,
  [whole, ...parts]: readonly MeasurementCode[],
  facts: Extract<Suspicion['facts'], { kind: 'sum' }>,
  unit: ShownLength,
): string {
  const added = formatLength(facts.is, unit);
  const read = formatLength(facts.whole, unit);
  return `${named(parts[0]!)} and ${list(parts.slice(1).map(lower))} add up to ${added}; ${lower(whole!)} is ${read}. ${QUESTIONS[check]}`;
}

function sayDifference(
  check: CheckCode,
  [second, first]: readonly MeasurementCode[],
  facts: Extract<Suspicion['facts'], { kind: 'difference' }>,
  unit: ShownLength,
): string {
  const difference = formatLength(micrometres(Math.abs(facts.is)), unit);
  const above =
    facts.is >= 0
      ? `${named(first!)} is ${difference} more than ${lower(second!)}`
      : `${named(second!)} is ${difference} more than ${lower(first!)}`;
  return `${above}. ${QUESTIONS[check]}`;
}

function sayUnlikely({ guess }: Unlikely, unit: ShownLength): string {
  switch (guess.kind) {
    case 'exchanged':
      return `${named(guess.codes[0])} and ${lower(guess.codes[1])} do not fit together as read, but would if exchanged. Were they exchanged?`;
    case 'other-unit':
      return `${named(guess.code)} does not fit the other readings; in the other unit it would be ${formatLength(guess.meant, unit)}, which does. Was it read from the other side of the tape?`;
    case 'odd-one':
      return `${named(guess.code)} does not fit the other readings, which suggest about ${formatLength(guess.expected, unit)}. Read it again, or confirm it.`;
  }
}

function named(code: MeasurementCode): string {
  return measurement(code).name;
}

function lower(code: MeasurementCode): string {
  return measurement(code).name.toLowerCase();
}

function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

import type { FitPose } from '../garment/pose';
import type { ChartSheet } from '../chart/chart-shape';
import type { Advice, Contradiction, Shift, TryNext, Way } from './advice';
import { areaFacts } from '../garment/areas';
import { isOfLengths } from '../chart/size-chart';
import { partOfPlace } from './areas';
import { ALTERATION_WORDS } from './alterations';
import type { FitCheck, FitMove } from '../garment/fit-check';
import { sayChance } from '../match/say-verdict';
import type { LabelChance } from '../match/verdict';

/** What the wearer does while it is looked at. */
export const POSE_WORDS: Readonly<Record<FitPose, string>> = {
  standing: 'Standing',
  seated: 'Seated',
  'arms-forward': 'Arms forward',
  'arms-up': 'Arms up',
  'arms-out': 'Arms stretched out',
  squat: 'In a squat',
  kneeling: 'Kneeling',
};

/**
 * What to do where a check is not right, whatever size is on: "It pulls: a size up. It hangs like a box: a size down."
 *
 * @example sayOtherwise(jacket.sheet, fitChecksOf(jacket.sheet)[0]) // 'It pulls at the button: a size up. It hangs like a box: a size down, or take in the waist.'
 */
export function sayOtherwise(sheet: ChartSheet, { answers, otherwise }: FitCheck): string {
  if (otherwise !== null) return otherwise;
  return (
    answers
      // What lies in how somebody is built leads to no other size.
      .filter(({ ofBuild }) => ofBuild !== true)
      .map(({ says, moves }) => {
        const words = moves.map((move) => sayMove(sheet, move)).filter((one) => one !== '');
        return `${says}: ${words.length === 0 ? 'made to measure' : words.join(', or ')}.`;
      })
      .join(' ')
  );
}

/** A move on a chart, whatever size is on; nothing where the chart has no size that would help. */
function sayMove(sheet: ChartSheet, move: FitMove): string {
  if (move.does !== 'shift') return sayWay(move);
  return move.shifts
    .flatMap(({ place, by }) => {
      const part = partOfPlace(sheet, place);
      if (part === null) return [];
      const along = isOfLengths(sheet, part) ? 'length' : 'girth';
      return [sayStep({ name: sheet.parts.length === 1 ? null : part.name, by, along })];
    })
    .join(' and ');
}

/** "a size up", "a longer leg", "a smaller boot", "larger panels". */
function sayStep({ name, by, along }: Pick<Shift, 'name' | 'by' | 'along'>): string {
  const [more, less] = along === 'length' ? ['longer', 'shorter'] : ['larger', 'smaller'];
  const what = name?.toLowerCase() ?? 'size';
  if (along === 'girth' && what.startsWith('size')) return by === 1 ? 'a size up' : 'a size down';
  // A part that is called a length is not said to be a longer length.
  const called = along === 'length' ? what.replace(/ ?(length|size)$/, '') || 'one' : what;
  return `${called.endsWith('s') ? '' : 'a '}${by === 1 ? more : less} ${called}`;
}

/**
 * What may be done next, in few words.
 *
 * @example adviseFit(jacket.sheet, [{ sizes: { size: 'M' }, seen: [{ check: 'button', answer: 'small' }] }]).ways.map(sayWay) // ['try L: a size up', 'made to measure']
 */
export function sayWay(way: Way): string {
  switch (way.does) {
    case 'try':
      return `${way.again ? 'go back to' : 'try'} ${way.label}: ${way.shifts.map(sayStep).join(' and ')}`;
    case 'alter':
      return `${ALTERATION_WORDS[way.how]} the ${areaFacts(way.area).name}`;
    case 'other-part':
    case 'correct-stock':
      return way.what.charAt(0).toLowerCase() + way.what.slice(1);
    case 'made-to-measure':
      return 'made to measure';
  }
}

/**
 * That two things that were seen do not go together, and what the trade does then.
 *
 * @example sayContradiction({ name: null, along: 'girth', larger: { answer: { says: 'It pulls' } }, smaller: { answer: { says: 'It gapes' } }, on: { larger: 'M', smaller: 'L' }, rule: 'coverage' }) // 'In M “it pulls”, in L “it gapes”: no size lies between. Coverage comes before comfort: take the larger, and have a trained person check it again.'
 */
export function sayContradiction({ name, along, larger, smaller, on, rule }: Contradiction): string {
  const [more, less] = along === 'length' ? ['longer', 'shorter'] : ['larger', 'smaller'];
  const what = name === null ? '' : ` ${name.toLowerCase()}`;
  const seen = (says: string) => says.charAt(0).toLowerCase() + says.slice(1);
  const [up, down] = [seen(larger.answer.says), seen(smaller.answer.says)];
  const told =
    on === null
      ? `“${up}” asks for a ${more}${what}, “${down}” for a ${less}.`
      : `In ${on.larger} “${up}”, in ${on.smaller} “${down}”: no size lies between.`;
  const place = (fault: Contradiction['larger']) => {
    const at = fault.answer.tells?.place ?? '';
    return at.startsWith('part:') || at === ''
      ? 'rest'
      : areaFacts(at as Parameters<typeof areaFacts>[0]).name;
  };
  switch (rule) {
    case 'coverage':
      return `${told} Coverage comes before comfort: take the ${more}, and have a trained person check it again.`;
    case 'wrong-cut':
      return `${told} This cut is wrong for this wearer: use another chart, or made to measure. In doubt take ${on === null ? `the ${more} one` : on.smaller}, which covers, and have a trained person check it again.`;
    case 'larger-altered':
      return `${told} What is too large can be taken in: take the ${more}, and alter the ${place(smaller)}.`;
    case 'smaller-altered':
      return `${told} What is too small can be let out: take the ${less}, and alter the ${place(larger)}.`;
    case 'neither':
      return `${told} A tailor cannot alter either well: use another cut of this garment, or made to measure.`;
  }
}

/** The odds have to be so much better than what was advised before the difference is told. A working value of ours. */
const WORTH_TELLING = 0.2;

/**
 * That tape and trial together say another size than what was seen alone asks for; nothing where they agree, or nearly.
 * Where two things that were seen contradict each other, no size is right, and none is named.
 *
 * @param on the label that is on
 * @example sayOddsDiffer({ next: { label: 'M' }, contradictions: [] }, 'S', [{ label: 'L', chance: 0.7 }, { label: 'M', chance: 0.2 }]) // 'The checks ask for M. Tape and trial together say L (70 %): try that size, or measure again what decides between them.'
 * @example sayOddsDiffer({ next: null, contradictions: [] }, 'M', [{ label: 'L', chance: 0.7 }]) // 'Tape and trial together say L (70 %): try that size, or measure again what decides.'
 * @example sayOddsDiffer({ next: null, contradictions: [] }, 'M', [{ label: 'M', chance: 0.7 }]) // ''
 */
export function sayOddsDiffer(
  { next, contradictions }: Pick<Advice, 'contradictions'> & { readonly next: Pick<TryNext, 'label'> | null },
  on: string,
  odds: readonly LabelChance[],
): string {
  const [likeliest] = odds;
  const advised = next?.label ?? on;
  const chance = odds.find(({ label }) => label === advised)?.chance ?? 0;
  if (likeliest === undefined || contradictions.length > 0 || likeliest.label === advised) return '';
  if (likeliest.chance - chance < WORTH_TELLING) return '';
  const says = `Tape and trial together say ${likeliest.label ?? 'no size of this chart'} (${sayChance(likeliest.chance)})`;
  const otherwise = likeliest.label === null ? '' : 'try that size, or ';
  return next === null
    ? `${says}: ${otherwise}measure again what decides.`
    : `The checks ask for ${advised}. ${says}: ${otherwise}measure again what decides between them.`;
}

import { measurement } from '../body/catalogue';
import { bareUnit } from '../capture/read-reading';
import type { FitPreference, HouseRule } from '../chart/chart-shape';
import { formatDistance, formatLength, type ShownLength } from '../quantity/format-length';
import {
  decidingPart,
  type GarmentVerdict,
  type PartVerdict,
  type PlacedMeasurement,
  type Reason,
  type Verdict,
} from './verdict';
import { list } from '../words/list';

/** Each verdict as the word shown beside its glyph. */
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  settled: 'settled',
  edge: 'at an edge',
  overlap: 'more than one fits',
  between: 'between sizes',
  split: 'split',
  beyond: 'beyond the range',
  'not-made': 'not made',
  incomplete: 'incomplete',
  suspect: 'suspect',
};

/** Each house rule in a few words. */
export const RULE_WORDS: Readonly<Record<HouseRule, string>> = {
  'widest-decides': 'the widest decides',
  'key-decides': 'the key measurement decides',
  closest: 'the closest decides',
};

/** Each fit preference in a few words. */
export const PREFERENCE_WORDS: Readonly<Record<FitPreference, string>> = {
  close: 'a close fit',
  regular: 'a regular fit',
  roomy: 'a roomy fit',
};

/**
 * The reason of a verdict in one or two sentences, lengths in the reader's unit. Of a garment
 * of several parts, the part that decides is named; of a combination that is not made, what
 * is made and near.
 *
 * @example sayReason(judgeOne(docket, jacket, house), 'cm') // 'Natural waist 85 cm is inside M, 3 cm clear of its edge.'
 */
export function sayReason(
  verdict: Pick<GarmentVerdict, 'parts' | 'worst' | 'notMade' | 'assumed'>,
  unit: ShownLength,
): string {
  return `${sayWhatDecides(verdict, unit)}${sayAssumed(verdict, unit)}`;
}

/** What a verdict rests on that nobody measured. */
function sayAssumed({ assumed }: Pick<GarmentVerdict, 'assumed'>, unit: ShownLength): string {
  const said = (ones: typeof assumed) =>
    ones.map(({ code, value, give }) => {
      const shown = bareUnit(code, unit);
      const about = give === null ? '' : `, give or take ${formatLength(give, shown)}`;
      return `${measurement(code).name.toLowerCase()} (taken as ${formatLength(value, shown)}${about})`;
    });
  const idle = said(assumed.filter(({ give }) => give === null));
  const expected = said(assumed.filter(({ give }) => give !== null));
  return [
    ...(idle.length === 0
      ? []
      : [` Not measured: ${list(idle, 'and')}; no plausible value would change this.`]),
    ...(expected.length === 0
      ? []
      : [` Not measured: ${list(expected, 'and')}: an estimate, from people of similar build.`]),
  ].join('');
}

function sayWhatDecides(
  verdict: Pick<GarmentVerdict, 'parts' | 'worst' | 'notMade'>,
  unit: ShownLength,
): string {
  if (verdict.notMade !== null) {
    const { asked, nearest } = verdict.notMade;
    const near =
      nearest.length === 0 ? 'Nothing near is made either.' : `Made and nearest: ${list(nearest, 'and')}.`;
    return `${asked} is not made. ${near}`;
  }
  const part = decidingPart(verdict);
  const words = sayPartReason(part, unit);
  // A part named as its measurement needs no naming twice.
  const named = words.toLowerCase().startsWith(part.name.toLowerCase());
  return verdict.parts.length === 1 || named ? words : `${part.name}: ${uncapital(words, part)}`;
}

/**
 * The reason of one part's verdict.
 *
 * @example sayPartReason(judgeOne(docket, jacket, house).parts[0], 'cm') // 'Natural waist 85 cm is inside M, 3 cm clear of its edge.'
 */
export function sayPartReason({ reason }: Pick<PartVerdict, 'reason'>, unit: ShownLength): string {
  switch (reason.verdict) {
    case 'settled':
      return saySettled(reason, unit);
    case 'edge':
      return sayEdge(reason, unit);
    case 'overlap':
      return `${list(reason.sizes, 'and')} hold every measurement. ${sayPreferred(reason)}: ${reason.pick}.`;
    case 'between':
      return `${inOne(reason.gaps.map((one) => `${value(one, unit)} falls in the gap between ${one.below} and ${one.above}`))}. ${pick(reason)}`;
    case 'split':
      return `${capital(reason.says.map((one) => `${name(one)} says ${list(one.sizes, 'or')}`).join(', '))}. ${pick(reason)}`;
    case 'beyond':
      return sayBeyond(reason, unit);
    case 'incomplete':
      return sayIncomplete(reason);
    case 'suspect':
      return saySuspect(reason);
  }
}

/** Of lengths the shorter or the longer is recommended; of girths one fits closer than the other. */
function sayPreferred({ preference, along }: Extract<Reason, { verdict: 'overlap' }>): string {
  if (along !== 'length' || preference === 'regular') return `For ${PREFERENCE_WORDS[preference]}`;
  return `Ask the wearer; ${preference === 'close' ? 'shorter' : 'longer'} is recommended`;
}

/**
 * A chance as a whole percentage, never rounded up to certainty or down to nothing.
 *
 * @example sayChance(0.24) // '24 %'
 * @example sayChance(0.9999) // 'over 99 %'
 */
export function sayChance(chance: number): string {
  const percent = Math.round(chance * 100);
  if (percent >= 100 && chance < 1) return 'over 99 %';
  if (percent === 0 && chance > 0) return 'under 1 %';
  return `${percent} %`;
}

function saySettled(
  { size, tightest, past, leaned }: Extract<Reason, { verdict: 'settled' }>,
  unit: ShownLength,
): string {
  if (leaned !== undefined) {
    const end = leaned.preference === 'roomy' ? 'top' : 'bottom';
    return `${value(tightest, unit)} is at the ${end} of ${leaned.from}. For ${PREFERENCE_WORDS[leaned.preference]}: ${size}.`;
  }
  // By the odds hardly any reading within the tape's error leads to another size, near an edge or not.
  if (tightest.toEdge !== null && tightest.toEdge < tightest.standardError)
    return `${value(tightest, unit)} is near an edge of ${size}${sayPast(size, past)}.`;
  const clear =
    tightest.toEdge === null
      ? ''
      : `, ${formatDistance(tightest.toEdge, unitOf(tightest, unit))} clear of its edge`;
  return `${value(tightest, unit)} is inside ${size}${clear}.`;
}

/** What the kernel says just past an edge; nothing where it was not asked, in decisions of before. */
function sayPast(size: string, past: Extract<Reason, { verdict: 'settled' }>['past']): string {
  switch (past?.verdict) {
    case undefined:
      return '';
    case 'beyond':
      return '; past it, it is beyond the range';
    case 'between':
      return '; past it, it is between sizes';
    case 'split':
      return past!.size === size
        ? `; past it, the measurements ask for different sizes, and the rule still gives ${size}`
        : `; past it, the measurements ask for different sizes, and the rule gives ${past!.size ?? 'none'}`;
    default:
      return past!.size === size
        ? `; a little past it, it would still be ${size}`
        : `; past it, it would be ${past!.size}`;
  }
}

/** A value this many standard errors inside its edges is not what moves a size. */
const FAR_INSIDE = 2.5;

function sayEdge(reason: Extract<Reason, { verdict: 'edge' }>, unit: ShownLength): string {
  const { size, neighbour, chance, tightest, unmeasured } = reason;
  const { toEdge, standardError } = tightest;
  const rival = neighbour === null ? 'no size of this chart' : neighbour;
  if (unmeasured === true)
    return `${value(tightest, unit)} is inside ${size}; what was not measured makes it ${rival} in ${sayChance(chance)} of cases.`;
  const odds = `the tape’s own error makes it ${rival} in ${sayChance(chance)} of cases`;
  if (toEdge === null || toEdge > FAR_INSIDE * standardError)
    return `${value(tightest, unit)} is inside ${size}, but an underlying reading is near an edge: ${odds}.`;
  const near =
    toEdge === 0
      ? 'right on its edge'
      : `only ${formatDistance(toEdge, unitOf(tightest, unit))} from its edge`;
  return `${value(tightest, unit)} is inside ${size}, but ${near}: ${odds}.`;
}

function sayOutside(one: PlacedMeasurement, unit: ShownLength): string {
  const by = one.toEdge === null ? '' : `${formatDistance(one.toEdge, unitOf(one, unit))} `;
  return one.where === 'above'
    ? `${value(one, unit)} is ${by}past the largest size, ${one.below}`
    : `${value(one, unit)} is ${by}below the smallest size, ${one.above}`;
}

function sayBeyond(
  { outside, offScale, without }: Extract<Reason, { verdict: 'beyond' }>,
  unit: ShownLength,
): string {
  const facts = inOne([
    ...outside.map((one) => sayOutside(one, unit)),
    ...offScale.map((name) => `${name} is outside the maker’s own table`),
    ...(without === null ? [] : [`It depends on the size of the ${without.toLowerCase()}, which has none`]),
  ]);
  return `${facts}. Next: made to measure.`;
}

function saySuspect({ suspects, requirement }: Extract<Reason, { verdict: 'suspect' }>): string {
  const names = list(
    suspects.map((code) => measurement(code).name.toLowerCase()),
    'and',
  );
  const why = requirement === null ? '' : `${capital(requirement)}. `;
  return `${why}To measure again${requirement === null ? ' or confirmed' : ''}: ${names}.`;
}

function sayIncomplete({ missing, possible, waitsFor }: Extract<Reason, { verdict: 'incomplete' }>): string {
  const left = possible.length <= 4 ? `Left: ${list(possible, 'or')}.` : `${possible.length} sizes are left.`;
  if (missing.length === 0)
    return `It depends on the size of the ${(waitsFor ?? 'part before').toLowerCase()}, which is not known yet. ${left}`;
  const names = list(
    missing.map((code) => measurement(code).name.toLowerCase()),
    'and',
  );
  return `Still to measure: ${names}. ${left}`;
}

function pick({ rule, pick: size }: { readonly rule: HouseRule; readonly pick: string | null }): string {
  return size === null
    ? `By ${RULE_WORDS[rule].replace(' decides', '')} there is no size.`
    : `${capital(RULE_WORDS[rule])}: ${size}.`;
}

function value(one: PlacedMeasurement, unit: ShownLength): string {
  const estimate =
    one.estimatedFrom === null ? '' : one.estimatedFrom === one.code ? ' (not measured)' : ' (an estimate)';
  return `${one.name} ${formatLength(one.value, unitOf(one, unit))}${estimate}`;
}

/**
 * The unit something is told in: the reader's, of a foot always millimetres.
 *
 * @example unitOf({ foot: true }, 'in/8') // 'mm'
 */
export function unitOf({ foot }: { readonly foot: boolean }, unit: ShownLength): ShownLength {
  return foot ? 'mm' : unit;
}

function name(one: PlacedMeasurement): string {
  return one.name.toLowerCase();
}

/** Behind the name of a part a sentence goes on small, unless it begins with a size. */
function uncapital(text: string, { reason }: PartVerdict): string {
  return reason.verdict === 'overlap' ? text : text.charAt(0).toLowerCase() + text.slice(1);
}

/** Facts in one sentence: each begins with a measurement's name, which only the first writes large. */
function inOne(facts: readonly string[]): string {
  return facts.map((fact, at) => (at === 0 ? fact : fact.charAt(0).toLowerCase() + fact.slice(1))).join('; ');
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

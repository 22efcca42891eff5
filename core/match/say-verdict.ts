import { measurement } from '../body/catalogue';
import type { FitPreference, HouseRule } from '../chart/size-chart';
import { formatLength } from '../quantity/format-length';
import type { WorkingUnit } from '../quantity/length';
import type { GarmentVerdict, PlacedMeasurement, Reason, Verdict } from './verdict';

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
};

/** Each fit preference in a few words. */
export const PREFERENCE_WORDS: Readonly<Record<FitPreference, string>> = {
  close: 'a close fit',
  regular: 'a regular fit',
  roomy: 'a roomy fit',
};

/** The reason of a verdict in one or two sentences, lengths in the reader's unit. */
export function sayReason({ reason }: Pick<GarmentVerdict, 'reason'>, unit: WorkingUnit): string {
  switch (reason.verdict) {
    case 'settled':
      return saySettled(reason, unit);
    case 'edge':
      return sayEdge(reason, unit);
    case 'overlap':
      return `${list(reason.sizes, 'and')} hold every measurement. For ${PREFERENCE_WORDS[reason.preference]}: ${reason.pick}.`;
    case 'between':
      return `${reason.gaps.map((one) => `${value(one, unit)} falls in the gap between ${one.below} and ${one.above}`).join('; ')}. ${pick(reason)}`;
    case 'split':
      return `${capital(reason.says.map((one) => `${name(one)} says ${list(one.sizes, 'or')}`).join(', '))}. ${pick(reason)}`;
    case 'beyond':
      return `${reason.outside.map((one) => sayOutside(one, unit)).join('; ')}. Made to measure is the way on.`;
    case 'incomplete':
      return sayIncomplete(reason);
    case 'suspect':
      return `To be read again or confirmed: ${list(
        reason.suspects.map((code) => measurement(code).name.toLowerCase()),
        'and',
      )}.`;
  }
}

/** A chance as a whole percentage, never rounded up to certainty or down to nothing. */
export function sayChance(chance: number): string {
  const percent = Math.round(chance * 100);
  if (percent >= 100 && chance < 1) return 'over 99 %';
  if (percent === 0 && chance > 0) return 'under 1 %';
  return `${percent} %`;
}

function saySettled({ size, tightest }: Extract<Reason, { verdict: 'settled' }>, unit: WorkingUnit): string {
  // A settled size near an edge is one that the rule and the other measurements hold in place.
  if (tightest.toEdge !== null && tightest.toEdge < tightest.standardError)
    return `${value(tightest, unit)} is near an edge of ${size}, but the other measurements hold the size.`;
  const clear = tightest.toEdge === null ? '' : `, ${formatLength(tightest.toEdge, unit)} clear of its edge`;
  return `${value(tightest, unit)} lies inside ${size}${clear}.`;
}

function sayEdge(reason: Extract<Reason, { verdict: 'edge' }>, unit: WorkingUnit): string {
  const { size, neighbour, chance, tightest } = reason;
  const near =
    tightest.toEdge === null
      ? 'near its edge'
      : tightest.toEdge === 0
        ? 'right on its edge'
        : `only ${formatLength(tightest.toEdge, unit)} from its edge`;
  const rival = neighbour === null ? 'no size of this chart' : neighbour;
  return `${value(tightest, unit)} lies inside ${size}, but ${near}: the tape’s own error makes it ${rival} in ${sayChance(chance)} of cases.`;
}

function sayOutside(one: PlacedMeasurement, unit: WorkingUnit): string {
  const by = one.toEdge === null ? '' : `${formatLength(one.toEdge, unit)} `;
  return one.where === 'above'
    ? `${value(one, unit)} is ${by}past the largest size, ${one.below}`
    : `${value(one, unit)} is ${by}below the smallest size, ${one.above}`;
}

function sayIncomplete({ missing, possible }: Extract<Reason, { verdict: 'incomplete' }>): string {
  const names = list(
    missing.map((code) => measurement(code).name.toLowerCase()),
    'and',
  );
  const left = possible.length <= 4 ? `Left: ${list(possible, 'or')}.` : `${possible.length} sizes are left.`;
  return `Still to measure: ${names}. ${left}`;
}

function pick({ rule, pick: size }: { readonly rule: HouseRule; readonly pick: string | null }): string {
  return size === null
    ? `By ${RULE_WORDS[rule].replace(' decides', '')} there is no size.`
    : `${capital(RULE_WORDS[rule])}: ${size}.`;
}

function value(one: PlacedMeasurement, unit: WorkingUnit): string {
  return `${measurement(one.code).name} ${formatLength(one.value, unit)}`;
}

function name(one: PlacedMeasurement): string {
  return measurement(one.code).name.toLowerCase();
}

function list(words: readonly string[], last: 'and' | 'or'): string {
  return words.length <= 1 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)!}`;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

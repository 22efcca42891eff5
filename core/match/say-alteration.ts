import { measurement } from '../body/catalogue';
import { CLOTHING_WORDS, TENSION_WORDS } from '../body/plan';
import { formatDistance, formatLength, formatNumber } from '../quantity/format-length';
import type { WorkingUnit } from '../quantity/length';
import { unitOf } from './say-verdict';
import type { Alteration, PartVerdict, TakenOtherwise } from './verdict';

const DOES: Readonly<Record<Alteration['does'], string>> = {
  'take-in': 'take in',
  'let-out': 'let out',
  shorten: 'shorten',
  lengthen: 'lengthen',
};

/** What has to be altered, by how much, and what the size holds: "take in the waist by 3 cm; L holds 86 to 94 cm". */
export function sayAlteration(alteration: Alteration, size: string, reader: WorkingUnit): string {
  const { does, name, by, holds } = alteration;
  const unit = unitOf(alteration, reader);
  const { lower, upper } = holds;
  const range =
    lower !== null && upper !== null
      ? `${formatNumber(lower, unit)} to ${formatLength(upper, unit)}`
      : lower !== null
        ? `${formatLength(lower, unit)} and more`
        : upper !== null
          ? `up to ${formatLength(upper, unit)}`
          : 'anything';
  return `${DOES[does]} the ${name.toLowerCase()} by ${formatLength(by, unit)}; ${size} holds ${range}`;
}

/** How little would make it another size; `null` where the verdict has no single size or nothing near. */
export function sayChange({ reason, placements, sizes }: PartVerdict, unit: WorkingUnit): string | null {
  if (reason.verdict !== 'settled' && reason.verdict !== 'edge') return null;
  const { tightest, size } = reason;
  if (tightest.toEdge === null || tightest.toEdge === 0) return null;
  const at = sizes.indexOf(size);
  const other = reason.verdict === 'edge' ? reason.neighbour : null;
  const neighbours = [sizes[at - 1], sizes[at + 1]].filter(Boolean).join(' or ');
  const into = other ?? (neighbours === '' ? 'no size of this chart' : neighbours);
  const alone = placements.length === 1 ? '' : ', with the rest as it is,';
  return `${formatDistance(tightest.toEdge, unitOf(tightest, unit))} on the ${tightest.name.toLowerCase()}${alone} would make it ${into}.`;
}

/** A measurement that was taken otherwise than the chart wants it. */
export function sayTakenOtherwise({ code, wanted, taken }: TakenOtherwise): string {
  const said = (way: TakenOtherwise['wanted'], other: TakenOtherwise['wanted']) =>
    [
      wanted.tension !== null && way.tension !== null && way.tension !== other.tension
        ? TENSION_WORDS[way.tension]
        : '',
      wanted.clothing !== null && way.clothing !== null && way.clothing !== other.clothing
        ? CLOTHING_WORDS[way.clothing]
        : '',
    ]
      .filter(Boolean)
      .join(', ');
  return `${measurement(code).name} was taken ${said(taken, wanted)}; this chart wants it ${said(wanted, taken)}. Nothing was converted: measure again, or judge with that in mind.`;
}

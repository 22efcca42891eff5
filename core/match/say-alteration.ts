import { measurement } from '../body/catalogue';
import { CLOTHING_WORDS, TENSION_WORDS } from '../body/say-plan';
import { formatDistance, formatLength, formatNumber, type ShownLength } from '../quantity/format-length';
import { unitOf } from './say-verdict';
import type { CountedAs, Alteration, PartVerdict, TakenOtherwise } from './verdict';

const DOES: Readonly<Record<Alteration['does'], string>> = {
  'take-in': 'take in',
  'let-out': 'let out',
  shorten: 'shorten',
  lengthen: 'lengthen',
  'too-large': 'too large',
  'too-small': 'too small',
  'too-long': 'too long',
  'too-short': 'too short',
};

/**
 * What has to be altered, by how much, and what the size holds: "take in the waist by 3 cm; L holds 86 to 94 cm".
 *
 * @example sayAlteration({ code: 'waist-girth', name: 'Waist', foot: false, does: 'take-in', by: cm(3), holds: { lower: cm(86), upper: cm(94) } }, 'L', 'cm') // 'take in the waist by 3 cm; L holds 86 to 94 cm'
 */
export function sayAlteration(alteration: Alteration, size: string, reader: ShownLength): string {
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
  const holding = `${size} holds ${range}`;
  if (by === 0) return `the ${name.toLowerCase()} is right on the edge of ${size}; ${holding}`;
  return does.startsWith('too-')
    ? `${size} is ${formatLength(by, unit)} ${DOES[does]} in the ${name.toLowerCase()}; ${holding}`
    : `${DOES[does]} the ${name.toLowerCase()} by ${formatLength(by, unit)}; ${holding}`;
}

/**
 * The same in few words, for where it stands beneath its size: `let out 3 cm`.
 *
 * @example sayAlterationShort({ code: 'waist-girth', name: 'Waist', foot: false, does: 'let-out', by: cm(3), holds: { lower: cm(86), upper: cm(94) } }, 'cm') // 'let out 3 cm'
 */
export function sayAlterationShort(alteration: Alteration, reader: ShownLength): string {
  if (alteration.by === 0) return 'on its edge';
  const by = formatLength(alteration.by, unitOf(alteration, reader));
  return alteration.does.startsWith('too-')
    ? `${by} ${DOES[alteration.does]}`
    : `${DOES[alteration.does]} ${by}`;
}

/**
 * How little would make it another size; `null` where it has no single size or nothing is near.
 *
 * @example sayChange(judgeOne(docket, jacket, house).parts[0], 'cm') // '3.8 cm more on the chest, with the rest as it is, would make it L.'
 */
export function sayChange(
  { change, placements }: Pick<PartVerdict, 'change' | 'placements'>,
  unit: ShownLength,
): string | null {
  if (change === null) return null;
  const alone = placements.length === 1 ? '' : ', with the rest as it is,';
  const by = `${formatDistance(change.by, unitOf(change, unit))} ${change.towards}`;
  return `${by} on the ${change.name.toLowerCase()}${alone} would make it ${change.into ?? 'no size of this chart'}.`;
}

/**
 * A measurement that counts at what was read for another.
 *
 * @example sayCountedAs({ code: 'hip-girth', from: 'high-hip-girth', value: cm(104) }, 'cm').slice(0, 44) // 'High hip, 104 cm, is fuller than the hip and'
 */
export function sayCountedAs({ code, from, value }: CountedAs, unit: ShownLength): string {
  const [own, other] = [measurement(code).name.toLowerCase(), measurement(from).name];
  return `${other}, ${formatLength(value, unit)}, is fuller than the ${own} and replaces it: of two fullnesses the larger decides.`;
}

/**
 * A measurement that was taken otherwise than the chart wants it.
 *
 * @example sayTakenOtherwise({ code: 'chest-girth', wanted: { tension: 'snug', clothing: null }, taken: { tension: 'two-fingers', clothing: null } }) // 'Chest was taken two fingers beneath the tape; this chart asks for it snug. Nothing was converted: measure again, or allow for the difference.'
 */
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
  return `${measurement(code).name} was taken ${said(taken, wanted)}; this chart asks for it ${said(wanted, taken)}. Nothing was converted: measure again, or allow for the difference.`;
}

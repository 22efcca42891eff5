import { measurement } from '../body/catalogue';
import { VERDICT_WORDS } from '../match/say-verdict';
import type { Verdict } from '../match/verdict';
import { formatLength, shownIn } from '../quantity/format-length';
import { type WorkingUnit } from '../quantity/length';
import { type SampleWearer } from './three-wearers';

/** Verdicts of which the size is all there is to say. */
const PLAIN: readonly Verdict[] = ['settled', 'edge', 'overlap'];

/** As many of what they measure are told. */
const TOLD = 4;

/**
 * What a sample wearer gets, in a sentence.
 *
 * @example sayWearer({ build: 'middle', values: [{ code: 'chest-girth', value: cm(96) }], verdict: 'settled', proposed: 'M' }, 'cm') // 'A wearer of chest 96 cm gets M.'
 */
export function sayWearer({ values, verdict, proposed }: SampleWearer, unit: WorkingUnit): string {
  const told = values
    .slice(0, TOLD)
    .map(({ code, value }) => {
      const foot = /^foot-/.test(code);
      return `${measurement(code).name.toLowerCase()} ${formatLength(value, foot ? 'mm' : shownIn(unit, 8))}`;
    })
    .join(', ');
  const gets =
    proposed === null
      ? `gets no size: ${VERDICT_WORDS[verdict]}`
      : `gets ${proposed}${PLAIN.includes(verdict) ? '' : `, ${VERDICT_WORDS[verdict]}`}`;
  return `A wearer of ${told} ${gets}.`;
}

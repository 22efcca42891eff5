import { measurement } from '../body/catalogue';
import { markWords } from '../body/chains';
import { formatLength, type ShownLength } from '../quantity/format-length';
import { type OffMark } from './off-mark';

/**
 * The question in a sentence, with what to do.
 *
 * @example sayOffMark({ code: 'shoulder-to-underbust', before: 'shoulder-to-bust', is: cm(2), least: cm(3), most: cm(15) }, 'cm') // 'Shoulder to underbust lies 2 cm beyond bust point; 3 cm to 15 cm beyond it is usual. Read it again.'
 */
export function sayOffMark({ code, before, is, least, most }: OffMark, unit: ShownLength): string {
  const [own, other] = [measurement(code).name, markWords(before)];
  const range = `${formatLength(least, unit)} to ${formatLength(most, unit)} beyond it`;
  return is < least && is <= 0
    ? `${own} is not beyond the mark before it, ${other}. Each mark is read from where the tape is held: read it again.`
    : `${own} lies ${formatLength(is, unit)} beyond ${other}; ${range} is usual. Read it again.`;
}

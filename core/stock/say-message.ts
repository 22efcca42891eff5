import { sayDay } from '../words/days';
import type { MakerMessage } from './order-sheet';

/**
 * What a maker says, in words.
 *
 * @example sayMessage({ says: 'acknowledged', promised: '2026-05-20' }, () => 'M') // 'Order confirmed, promised for 20 May 2026.'
 */
export function sayMessage(message: MakerMessage, labelOfLine: (line: number) => string): string {
  switch (message.says) {
    case 'acknowledged':
      return `Order confirmed, promised for ${sayDay(message.promised)}.`;
    case 'back-ordered':
      return `${message.count} of ${labelOfLine(message.line)} is on backorder until ${sayDay(message.until)}.`;
    case 'substituted':
      return `Sends ${message.label} instead of ${message.count} of ${labelOfLine(message.line)}.`;
    case 'late':
      return `Delayed, now promised for ${sayDay(message.promised)}.`;
    case 'despatched':
      return `Parcel ${message.parcel} is on its way: ${message.holds.map(({ line, count }) => `${count} for ${labelOfLine(line)}`).join(', ')}.`;
  }
}

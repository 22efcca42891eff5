import { sayDay } from '../words/days';
import { type PieceStanding } from './keeping';

/**
 * How a piece stands, in words; nothing where it is fine.
 *
 * @example sayStanding({ code: 'ends-soon', on: '2026-06-30' }) // 'May be used until 30 Jun 2026, says its maker.'
 */
export function sayStanding(standing: PieceStanding): string {
  switch (standing.code) {
    case 'fine':
      return '';
    case 'ends-soon':
      return `May be used until ${sayDay(standing.on)}, says its maker.`;
    case 'inspection-soon':
      return `Inspection due by ${sayDay(standing.on)}.`;
    case 'ended':
      return `Past its last day of use, ${sayDay(standing.on)}. Do not hand it out.`;
    case 'end-unknown':
      return 'The date of manufacture is unknown and its life is limited. Enter the date before handing it out.';
    case 'inspection-due':
      return `Its inspection was due by ${sayDay(standing.on)}. Inspect it before handing it out.`;
    case 'inspection-failed':
      return `It failed its inspection of ${sayDay(standing.on)}. It must pass one before it is handed out.`;
  }
}

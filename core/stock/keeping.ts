import { garmentKind, type GarmentKind } from '../garment/kinds';
import { addMonths, daysFrom } from '../words/days';

/** How a house keeps one garment in its stores. */
export interface Keeping {
  /** Every piece has a number of its own: what is hired out, and what ends or is inspected. */
  readonly numbered: boolean;
  /** How long a piece may be used after it was made, in months, by its maker; `null` where it has no end. */
  readonly lifeMonths: number | null;
  /** After how many months a piece is inspected again; `null` where it is not. */
  readonly inspectMonths: number | null;
  /** Days for cleaning and drying after a hire, before it goes out again. */
  readonly dryingDays: number;
  /** Of every hundred that are ordered, so many more, and at least so many. */
  readonly sparePercent: number;
  readonly spareLeast: number;
}

/** How a garment is kept while nobody has said it: counted, without an end, spares or days to dry. */
export const PLAIN_KEEPING: Keeping = {
  numbered: false,
  lifeMonths: null,
  inspectMonths: null,
  dryingDays: 0,
  sparePercent: 0,
  spareLeast: 0,
};

/**
 * How a garment of a kind is kept where the house has said nothing yet. What protects or is hired wet has
 * numbers; how long it may be used is its maker's to say, so nothing is taken for granted of that.
 *
 * @example usualKeeping('dry-suit').dryingDays // 2
 */
export function usualKeeping(kind: GarmentKind): Keeping {
  const { numbered, dryingDays } = garmentKind(kind);
  return { ...PLAIN_KEEPING, numbered, dryingDays };
}

/** What is known of one numbered piece. */
export interface PieceFacts {
  /** When it was made; `null` where nobody knows. */
  readonly made: string | null;
  /** The last day by the maker's own mark, which goes before what is reckoned. */
  readonly goodUntil: string | null;
  readonly received: string;
  /** The last inspection, and whether it passed. */
  readonly inspected: { readonly on: string; readonly passed: boolean } | null;
}

/** How a piece stands on a day. */
export type PieceStanding =
  | { readonly code: 'fine' }
  | { readonly code: 'ends-soon' | 'inspection-soon'; readonly on: string }
  /** Past what its maker allows, or past its inspection. */
  | { readonly code: 'ended' | 'inspection-due'; readonly on: string }
  /** Its life has an end, and nobody knows when it was made. */
  | { readonly code: 'end-unknown' }
  | { readonly code: 'inspection-failed'; readonly on: string };

/** So many days before it happens it is said. */
export const SOON_DAYS = { end: 60, inspection: 30 } as const;

/**
 * The last day a piece may be used: its maker's mark, or reckoned from when it was made; `null` where there is none, or none is known.
 *
 * @example lastDayOf({ ...PLAIN_KEEPING, lifeMonths: 60 }, { made: '2024-03-01', goodUntil: null, received: '2024-04-01', inspected: null }) // '2029-03-01'
 */
export function lastDayOf(keeping: Keeping, { made, goodUntil }: PieceFacts): string | null {
  if (goodUntil !== null) return goodUntil;
  return keeping.lifeMonths === null || made === null ? null : addMonths(made, keeping.lifeMonths);
}

/**
 * The day by which a piece is inspected next; `null` where it is not.
 *
 * @example inspectedBy({ ...PLAIN_KEEPING, inspectMonths: 12 }, { received: '2025-06-01', inspected: null }) // '2026-06-01'
 */
export function inspectedBy({ inspectMonths }: Keeping, { inspected, received }: PieceFacts): string | null {
  return inspectMonths === null ? null : addMonths(inspected?.on ?? received, inspectMonths);
}

/**
 * How a piece stands on a day, the gravest first.
 *
 * @example standingOfPiece({ ...PLAIN_KEEPING, lifeMonths: 60 }, { made: null, goodUntil: null, received: '2024-04-01', inspected: null }, '2026-05-04').code // 'end-unknown'
 */
export function standingOfPiece(keeping: Keeping, piece: PieceFacts, today: string): PieceStanding {
  const ends = lastDayOf(keeping, piece);
  if (ends !== null && ends < today) return { code: 'ended', on: ends };
  if (ends === null && keeping.lifeMonths !== null) return { code: 'end-unknown' };
  if (piece.inspected?.passed === false) return { code: 'inspection-failed', on: piece.inspected.on };
  const due = inspectedBy(keeping, piece);
  if (due !== null && due < today) return { code: 'inspection-due', on: due };
  if (ends !== null && daysFrom(today, ends) <= SOON_DAYS.end) return { code: 'ends-soon', on: ends };
  if (due !== null && daysFrom(today, due) <= SOON_DAYS.inspection)
    return { code: 'inspection-soon', on: due };
  return { code: 'fine' };
}

/**
 * Whether a piece is not handed to anybody as it stands.
 *
 * @example isBlocked({ code: 'end-unknown' }) // true
 */
export function isBlocked({ code }: PieceStanding): boolean {
  return (
    code === 'ended' || code === 'end-unknown' || code === 'inspection-due' || code === 'inspection-failed'
  );
}

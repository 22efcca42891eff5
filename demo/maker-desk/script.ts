import { createHash } from 'node:crypto';
import { addDays, type MakerMessage, type OrderSheet } from '@neat-measure/core/stock';

/** What can become of a line at the desk. */
export const FATES = ['prompt', 'in-parts', 'back-ordered', 'late', 'substituted', 'wrong-size'] as const;
export type Fate = (typeof FATES)[number];

/** Each in words. */
export const FATE_WORDS: Readonly<Record<Fate, string>> = {
  prompt: 'arrives as promised',
  'in-parts': 'arrives in two parcels',
  'back-ordered': 'is on backorder',
  late: 'comes late',
  substituted: 'is replaced by another size',
  'wrong-size': 'another size is packed by mistake',
};

/** An order as the desk has it. */
export interface DeskOrder {
  readonly sheet: OrderSheet;
  /** The day it came, by the desk's own calendar. */
  readonly on: string;
  /** By the number of the line. */
  readonly fates: Readonly<Record<string, Fate>>;
}

/** What lies in a parcel, as somebody who opens it finds it: not always what its note says. */
export interface Parcel {
  readonly parcel: string;
  readonly on: string;
  readonly holds: readonly {
    readonly line: number;
    readonly garment: string;
    readonly label: string;
    readonly code: string;
    readonly count: number;
    readonly serials: readonly string[];
  }[];
}

/**
 * What the script has for a line: by the seed, the garment and the size, so that the same is always the same.
 * Most comes as promised.
 */
export function fateOf(seed: string, { garment, label }: OrderSheet['lines'][number]): Fate {
  const byte = createHash('sha256')
    .update(JSON.stringify([seed, garment, label]))
    .digest()[0]!;
  return byte < 140 ? 'prompt' : FATES[1 + (byte % (FATES.length - 1))]!;
}

/** Days after an order came on which things happen. */
const DAYS = { promised: 3, first: 2, second: 4, said: 1, backOrdered: 8, late: 6 } as const;

const LETTERS = ['XS', 'S', 'M', 'L', 'XL', 'XXL'];

/** A size beside one, as far as the desk knows any: by letters, or one that was ordered of the same garment. */
export function besideOf(sheet: OrderSheet, { garment, label }: OrderSheet['lines'][number]): string | null {
  const at = LETTERS.indexOf(label);
  if (at >= 0) return LETTERS[at === LETTERS.length - 1 ? at - 1 : at + 1]!;
  return sheet.lines.find((one) => one.garment === garment && one.label !== label)?.label ?? null;
}

interface Told {
  readonly on: string;
  readonly message: MakerMessage extends infer One
    ? One extends MakerMessage
      ? Omit<One, 'place' | 'on'>
      : never
    : never;
}

/**
 * Everything the desk has said of an order by a day, the oldest first, with the same places whenever it is asked.
 */
export function messagesOf(order: DeskOrder, today: string): MakerMessage[] {
  const { sheet, on } = order;
  const told: Told[] = [{ on, message: { says: 'acknowledged', promised: addDays(on, DAYS.promised) } }];
  for (const line of sheet.lines) {
    const fate = standingFate(order, line);
    if (fate === 'back-ordered')
      told.push({
        on: addDays(on, DAYS.said),
        message: {
          says: 'back-ordered',
          line: line.line,
          count: line.count,
          until: addDays(on, DAYS.backOrdered),
        },
      });
    if (fate === 'substituted')
      told.push({
        on: addDays(on, DAYS.said),
        message: { says: 'substituted', line: line.line, count: line.count, label: besideOf(sheet, line)! },
      });
  }
  if (sheet.lines.some((line) => standingFate(order, line) === 'late'))
    told.push({
      on: addDays(on, DAYS.promised),
      message: { says: 'late', promised: addDays(on, DAYS.late) },
    });
  for (const parcel of parcelsOf(order, today))
    told.push({
      on: parcel.on,
      message: {
        says: 'despatched',
        parcel: parcel.parcel,
        holds: parcel.holds.map(({ line, count, serials }) => ({
          line,
          count,
          pieces: serials.map((serial) => ({ serial, made: addDays(on, -30) })),
        })),
      },
    });
  return told
    .filter((one) => one.on <= today)
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
    .map((one, at) => ({ ...one.message, place: at + 1, on: one.on }) as MakerMessage);
}

/** A fate that needs another size is none where the desk knows no other. */
function standingFate({ sheet, fates }: DeskOrder, line: OrderSheet['lines'][number]): Fate {
  const fate = fates[String(line.line)] ?? 'prompt';
  if (fate === 'in-parts' && line.count < 2) return 'prompt';
  const needsAnother = fate === 'substituted' || fate === 'wrong-size';
  return needsAnother && besideOf(sheet, line) === null ? 'prompt' : fate;
}

/** The parcels that have left by a day, with what really lies in them. */
export function parcelsOf(order: DeskOrder, today: string): Parcel[] {
  const { sheet, on } = order;
  const byDay = new Map<number, Parcel['holds'][number][]>();
  const put = (
    day: number,
    line: OrderSheet['lines'][number],
    count: number,
    from: number,
    label = line.label,
  ) => {
    const serials = line.numbered
      ? Array.from({ length: count }, (_, at) => `${sheet.number}-${line.line}-${from + at + 1}`)
      : [];
    const held = { line: line.line, garment: line.garment, label, code: line.code, count, serials };
    byDay.set(day, [...(byDay.get(day) ?? []), held]);
  };
  for (const line of sheet.lines) {
    const other = besideOf(sheet, line) ?? line.label;
    switch (standingFate(order, line)) {
      case 'prompt':
        put(DAYS.first, line, line.count, 0);
        break;
      case 'in-parts': {
        const half = Math.floor(line.count / 2);
        put(DAYS.first, line, half, 0);
        put(DAYS.second, line, line.count - half, half);
        break;
      }
      case 'back-ordered':
        put(DAYS.backOrdered, line, line.count, 0);
        break;
      case 'late':
        put(DAYS.late, line, line.count, 0);
        break;
      case 'substituted':
      case 'wrong-size':
        put(DAYS.first, line, line.count, 0, other);
    }
  }
  return [...byDay]
    .sort(([a], [b]) => a - b)
    .map(([day, holds]) => ({ parcel: `P${sheet.number}-${day}`, on: addDays(on, day), holds }))
    .filter((parcel) => parcel.on <= today);
}

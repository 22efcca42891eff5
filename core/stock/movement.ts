/** Where in a store room something lies: to be handed out, to be dried first, set aside to be looked at, or reserved for somebody. */
export const COMPARTMENTS = ['shelf', 'drying', 'quarantine', 'reserved'] as const;
export type Compartment = (typeof COMPARTMENTS)[number];
/** Those that anybody puts things into. What is reserved is so for a docket, and goes there and from there by that. */
export const OPEN_COMPARTMENTS = ['shelf', 'drying', 'quarantine'] as const satisfies Compartment[];
export type OpenCompartment = (typeof OPEN_COMPARTMENTS)[number];

/** Where something is: in a compartment of a room, or outside the stores. */
export type Whereabouts =
  | { readonly in: 'room'; readonly roomId: string; readonly compartment: Compartment }
  | { readonly in: 'maker' }
  | { readonly in: 'wearer' }
  | { readonly in: 'waste' }
  /** What a count found too much, or missed. */
  | { readonly in: 'difference' }
  /** On its way to another label, where a chart calls a size otherwise now. */
  | { readonly in: 'renaming' };

/** What can happen to things in stores, each from somewhere to somewhere. */
export const MOVEMENT_KINDS = [
  'received',
  'issued',
  'returned',
  'moved',
  'released',
  'written-off',
  'counted',
  'undone',
  'renamed',
] as const;
export type MovementKind = (typeof MOVEMENT_KINDS)[number];

/** Some pieces of one article that went from somewhere to somewhere. The list of them is the stock: nothing is overwritten. */
export interface Movement {
  readonly id: string;
  readonly kind: MovementKind;
  /** The article's own id. */
  readonly articleId: string;
  readonly from: Whereabouts;
  readonly to: Whereabouts;
  readonly count: number;
  /** Which piece, of those that are numbered; a movement of one is of one piece. */
  readonly pieceId: string | null;
  /** Why: of what is written off, and of what a count found otherwise. */
  readonly reason: string | null;
}

/** Why a movement is not let in, as data. */
export type MovementRefusal =
  | { readonly code: 'no-count' }
  /** Its kind does not go from there to there. */
  | { readonly code: 'other-way'; readonly kind: MovementKind }
  | { readonly code: 'nowhere' }
  | { readonly code: 'reason-missing' }
  /** What was set aside goes back to a shelf once somebody says what was found. */
  | { readonly code: 'not-looked-at' }
  /** So many are there. */
  | { readonly code: 'too-few'; readonly there: number }
  /** So many went out that way; what went out by a docket comes back by it. */
  | { readonly code: 'not-out'; readonly there: number };

const shelf = (where: Whereabouts) => where.in === 'room' && where.compartment === 'shelf';
const aside = (where: Whereabouts) => where.in === 'room' && where.compartment !== 'shelf';
const room = (where: Whereabouts) => where.in === 'room';
const compartmentOf = (where: Whereabouts) => (where.in === 'room' ? where.compartment : null);
const reserved = (where: Whereabouts) => where.in === 'room' && where.compartment === 'reserved';
const held = (where: Whereabouts) => room(where) || where.in === 'wearer';

/** From where to where each kind goes. */
const WAYS: Readonly<Record<MovementKind, (from: Whereabouts, to: Whereabouts) => boolean>> = {
  received: (from, to) => from.in === 'maker' && room(to),
  issued: (from, to) => (shelf(from) || reserved(from)) && to.in === 'wearer',
  returned: (from, to) => from.in === 'wearer' && ((room(to) && !reserved(to)) || to.in === 'waste'),
  // From one room to another it stays what it is: nothing that was set aside, or is wet, gets onto a shelf so.
  moved: (from, to) =>
    room(from) &&
    room(to) &&
    (compartmentOf(from) === compartmentOf(to) ||
      // Reserved is what could be handed out as well.
      (reserved(to) ? shelf(from) : compartmentOf(to) !== 'shelf')),
  released: (from, to) => aside(from) && shelf(to),
  'written-off': (from, to) => room(from) && to.in === 'waste',
  // A slip of the hand, corrected at once: what was handed out, or taken back, was not.
  undone: (from, to) =>
    (from.in === 'wearer' && (shelf(to) || reserved(to))) ||
    ((room(from) || from.in === 'waste') && to.in === 'wearer'),
  renamed: (from, to) => (held(from) && to.in === 'renaming') || (from.in === 'renaming' && held(to)),
  counted: (from, to) => (from.in === 'difference' && room(to)) || (room(from) && to.in === 'difference'),
};

/**
 * Why a movement cannot be; `null` where it can. Nothing leaves a place where it is not: that holds for
 * rooms, and for wearers as far as it went out to them; nobody counts what makers and the waste have.
 *
 * @param there how many pieces of the article are where it goes from
 * @example refuseMovement({ kind: 'issued', from: loft, to: { in: 'wearer' }, count: 2, reason: null }, 1) // { code: 'too-few', there: 1 }
 */
export function refuseMovement(
  { kind, from, to, count, reason }: Omit<Movement, 'id' | 'articleId' | 'pieceId'>,
  there: number,
): MovementRefusal | null {
  if (!Number.isInteger(count) || count < 1) return { code: 'no-count' };
  if (!WAYS[kind](from, to)) return { code: 'other-way', kind };
  if (placeKey(from) === placeKey(to)) return { code: 'nowhere' };
  if ((kind === 'written-off' || kind === 'counted') && reason === null) return { code: 'reason-missing' };
  // Neither onto a shelf nor among what dries, from where it would get onto one without a word.
  const looked = compartmentOf(from) !== 'quarantine' || compartmentOf(to) === 'quarantine';
  if ((kind === 'released' || kind === 'moved') && !looked && reason === null)
    return { code: 'not-looked-at' };
  if (kind === 'returned' && there < count) return { code: 'not-out', there };
  return room(from) && there < count ? { code: 'too-few', there } : null;
}

/**
 * The place that a text of `placeKey` stands for.
 *
 * @example placeOf(placeKey({ in: 'maker' })) // { in: 'maker' }
 */
export function placeOf(key: string): Whereabouts {
  const [roomId, compartment] = key.split('/');
  return compartment === undefined
    ? { in: key as Exclude<Whereabouts['in'], 'room'> }
    : { in: 'room', roomId: roomId!, compartment: compartment as Compartment };
}

/**
 * One text for one place.
 *
 * @example placeKey({ in: 'wearer' }) // 'wearer'
 */
export function placeKey(where: Whereabouts): string {
  return where.in === 'room' ? `${where.roomId}/${where.compartment}` : where.in;
}

/**
 * How many pieces of each article are where, by article and place: sums of the list, and of nothing else.
 *
 * @example balances(movements).get('gloves-9').get(placeKey(loft)) // 3
 */
export function balances(movements: readonly Movement[]): ReadonlyMap<string, ReadonlyMap<string, number>> {
  const found = new Map<string, Map<string, number>>();
  for (const { articleId, from, to, count } of movements) {
    const own = found.get(articleId) ?? new Map<string, number>();
    found.set(articleId, own);
    own.set(placeKey(from), (own.get(placeKey(from)) ?? 0) - count);
    own.set(placeKey(to), (own.get(placeKey(to)) ?? 0) + count);
  }
  return found;
}

/**
 * How many pieces of an article are at a place.
 *
 * @example countAt(movements, 'gloves-9', loft) // 3
 */
export function countAt(movements: readonly Movement[], articleId: string, where: Whereabouts): number {
  return balances(movements).get(articleId)?.get(placeKey(where)) ?? 0;
}

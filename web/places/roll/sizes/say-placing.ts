import type { PlacingView } from '@neat-measure/contract/musters';
import { counted } from '@neat-measure/core';

type Garment = PlacingView['garments'][number];

/**
 * A garment that is placed, in words: how many get it, who is moved, what is missing, and what can be said against it.
 */
export function sayPlaced({
  lines,
  moved,
  without,
  totals,
  otherwise,
  isProven,
  gap,
  apart,
  helps,
}: Garment): readonly string[] {
  const given = lines.reduce((sum, line) => sum + line.given, 0);
  const parts = [
    `${counted(given, 'wearer')} placed`,
    ...(moved.length > 0 ? [`${moved.length} in another size than proposed`] : []),
    ...(moved.length === 0 && given > 0 ? ['all in the size proposed'] : []),
    ...(without.length > 0 ? [`${without.length} without one`] : []),
    ...(totals.ordered > 0 ? [`${totals.ordered} to order`] : []),
  ];
  const left = [
    ...(apart.unknown > 0 ? [`${counted(apart.unknown, 'wearer')} with something missing`] : []),
    ...(apart['no-size'] > 0 ? [`${counted(apart['no-size'], 'wearer')} without a size`] : []),
    ...(apart.served > 0 ? [`${counted(apart.served, 'wearer')} already served`] : []),
  ];
  return [
    given === 0 && without.length === 0 ? 'Nobody to place.' : `${parts.join(', ')}.`,
    ...(left.length > 0 ? [`Left out: ${left.join(', ')}.`] : []),
    ...(helps === null
      ? []
      : [`One more ${helps.label} helps most: ${counted(helps.count, 'wearer')} could wear it.`]),
    ...(otherwise > 0
      ? [
          `Not the only good way: ${counted(otherwise, 'wearer')} could be placed otherwise with the same result.`,
        ]
      : []),
    ...(isProven
      ? []
      : [`Time ran out. This is the best so far, at most ${Math.ceil(gap * 100)} % from the best there is.`]),
  ];
}

/** What a pin costs the others, in words. */
export function sayCost({ without, misfit, ordered }: Garment['totals']): string {
  const parts = [
    ...(without !== 0 ? [`${Math.abs(without)} ${without > 0 ? 'more' : 'fewer'} without one`] : []),
    ...(ordered !== 0 ? [`${Math.abs(ordered)} ${ordered > 0 ? 'more' : 'fewer'} to order`] : []),
    ...(misfit !== 0
      ? [`${(Math.abs(misfit) / 1_000).toFixed(2)} sizes ${misfit > 0 ? 'more' : 'less'} expected misfit`]
      : []),
  ];
  return parts.length === 0 ? 'costs nothing' : `costs ${parts.join(', ')}`;
}

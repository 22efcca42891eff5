import type { Share } from '@neat-measure/core/own-chart';

/** Fewer people than so say little of others: common practice, no source. */
const FEW = 30;

/** What sizes hold, in words, with what cannot be known of others. */
export function sayOwn({
  of,
  left,
  share,
  lacking,
}: {
  readonly of: number;
  readonly left: number;
  readonly share: Share;
  readonly lacking: number;
}): readonly string[] {
  const percent = (value: number) => Math.round(100 * value);
  if (of === 0) return ['Nobody here has these measurements yet.'];
  return [
    `Of ${people(of)}, ${of - left} are held and ${left} left out (${percent(share.share)} % held).`,
    of < FEW
      ? `Fewer than ${FEW} people: how many others these sizes would hold is not known. By these alone, ${percent(share.low)} to ${percent(share.high)} %.`
      : `Of others like them, ${percent(share.low)} to ${percent(share.high)} % would be held.`,
    ...(lacking > 0
      ? [
          lacking === 1
            ? '1 person more lacks a measurement and is not counted.'
            : `${people(lacking)} more lack a measurement and are not counted.`,
        ]
      : []),
  ];
}

function people(count: number): string {
  return count === 1 ? '1 person' : `${count} people`;
}

import { garmentKind } from '../garment/kinds';
import type { ChartSheet, WrittenFitCheck } from '../chart/chart-shape';
import { partPlace } from '../garment/areas';
import { placesOf, type FitAnswer, type FitCheck } from '../garment/fit-check';

/**
 * What to look at once a garment is on, in this order: what its kind asks for, then what its maker adds.
 *
 * @example fitChecksOf({ kind: 'gloves', fitChecks: [] }).map(({ code }) => code) // ['fist']
 */
export function fitChecksOf({
  kind,
  fitChecks,
}: Pick<ChartSheet, 'kind' | 'fitChecks'>): readonly FitCheck[] {
  return [...garmentKind(kind).checks, ...fitChecks.map(ownCheck)];
}

/** One of a maker's own: what it leads to is as the chart says, or in its words alone. */
function ownCheck(
  { look, otherwise, pose = 'standing', must = false, answers = [] }: WrittenFitCheck,
  at: number,
): FitCheck {
  const code = `own-${at + 1}`;
  const said = answers.map(({ says, part, leads }, index): FitAnswer => {
    const own = { code: `${code}-${index + 1}`, says };
    if (leads === 'made-to-measure') return { ...own, tells: null, moves: [{ does: 'made-to-measure' }] };
    if (part === undefined || leads === undefined) return { ...own, tells: null, moves: [] };
    const place = partPlace(part);
    return {
      ...own,
      tells: { place, is: leads === 'up' ? 'small' : 'large' },
      moves: [{ does: 'shift', shifts: [{ place, by: leads === 'up' ? 1 : -1 }] }],
    };
  });
  const plain: FitAnswer = { code: `${code}-not`, says: 'Not so', tells: null, moves: [] };
  const all = said.length > 0 ? said : [plain];
  return { code, look, pose, places: placesOf(all), must, answers: all, otherwise };
}

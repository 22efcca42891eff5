import type { MeasurementCode } from '../body/catalogue/codes';
import type { ChartSheet } from '../chart/chart-shape';
import { inches, type Length } from '../quantity/length';
import type { GarmentVerdict } from './verdict';

/** What is to be told of a vest besides its verdict. */
export type VestRemark =
  /** How much sitting takes off the front. */
  | { readonly kind: 'sitting'; readonly standing: Length; readonly seated: Length }
  /** Front and back are farther apart than they generally are. */
  | { readonly kind: 'apart'; readonly front: Length; readonly back: Length };

/** Front and back are generally equally long (common practice, no source); farther apart they are looked at again. */
const APART = inches(4);

/**
 * What is to be told of a vest: what sitting takes away, and a front and a back that hardly go together.
 *
 * @param values what was measured
 * @example vestRemarks(jacket.sheet, judgeOne(docket, jacket, house), new Map()) // []
 */
export function vestRemarks(
  { kind, parts }: Pick<ChartSheet, 'kind' | 'parts'>,
  { sizes }: Pick<GarmentVerdict, 'sizes'>,
  values: ReadonlyMap<MeasurementCode, Length>,
): VestRemark[] {
  if (kind !== 'vest') return [];
  const [standing, seated] = [values.get('notch-to-belt-standing'), values.get('notch-to-belt-seated')];
  const lengthOf = (code: string): Length | null => {
    const part = parts.find((one) => one.code === code);
    const at = part?.sizes.indexOf(sizes[code] ?? '') ?? -1;
    if (part === undefined || at < 0) return null;
    const printed = Number(part.sizes[at]);
    return part.values?.[at] ?? (Number.isFinite(printed) ? inches(printed) : null);
  };
  const [front, back] = [lengthOf('front-length'), lengthOf('back-length')];
  return [
    ...(standing === undefined || seated === undefined
      ? []
      : [{ kind: 'sitting', standing, seated } as const]),
    ...(front === null || back === null || Math.abs(front - back) < APART
      ? []
      : [{ kind: 'apart', front, back } as const]),
  ];
}

import type { MeasurementCode } from '../../body/catalogue/codes';
import type { ChartSheet } from '../../chart/chart-shape';
import { estimateOf } from '../../foresight/plausible-bodies';
import { garmentKind } from '../../garment/kinds';
import type { Expected } from '../../match/expected';
import type { JudgeOptions } from '../../match/judge';
import type { GarmentVerdict } from '../../match/verdict';
import type { Length } from '../../quantity/length';
import { LATER_REASONS } from '../acts/step-passed';
import { passedStep, type Docket } from '../docket';

type Values = ReadonlyMap<MeasurementCode, Length>;

/**
 * What a garment waits for and will not get: everything that is missing was passed over, the rest of each part was read,
 * and people's builds tell what to expect. What protects is never sized by what people are like on the whole.
 *
 * @param values what was read
 * @returns nothing where it waits for something else, too
 */
export function expectedFor(
  docket: Docket,
  sheet: ChartSheet,
  { verdict, parts }: GarmentVerdict,
  values: Values,
): JudgeOptions['expected'] {
  if (verdict !== 'incomplete' || garmentKind(sheet.kind).protects) return undefined;
  const expected = new Map<MeasurementCode, Expected>();
  for (const { part, reason, placements } of parts) {
    if (reason.verdict !== 'incomplete') continue;
    const { columns } = sheet.parts.find(({ code }) => code === part)!;
    const decides = (code: MeasurementCode) =>
      columns.some((column) => column.code === code && column.role === 'deciding') && sheet.key !== code;
    for (const code of reason.missing) {
      const estimate = estimateOf(withTrouserWaist(values), code);
      const passed = passedStep(docket, code);
      const isDeclined = passed?.idle === false && !LATER_REASONS.includes(passed.reason);
      if (placements.length === 0 || !isDeclined || estimate === null || !decides(code)) return undefined;
      expected.set(code, estimate);
    }
    if (reason.missing.length === 0) return undefined;
  }
  return expected;
}

/** People's builds are known by the girth at the navel: trousers are worn about there. Common practice, no source. */
function withTrouserWaist(values: Values): Values {
  const worn = values.get('trouser-waist-girth');
  if (worn === undefined || values.has('navel-girth')) return values;
  return new Map(values).set('navel-girth', worn);
}

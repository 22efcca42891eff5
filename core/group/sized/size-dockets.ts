import type { MeasurementCode } from '../../body/catalogue/codes';
import { passedStep, type Docket } from '../../docket/docket';
import type { Habits } from '../../docket/habits';
import { asChosenOn, basisOf, compiled, houseRuling, judgeOne, rulingOf } from '../../docket/judge/judge';
import type { LibraryChart } from '../../docket/library';
import type { GroupBody, GroupSize } from './group-size';
import { GroupSizer, inGroup } from './group-sizer';

/**
 * Sizes one garment for everybody whose docket asks for it, as `judgeDocket` does for each: many alike go in one round,
 * and whoever has something of their own there (another rule, a choice, a step that was passed over) is judged alone.
 */
export class DocketSizer {
  private readonly sizer: GroupSizer;
  private readonly codes: readonly MeasurementCode[];

  constructor(
    private readonly chart: LibraryChart,
    private readonly habits: Habits,
  ) {
    this.sizer = new GroupSizer(compiled(chart.sheet), houseRuling(chart.sheet, habits));
    this.codes = [...compiled(chart.sheet).arithmetic.readings.keys()];
  }

  /**
   * Sizes some more.
   *
   * @returns for each docket what it comes to; `null` where it does not ask for the garment
   */
  size(dockets: readonly Docket[]): (GroupSize | null)[] {
    const { chart, habits, codes } = this;
    const found: (GroupSize | null)[] = dockets.map(() => null);
    const together: { readonly at: number; readonly body: GroupBody }[] = [];
    dockets.forEach((docket, at) => {
      if (docket.garments.every(({ chartId }) => chartId !== chart.id)) return;
      const { body, suspects } = basisOf(docket, habits);
      if (isPlain(docket, chart, habits, codes)) together.push({ at, body: { body, suspects } });
      else found[at] = inGroup(judgeOne(docket, chart, habits));
    });
    this.sizer
      .size(together.map(({ body }) => body))
      .forEach((size, row) => (found[together[row]!.at] = size));
    return found;
  }
}

/**
 * One garment of some dockets.
 *
 * @param dockets of everybody; who does not ask for the garment is left out
 * @returns for each docket what it comes to; `null` where it does not ask
 * @example sizeDockets([docket], jacket, house).map((one) => one.proposed) // ['M']
 */
export function sizeDockets(
  dockets: readonly Docket[],
  chart: LibraryChart,
  habits: Habits,
): (GroupSize | null)[] {
  return new DocketSizer(chart, habits).size(dockets);
}

/** Whether nothing was said on a docket that has a garment judged otherwise than the house does. */
function isPlain(
  docket: Docket,
  chart: LibraryChart,
  habits: Habits,
  codes: readonly MeasurementCode[],
): boolean {
  const [own, house] = [rulingOf(docket, chart, habits), houseRuling(chart.sheet, habits)];
  return (
    own.rule === house.rule &&
    own.preference === 'regular' &&
    asChosenOn(docket, chart) === chart &&
    codes.every((code) => passedStep(docket, code) === null)
  );
}

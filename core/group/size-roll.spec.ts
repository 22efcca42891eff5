import {
  asAnswer,
  chartSheetSchema,
  compileChart,
  Kernel,
  NONE,
  sizeIn,
  sizeRoll,
  tallyRoll,
  verdictIn,
  VERDICTS,
  type MeasurementCode,
} from '../testing/all';
import { compiledOf } from '../testing/charts';
import { drawFrom, RANDOM_CODES, randomChart, randomPreference, type Draw } from '../testing/random-chart';
import { seededRandom } from '../testing/random';

const WEARERS = 300;

/** A chart of one part of measurements, as a roll looks it up. */
function plainChart(draw: Draw) {
  const chart = randomChart(draw);
  const [part] = chart.parts;
  const measured = part!.columns.filter(({ code }) => !code.startsWith('derived:')).slice(0, 3);
  if (measured.length === 0) return chart;
  const columns = measured.map((column) => ({ ...column, role: 'deciding', standIns: [] }));
  return {
    ...chart,
    key: columns[0]!.code,
    expects: [],
    derivations: [],
    combinations: [],
    parts: [{ ...part!, columns }],
  };
}

describe('a whole roll', () => {
  it('is sized as one by one, and counted as it is sized, charts of every kind side by side', () => {
    const draw = drawFrom(seededRandom(8));
    let sized = 0;
    for (let shelf = 0; shelf < 40; shelf++) {
      const charts = Array.from({ length: 5 }, (_, at) => {
        const file = at === 0 ? randomChart(draw) : plainChart(draw);
        return new Kernel(
          compileChart(chartSheetSchema.parse(file)),
          { preference: randomPreference(draw) },
          64,
        );
      });
      const wearers = new Map<MeasurementCode, Float64Array>(
        RANDOM_CODES.map((code) => [
          code,
          Float64Array.from({ length: WEARERS }, () => (draw(15) === 0 ? NaN : (680 + draw(520)) * 1_000)),
        ]),
      );
      const counts = new Map(charts.map((chart) => [chart, new Map<number, number>()]));
      sizeRoll(charts, wearers, (chart, { from, count, answers, furtherSizes }) => {
        for (let row = 0; row < count; row++) {
          for (const code of chart.codes) chart.input(code)[0] = wearers.get(code)![from + row]!;
          chart.run(1);
          const said = [
            verdictIn(answers[row]!),
            sizeIn(answers[row]!),
            ...furtherSizes.map((one) => one[row]!),
          ];
          const own = [chart.verdicts[0]!, ...chart.parts.map(({ sizes }) => sizes[0]!)];
          if (said.join() !== own.join())
            fail(`shelf ${shelf}, wearer ${from + row}: ${said.join()} is not ${own.join()}`);
          const tally = counts.get(chart)!;
          tally.set(answers[row]!, (tally.get(answers[row]!) ?? 0) + 1);
          sized += 1;
        }
      });
      for (const [chart, tally] of tallyRoll(charts, wearers)) {
        const plain = counts.get(chart)!;
        tally.forEach((count, answer) => {
          if (count !== (plain.get(answer) ?? 0)) fail(`shelf ${shelf}: ${count} of answer ${answer}`);
        });
      }
    }
    expect(sized).toBe(40 * 5 * WEARERS);
  });

  it('sizes nobody by what nobody was measured for', () => {
    const chart = new Kernel(compiledOf('size,chest-girth (cm)\nS,86-94\nM,94-102'));
    const wearers = new Map<MeasurementCode, Float64Array>([
      ['height', Float64Array.of(1_800_000, 1_700_000)],
    ]);
    const tally = tallyRoll([chart], wearers).get(chart)!;
    expect(tally.reduce((all, one) => all + one, 0)).toBe(2);
    expect(tally[asAnswer(VERDICTS.indexOf('incomplete'), NONE)]).toBe(2);
  });

  it('counts again the same, and more than fit into one block', () => {
    const chart = new Kernel(compiledOf('size,chest-girth (cm)\nS,86-94\nM,94-102'));
    const count = 20_000;
    const wearers = new Map<MeasurementCode, Float64Array>([
      ['chest-girth', Float64Array.from({ length: count }, (_, row) => 900_000 + (row % 2) * 60_000)],
    ]);
    for (let again = 0; again < 2; again++) {
      const tally = tallyRoll([chart], wearers).get(chart)!;
      expect([tally[asAnswer(0, 0)], tally[asAnswer(0, 1)]]).toEqual([count / 2, count / 2]);
    }
    expect([...tallyRoll([], new Map())]).toEqual([]);
    expect(sizeRoll([], new Map(), () => undefined)).toBeUndefined();
  });
});

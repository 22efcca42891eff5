import { compileChart, judge, Kernel, micrometres, VERDICTS, type MeasurementCode } from '@neat-measure/core';
import { chartSheetSchema } from '@neat-measure/core/sheets';
import { plainSizing } from '../core/testing/plain-sizing';
import { drawFrom, randomBody, randomChart, randomPreference } from '../core/testing/random-chart';
import { seededRandom } from '../core/testing/random';

const CHARTS = 3_000;
const BODIES = 20;

/** One long run: random charts of every feature sized by rounds, one by one, and by a plain way that shares no code. */
export function benchSame(say: (line: string) => void): void {
  const draw = drawFrom(seededRandom(3_000));
  let [same, other] = [0, 0];
  const seen = new Map<string, number>();
  for (let chart = 0; chart < CHARTS; chart++) {
    const file = randomChart(draw);
    const compiled = compileChart(chartSheetSchema.parse(file));
    const preference = randomPreference(draw);
    const bodies = Array.from({ length: BODIES }, () => randomBody(draw));
    const kernel = new Kernel(compiled, { preference }, BODIES);
    kernel.take(
      kernel.codes.map((code) => Float64Array.from(bodies, (body) => body.get(code) ?? NaN)),
      0,
      BODIES,
    );
    kernel.run(BODIES);
    bodies.forEach((body, row) => {
      const alone = judge(
        compiled,
        new Map(
          [...body].map(([code, value]): [MeasurementCode, { value: never; standardError: number }] => [
            code,
            { value: micrometres(value) as never, standardError: 0 },
          ]),
        ),
        { preference },
      );
      const plain = plainSizing(file, Object.fromEntries(body), preference);
      const verdict = VERDICTS[kernel.verdicts[row]!]!;
      const sizes = file.parts.map(({ sizes: own }, part) => own[kernel.parts[part]!.sizes[row]!] ?? null);
      const agree =
        verdict === alone.verdict &&
        verdict === plain.verdict &&
        alone.proposed === plain.label &&
        file.parts.every(
          ({ code }, part) =>
            (alone.sizes[code] ?? null) === sizes[part] && (plain.sizes[code] ?? null) === sizes[part],
        );
      if (agree) same += 1;
      else other += 1;
      seen.set(verdict, (seen.get(verdict) ?? 0) + 1);
    });
  }
  const met = [...seen].map(([verdict, count]) => `${verdict} ${count}`).join(', ');
  say(
    `${CHARTS} random charts x ${BODIES} bodies, in rounds, alone and plainly: ${same} agree, ${other} do not (${met})`,
  );
}

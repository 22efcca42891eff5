import {
  chartSheetSchema,
  compileChart,
  judge,
  Kernel,
  micrometres,
  VERDICTS,
  type MeasurementCode,
} from '../../testing/all';
import { plainSizing } from '../../testing/plain-sizing';
import { drawFrom, randomBody, randomChart, randomPreference } from '../../testing/random-chart';
import { seededRandom } from '../../testing/random';
import { scale, wholeSheet } from '../../testing/whole-sheet';

/** How many random charts are drawn; `npm run bench same` draws many more. */
const CHARTS = 250;
const BODIES = 40;

/** Everybody's values as the kernel takes them. */
const columnsOf = (codes: readonly MeasurementCode[], bodies: readonly ReadonlyMap<string, number>[]) =>
  codes.map((code) => Float64Array.from(bodies, (body) => body.get(code) ?? NaN));

describe('Kernel', () => {
  it('gives what judging alone gives, and what a plain way that shares no code gives, on random charts of every feature', () => {
    const draw = drawFrom(seededRandom(20_26));
    const seen = new Map<string, number>();
    for (let chart = 0; chart < CHARTS; chart++) {
      const file = randomChart(draw);
      const compiled = compileChart(chartSheetSchema.parse(file));
      const preference = randomPreference(draw);
      const bodies = Array.from({ length: BODIES }, () => randomBody(draw));
      const kernel = new Kernel(compiled, { preference }, BODIES);
      kernel.take(columnsOf(kernel.codes, bodies), 0, BODIES);
      kernel.run(BODIES);
      bodies.forEach((body, row) => {
        const verdict = VERDICTS[kernel.verdicts[row]!]!;
        seen.set(verdict, (seen.get(verdict) ?? 0) + 1);
        const sizes = Object.fromEntries(
          file.parts.flatMap(({ code, sizes: own }, part) => {
            const size = kernel.parts[part]!.sizes[row]!;
            return size < 0 ? [] : [[code, own[size]!]];
          }),
        );
        const plain = plainSizing(file, Object.fromEntries(body), preference);
        const alone = judge(
          compiled,
          new Map([...body].map(([code, value]) => [code, { value: micrometres(value), standardError: 0 }])),
          { preference },
        );
        const [kernelSays, plainSays, aloneSays] = [
          [verdict, sizes],
          [plain.verdict, plain.sizes],
          [alone.verdict, alone.sizes],
        ].map((said) => JSON.stringify(said));
        if (kernelSays !== plainSays || kernelSays !== aloneSays || plain.label !== alone.proposed)
          fail(
            `chart ${chart}, body ${row}: ${kernelSays} here, ${aloneSays} alone, ${plainSays} plainly: ${JSON.stringify([...body])} ${preference} ${JSON.stringify(file)}`,
          );
      });
    }
    // Every verdict but the odds' own has been met, so that holding equal means something.
    for (const verdict of VERDICTS)
      if (verdict !== 'edge')
        expect(seen.get(verdict) ?? 0)
          .withContext(verdict)
          .toBeGreaterThan(20);
  });

  it('takes charts of more sizes than a machine word has bits', () => {
    const sizes = Array.from({ length: 70 }, (_, at) => `${at}`);
    const cells = sizes.map((_, at) => `${700 + at * 10}-${710 + at * 10}`);
    const sheet = wholeSheet({
      unit: 'mm',
      parts: [{ code: 'size', name: 'Size', sizes, columns: [{ code: 'chest-girth', unit: 'mm', cells }] }],
    });
    const kernel = new Kernel(compileChart(sheet));
    const values = [705_000, 1_035_000, 1_395_000, 2_000_000];
    kernel.take([Float64Array.from(values)], 0, values.length);
    kernel.run(values.length);
    expect([...kernel.parts[0]!.sizes.subarray(0, 4)]).toEqual([0, 33, 69, -1]);
  });

  it('has a problem to tell only of what came to nothing', () => {
    const kernel = new Kernel(
      compileChart(wholeSheet({ parts: [scale('size', 'chest-girth', ['S'], {}, ['30-36'])] })),
    );
    kernel.input('chest-girth')[0] = micrometres(850_000);
    kernel.run(1);
    expect(kernel.problem('chest-girth', 0)).toBeNull();
    kernel.input('chest-girth')[0] = NaN;
    kernel.run(1);
    expect(kernel.problem('chest-girth', 0)).toEqual({ code: 'missing', readings: ['chest-girth'] });
  });

  it('remembers nothing of the round before', () => {
    const draw = drawFrom(seededRandom(77));
    for (let chart = 0; chart < 60; chart++) {
      const compiled = compileChart(chartSheetSchema.parse(randomChart(draw)));
      const bodies = Array.from({ length: 40 }, () => randomBody(draw));
      const [used, fresh] = [new Kernel(compiled, {}, 40), new Kernel(compiled, {}, 40)];
      const sized = (kernel: Kernel, some: typeof bodies) => {
        kernel.take(columnsOf(kernel.codes, some), 0, some.length);
        kernel.run(some.length);
        return JSON.stringify([
          [...kernel.verdicts.subarray(0, some.length)],
          kernel.parts.map((part) => [...part.sizes.subarray(0, some.length)]),
        ]);
      };
      sized(used, bodies);
      const others = Array.from({ length: 37 }, () => randomBody(draw));
      expect(sized(used, others)).toBe(sized(fresh, others));
    }
  });
});

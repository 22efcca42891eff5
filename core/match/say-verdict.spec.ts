import {
  chartSheetSchema,
  compileChart,
  decidingPart,
  inches,
  judge,
  micrometres,
  parseLength,
  sayChange,
  sayPartReason,
  sayReason,
  type Length,
  type MeasuredValue,
  type MeasurementCode,
  type PartVerdict,
  type ShownLength,
} from '../testing/all';
import { drawFrom, randomBody, randomChart, randomPreference } from '../testing/random-chart';
import { seededRandom } from '../testing/random';
import { frontAndBack, scale, wholeSheet } from '../testing/whole-sheet';

/** A length out of a sentence; to a step of what is shown. */
const lengthIn = (words: string) => {
  const read = parseLength(words, 'mm');
  if (!read.ok) throw new Error(`no length in “${words}”`);
  return read.value.length;
};
/** What is shown in millimetres may be off by half of one. */
const SHOWN = 501;
const near = (one: number, other: number) => Math.abs(one - other) <= SHOWN;

/** Every fact that the sentence of a part names, held against the verdict; the faults found. */
function faultsOf(part: PartVerdict, unit: ShownLength): string[] {
  const words = sayPartReason(part, unit);
  const { reason, placements } = part;
  const faults: string[] = [];
  const hold = (what: string, is: boolean) => {
    if (!is) faults.push(`${what}: ${words}`);
  };
  if (reason.verdict === 'settled' || reason.verdict === 'edge') {
    const inside = /^(.*?) (-?\d+) mm/.exec(words)!;
    const named = placements.filter(
      ({ name, value }) => name === inside[1] && near(value, Number(inside[2]) * 1_000),
    );
    hold('it names a measurement and its value', named.length > 0);
    hold(
      'the value lies in the size',
      // One liked roomier or closer lies at the end of the size beside it.
      named.some(({ sizes }) =>
        sizes.includes(reason.verdict === 'settled' ? (reason.leaned?.from ?? reason.size) : reason.size),
      ),
    );
    const clear = /, (.*) clear of its edge/.exec(words)?.[1];
    if (clear !== undefined && !clear.startsWith('less than'))
      hold(
        'so far from its edge',
        named.some(({ toEdge }) => near(toEdge!, lengthIn(clear))),
      );
    if (words.includes('near an edge of'))
      hold(
        'nearer than its error',
        named.some(({ toEdge, standardError }) => toEdge! < standardError),
      );
    if (words.includes('it would still be'))
      hold(
        'hardly any chance of another',
        (part.odds.find(({ size }) => size !== reason.size)?.chance ?? 0) < 0.1,
      );
    if (reason.verdict === 'edge') {
      const rival = part.odds.find(({ size }) => size !== reason.size);
      hold(
        'the rival is the likeliest other',
        rival?.size === reason.neighbour && rival.chance === reason.chance,
      );
      hold('by its chance', words.includes(`${Math.round(reason.chance * 100)} %`));
      if (words.includes('an underlying reading is near an edge'))
        hold(
          'far inside itself',
          named.some(({ toEdge, standardError }) => toEdge === null || toEdge > 2.5 * standardError),
        );
    }
  }
  if (reason.verdict === 'beyond') {
    for (const [, by, side] of words.matchAll(/is (?:(\d+) mm )?(past the largest|below the smallest) size/g))
      hold(
        'outside by so much',
        placements.some(
          ({ where, toEdge }) =>
            where === (side!.startsWith('past') ? 'above' : 'below') &&
            (by === undefined || near(toEdge ?? 0, Number(by) * 1_000)),
        ),
      );
  }
  if (reason.verdict === 'between')
    for (const gap of reason.gaps) hold('in no size', gap.sizes.length === 0 && gap.where === 'gap');
  if (reason.verdict === 'split')
    for (const { name, sizes } of placements)
      hold('says what holds it', words.toLowerCase().includes(`${name.toLowerCase()} says ${sizes[0]!}`));
  if (reason.verdict === 'overlap')
    hold(
      'every one holds everything',
      reason.sizes.every((size) => placements.every(({ sizes }) => sizes.includes(size))),
    );
  return faults;
}

describe('what is said of a verdict', () => {
  it('names only what is so, on random charts of every feature', () => {
    const draw = drawFrom(seededRandom(314));
    let [said, changed] = [0, 0];
    for (let chart = 0; chart < 60; chart++) {
      const compiled = compileChart(chartSheetSchema.parse(randomChart(draw)));
      const preference = randomPreference(draw);
      for (let body = 0; body < 8; body++) {
        const values = new Map([...randomBody(draw)].map(([code, value]) => [code, micrometres(value)]));
        const size = (of: ReadonlyMap<MeasurementCode, Length>) =>
          judge(compiled, new Map([...of].map(([code, value]) => [code, { value }])), { preference });
        const verdict = size(values);
        for (const part of verdict.parts) {
          said += 1;
          for (const fault of faultsOf(part, 'mm')) fail(fault);
          // What would change it does, where it is a measurement that is moved.
          const { change } = part;
          if (change === null || !values.has(change.code as MeasurementCode)) continue;
          const code = change.code as MeasurementCode;
          if (compiled.expects.get(code)?.rounding) continue;
          const moved = new Map(values);
          moved.set(code, micrometres(values.get(code)! + (change.towards === 'more' ? 1 : -1) * change.by));
          const after = size(moved).parts.find((one) => one.part === part.part)!;
          // Another part may have gone with it, where this one goes by it.
          const [sheetPart] = compiled.sheet.parts.filter((one) => one.code === part.part);
          if (sheetPart!.offered !== null || part.placements.length !== 1) continue;
          changed += 1;
          if (after.proposed !== change.into)
            fail(`${sayChange(part, 'mm')} but it is ${after.proposed} ${after.verdict}`);
        }
        expect(sayReason(verdict, 'mm')).toMatch(/\.$/);
      }
    }
    expect(said).toBeGreaterThan(700);
    expect(changed).toBeGreaterThan(25);
  });

  it('speaks of no other measurements where there are none', () => {
    const one = compileChart(wholeSheet({ parts: [scale('size', 'chest-girth', ['1'], {}, ['40-44'])] }));
    const at = (chest: number) =>
      judge(one, new Map<MeasurementCode, MeasuredValue>([['chest-girth', { value: inches(chest) }]]));
    const low = at(40.125);
    expect([low.verdict, low.proposed]).toEqual(['settled', '1']);
    expect(sayReason(low, 'in/8')).toBe(
      'Chest 40 1/8 in is near an edge of 1; past it, it is beyond the range.',
    );
    expect(sayReason(low, 'in/8')).not.toContain('other measurements');
    expect(at(43.9).verdict).toBe('edge');
    expect(sayReason(at(43.9), 'in/8')).toContain('no size of this chart');
  });

  it('says of a part that is inside by itself that an underlying reading is near an edge', () => {
    const pair = compileChart(frontAndBack({ 40: '16 in', 44: '24 in' }, ['14', '22']));
    const verdict = judge(
      pair,
      new Map<MeasurementCode, MeasuredValue>([
        ['chest-girth', { value: inches(41.9) }],
        ['waist-girth', { value: inches(38) }],
      ]),
    );
    expect(verdict.parts.map((part) => [part.proposed, part.verdict])).toEqual([
      ['40', 'edge'],
      ['22', 'edge'],
    ]);
    expect(verdict.odds.map(({ label }) => label)).toEqual(['40/22', '44/14']);
  });
});

describe('the part that decides', () => {
  it('is the worst one by its name, or the first where the combination decides', () => {
    const parts = [{ part: 'neck' }, { part: 'sleeve' }] as never;
    expect(decidingPart({ parts, worst: 'sleeve' }).part).toBe('sleeve');
    expect(decidingPart({ parts, worst: null }).part).toBe('neck');
  });
});

import { cm, compileChart, inches, onlyPart, sheetAround } from '@neat-measure/core';
import { importCsv } from '@neat-measure/core/sheets';
import { labelsOf, layOut } from './ruler-scale';

const column = (csv: string) => {
  const part = importCsv(csv);
  if (!part.ok) throw new Error('a faulty table in a spec');
  const sheet = sheetAround(part.value, { maker: 'm', garment: 'g', rule: 'widest-decides' });
  return { sizes: part.value.sizes, intervals: onlyPart(compileChart(sheet)).deciding[0]!.intervals };
};
const scaleOf = (csv: string, reading: number | null = null) => {
  const { sizes, intervals } = column(csv);
  return layOut(
    sizes,
    intervals,
    reading === null ? null : { value: cm(reading), standardError: 7_000 },
    'cm',
  );
};

describe('layOut', () => {
  it('draws sizes to scale and leaves gaps bare', () => {
    const { segments, lanes } = scaleOf('size,chest-girth (cm)\nS,80-90\nM,92-102');
    expect(segments[0]!.width).toBeCloseTo(segments[1]!.width, 6);
    expect(segments[1]!.start - (segments[0]!.start + segments[0]!.width)).toBeCloseTo(
      segments[0]!.width / 5,
      6,
    );
    expect(lanes).toBe(1);
  });

  it('draws overlaps doubled, and neighbours that only touch in one line', () => {
    expect(
      scaleOf('size,chest-girth (cm)\nS,80-90\nM,88-98\nL,96-106').segments.map(({ lane }) => lane),
    ).toEqual([0, 1, 0]);
    expect(scaleOf('size,chest-girth (cm)\nS,80-90\nM,90-98').lanes).toBe(1);
  });

  it('marks the reading with whiskers of its error, and stretches to hold one outside', () => {
    const inside = scaleOf('size,chest-girth (cm)\nS,80-90\nM,90-100', 90).mark!;
    expect(inside.at).toBeCloseTo(50, 6);
    expect(inside.at - inside.from).toBeCloseTo(inside.to - inside.at, 6);
    const outside = scaleOf('size,chest-girth (cm)\nS,80-90\nM,90-100', 130);
    expect(outside.mark!.to).toBeLessThan(100);
    expect(outside.segments[1]!.start + outside.segments[1]!.width).toBeLessThan(50);
  });

  it('runs open ends to the edge and says so', () => {
    const { segments } = scaleOf('size,chest-girth (cm)\nS,<90\nM,90-100\nL,>=100');
    expect(segments.map(({ openStart, openEnd }) => [openStart, openEnd])).toEqual([
      [true, false],
      [false, false],
      [false, true],
    ]);
    expect([segments[0]!.start, segments[2]!.start + segments[2]!.width]).toEqual([0, 100]);
  });

  it('puts ticks on round numbers of the unit, not too many', () => {
    const { sizes, intervals } = column('size,chest-girth (in)\nS,34-37\nM,38-41\nL,42-45');
    const { ticks } = layOut(sizes, intervals, { value: inches(40), standardError: 7_000 }, 'in');
    expect(ticks.map(({ label }) => label)).toEqual(['34', '36', '38', '40', '42', '44']);
  });
});

describe('labelsOf', () => {
  const many = (count: number) =>
    Array.from({ length: count }, (_, at) => ({
      size: String(240 + at * 5),
      start: (at * 100) / count,
      width: 100 / count,
      lane: 0,
      openStart: false,
      openEnd: false,
    }));

  it('stand within their sizes where there is room', () => {
    expect(labelsOf(many(4), [])).toEqual(['if-it-fits', 'if-it-fits', 'if-it-fits', 'if-it-fits']);
  });

  it('thin out where there is none, and never run into each other', () => {
    const labels = labelsOf(many(20), []);
    expect(labels.slice(0, 6)).toEqual(['always', 'hidden', 'hidden', 'always', 'hidden', 'hidden']);
  });

  it('stand beside a mark that would strike them through, where there is room', () => {
    const at = (mark: number) => labelsOf(many(4), ['250'], mark)[2];
    expect([at(62), at(64), at(55), at(30)]).toEqual(['to-the-left', 'to-the-right', 'always', 'always']);
    expect(labelsOf(many(20), ['290'], 52.5)[10])
      .withContext('no room')
      .toBe('always');
  });

  it('always stand for what is in the running, and make room about it', () => {
    const labels = labelsOf(many(20), ['290']);
    expect(labels.slice(8, 13)).toEqual(['hidden', 'hidden', 'always', 'hidden', 'hidden']);
    const two = labelsOf(many(20), ['290', '295']);
    expect(two.slice(8, 14)).toEqual(['hidden', 'hidden', 'to-the-left', 'to-the-right', 'hidden', 'hidden']);
  });
});

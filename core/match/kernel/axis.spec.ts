import { compileChart, onlyPart } from '../../index';
import { seededRandom } from '../../testing/random';
import { sheetOf } from '../../testing/charts';
import { Axis } from './axis';

/** A column of sizes from random ends, with gaps and overlaps between them. */
function randomColumn(random: () => number) {
  let at = 700;
  const rows = Array.from({ length: 4 + Math.floor(random() * 10) }, (_, size) => {
    const from = at;
    at += 25 + Math.floor(random() * 50);
    return `s${size},${from}-${at + [0, -9, 12][Math.floor(random() * 3)]!}`;
  });
  const [column] = onlyPart(compileChart(sheetOf(`size,chest-girth (mm)\n${rows.join('\n')}`))).deciding;
  return column!.cut;
}

const placed = (axis: Axis, values: Float64Array) => {
  const places = new Uint16Array(values.length);
  axis.placeEach(values, 0, values.length, places);
  return places;
};

describe('Axis', () => {
  const random = seededRandom(44);

  it('finds the place that counting the ends below a value finds', () => {
    for (let shelf = 0; shelf < 40; shelf++) {
      const columns = Array.from({ length: 1 + (shelf % 5) }, () => randomColumn(random));
      const ends = [...new Set(columns.flatMap(({ points }) => [...points]))].sort((a, b) => a - b);
      const values = Float64Array.from([
        ...Array.from({ length: 400 }, () => 600_000 + Math.floor(random() * 900_000)),
        // Every end itself, and a micrometre to either side of it.
        ...ends.flatMap((end) => [end - 1, end, end + 1]),
        0,
        1e9,
      ]);
      const axis = new Axis(columns);
      const of = placed(axis, values);
      expect([...axis.points]).toEqual(ends);
      values.forEach((value, row) => {
        const below = ends.filter((end) => end <= value).length;
        if (of[row] !== below) fail(`${value} stands at ${of[row]}, not ${below}`);
      });
      // Each column finds its own stretch from the common place.
      for (const column of columns) {
        const stretches = axis.stretchesOf(column);
        values.forEach((value, row) => {
          const own = [...column.points].filter((end) => end <= value).length;
          if (stretches[of[row]!] !== own) fail(`${value} lies in ${stretches[of[row]!]}, not ${own}`);
        });
      }
    }
    expect(true).toBeTrue();
  });

  it('keeps a place of its own for what was not taken', () => {
    const column = randomColumn(random);
    const axis = new Axis([column]);
    const places = placed(axis, Float64Array.of(NaN, 0, 1e9));
    expect([...places]).toEqual([column.points.length + 1, 0, column.points.length]);
    expect(axis.stretchesOf(column)[places[0]!]).toBe(column.points.length + 1);
  });

  it('refuses more ends than a place can count', () => {
    const column = randomColumn(random);
    const many = Array.from({ length: 3_000 }, (_, at) => ({
      ...column,
      points: Float64Array.from({ length: 22 }, (_one, end) => at * 22 + end),
    }));
    expect(() => new Axis(many)).toThrowError(RangeError);
    expect(placed(new Axis(many.slice(0, 2_900)), Float64Array.of(63_000))[0]).toBe(63_001);
  });

  it('places everybody nowhere where no chart has an end', () => {
    expect([...placed(new Axis([]), Float64Array.of(900_000, NaN))]).toEqual([0, 1]);
  });
});

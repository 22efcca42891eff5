import {
  isMade,
  MICROMETRES_PER,
  type ChartSheet,
  type CompiledColumn,
  type Interval,
  type Length,
  type WorkingUnit,
} from '@neat-measure/core';
import type { Held } from '@neat-measure/core/coverage';
import type { EChartsCoreOption } from 'echarts/core';

const INK = '#1e2a2b';
const SOFT = '#566160';
const BRICK = '#a63a24';
const LINE = '#d9d4c5';
const GREEN = '#17544a';
const TEXT = 'Atkinson Hyperlegible Next Variable, sans-serif';
/** Axes begin and end on round numbers. */
const ROUND = 5;
/** More boxes than these are named at two sides only. */
const MOST_NAMED = 30;
/** The lightest and the darkest shade, as red, green and blue. */
const [LIGHTEST, DARKEST] = [
  [158, 203, 190],
  [10, 46, 40],
] as const;

/** A deciding column that can be an axis or a shade. */
export interface MapColumn {
  readonly key: string;
  readonly part: string;
  readonly sizes: readonly string[];
  readonly name: string;
  readonly column: CompiledColumn;
}

/** Somebody on the map. */
export interface MapPoint {
  readonly x: Length;
  readonly y: Length;
  readonly held: Held;
  /** The size that the measurement of the shade gives, by its place; `null` for none, `undefined` where it is not known. */
  readonly shade: number | null | undefined;
}

export interface MapToDraw {
  readonly sheet: ChartSheet;
  readonly along: MapColumn;
  readonly upward: MapColumn;
  /** What is told by shade; `null` where points tell how they are held. */
  readonly shade: MapColumn | null;
  readonly points: readonly MapPoint[];
  readonly unit: WorkingUnit;
}

/** A box of the grid: a size, or two that are made together. */
interface Box {
  readonly name: string;
  readonly x: Interval;
  readonly y: Interval;
}

/** The colour of one of so many sizes, from the lightest to the darkest. */
export function shadeOf(at: number, count: number): string {
  const part = count < 2 ? 1 : at / (count - 1);
  return `rgb(${LIGHTEST.map((low, one) => Math.round(low + (DARKEST[one]! - low) * part)).join(' ')})`;
}

/**
 * The boxes of the grid: of one part its sizes, of two parts every two sizes that are made together.
 *
 * @param wanted the sheet and what stands along and up
 */
export function boxesOf({ sheet, along, upward }: Pick<MapToDraw, 'sheet' | 'along' | 'upward'>): Box[] {
  if (along.part === upward.part)
    return along.sizes.map((name, at) => ({
      name,
      x: along.column.intervals[at]!,
      y: upward.column.intervals[at]!,
    }));
  const made = along.sizes.flatMap((one, column) =>
    upward.sizes.flatMap((other, row) =>
      isMade(sheet, { [along.part]: one, [upward.part]: other }) ? [{ one, other, column, row }] : [],
    ),
  );
  const isMany = made.length > MOST_NAMED;
  return made.map(({ one, other, column, row }): Box => {
    // Of many only the lowest of a column and the first of a row are named.
    const isLowest = made.find((box) => box.column === column)!.row === row;
    const isFirst = made.find((box) => box.row === row)!.column === column;
    const names = [...(isLowest || !isMany ? [one] : []), ...(isFirst || !isMany ? [other] : [])];
    return {
      name: names.join(' '),
      x: along.column.intervals[column]!,
      y: upward.column.intervals[row]!,
    };
  });
}

/** The map as it is drawn: the boxes to scale, and everybody as a point. */
export function mapOptions(map: MapToDraw): EChartsCoreOption {
  const { along, upward, shade, points, unit } = map;
  const per = MICROMETRES_PER[unit];
  const [xs, ys] = [
    rangeOf(
      along.column,
      points.map(({ x }) => x),
    ),
    rangeOf(
      upward.column,
      points.map(({ y }) => y),
    ),
  ];
  const axis = (name: string, [low, high]: readonly [number, number]) => ({
    name: `${name}, ${unit}`,
    nameLocation: 'middle',
    nameGap: 34,
    nameTextStyle: { color: INK, fontFamily: TEXT, fontSize: 15 },
    min: Math.floor(low / per / ROUND) * ROUND,
    max: Math.ceil(high / per / ROUND) * ROUND,
    axisLine: { lineStyle: { color: SOFT } },
    axisLabel: { color: SOFT, fontFamily: TEXT, fontSize: 13 },
    splitLine: { show: false },
  });
  const end = (bound: number | null, open: number) => (bound ?? open) / per;
  const boxes = boxesOf(map).map(({ name, x, y }) => [
    { name, xAxis: end(x.lower, xs[0]), yAxis: end(y.lower, ys[0]) },
    { xAxis: end(x.upper, xs[1]), yAxis: end(y.upper, ys[1]) },
  ]);
  const scatter = (isOne: (point: MapPoint) => boolean, itemStyle: object) => ({
    type: 'scatter',
    symbolSize: 6,
    silent: true,
    itemStyle,
    data: points.filter(isOne).map(({ x, y }) => [x / per, y / per]),
  });
  const held = (one: Held, color: string) => scatter((point) => point.held === one, { color, opacity: 0.5 });
  const shaded = (sizes: readonly string[]) => [
    ...sizes.map((_, at) =>
      scatter((point) => point.shade === at, { color: shadeOf(at, sizes.length), opacity: 0.85 }),
    ),
    scatter((point) => point.shade === null, { color: 'transparent', borderColor: BRICK, borderWidth: 1.2 }),
    scatter((point) => point.shade === undefined, { color: SOFT, opacity: 0.5 }),
  ];
  return {
    animation: false,
    aria: { enabled: true },
    textStyle: { fontFamily: TEXT },
    grid: { left: 62, right: 20, top: 14, bottom: 54 },
    xAxis: axis(along.name, xs),
    yAxis: axis(upward.name, ys),
    series: [
      {
        ...scatter(() => false, {}),
        markArea: {
          silent: true,
          itemStyle: { color: 'rgba(23,84,74,0.09)', borderColor: GREEN, borderWidth: 1.2 },
          label: { color: INK, fontWeight: 600, fontSize: 14, position: 'insideTopLeft' },
          data: boxes,
        },
      },
      ...(shade === null
        ? [held('inside', GREEN), held('between', INK), held('outside', BRICK), held('unknown', SOFT)]
        : shaded(shade.sizes)),
    ],
    backgroundColor: 'transparent',
    color: [GREEN, LINE],
  };
}

function rangeOf({ intervals }: CompiledColumn, values: readonly Length[]): readonly [number, number] {
  const ends = intervals
    .flatMap(({ lower, upper }: Interval) => [lower, upper])
    .filter((end) => end !== null);
  const all = [...ends, ...values];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  return [low - (high - low) * 0.03, high + (high - low) * 0.03];
}

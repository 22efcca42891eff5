import {
  areaFacts,
  isPart,
  partPlace,
  type AreaFacts,
  type FitArea,
  type FitPlace,
  type PartPlace,
} from '../garment/areas';
import type { MeasurementCode } from '../body/catalogue/codes';
import { isDerivedCode } from '../chart/column-code';
import type { ChartColumn, ChartPart, ChartSheet } from '../chart/chart-shape';
import { readingsBehind } from '../chart/size-chart';

/**
 * A place as it stands in a sentence.
 *
 * @example placeName(jacket.sheet, 'chest') // 'chest'
 */
export function placeName(sheet: Pick<ChartSheet, 'parts'>, place: FitPlace): string {
  if (!isPart(place)) return areaFacts(place).name;
  return ownPart(sheet, place)?.name.toLowerCase() ?? 'garment';
}

function ownPart(sheet: Pick<ChartSheet, 'parts'>, place: PartPlace): ChartPart | null {
  return sheet.parts.find(({ code }) => partPlace(code) === place) ?? null;
}

const FOUND = new WeakMap<ChartSheet, Map<FitArea, ChartPart | null>>();

/**
 * The part of a chart that sizes a place; `null` where none does, so that another size is no help
 * there. A part is known by what the maker calls it where that names the area (a front width and a back
 * width both go by the same girths), else by what it measures.
 *
 * @example partOfPlace(jacket.sheet, 'chest').code // 'size'
 */
export function partOfPlace(sheet: ChartSheet, code: FitPlace): ChartPart | null {
  if (isPart(code)) return ownPart(sheet, code);
  const known = FOUND.get(sheet) ?? new Map<FitArea, ChartPart | null>();
  FOUND.set(sheet, known);
  const found = known.get(code);
  if (found !== undefined) return found;
  const part = findPart(sheet, areaFacts(code));
  known.set(code, part);
  return part;
}

function findPart(sheet: ChartSheet, { measures, cues }: AreaFacts): ChartPart | null {
  const serving = sheet.parts.flatMap((part) => {
    const place = placeAmong(sheet, part, measures);
    return place < 0 ? [] : [{ part, place }];
  });
  const words = (part: ChartPart) => `${part.code} ${part.name}`.toLowerCase().replaceAll('-', ' ');
  // What a part is called counts only where it measures something of the area, too.
  for (const cue of cues) {
    const called = serving.find(({ part }) => words(part).includes(cue));
    if (called !== undefined) return called.part;
  }
  return serving.sort((one, other) => one.place - other.place)[0]?.part ?? null;
}

/** Where among some measurements the best is that a part decides by; -1 for none of them. */
function placeAmong(sheet: ChartSheet, { columns }: ChartPart, measures: readonly MeasurementCode[]): number {
  const read = new Set(
    columns.filter(({ role }) => role === 'deciding').flatMap(({ code }) => readingsBehind(sheet, code)),
  );
  return measures.findIndex((code) => read.has(code));
}

/**
 * The column of a part by which a place is sized: the one that reads what it is about, as directly as any.
 *
 * @example columnOfPlace(jacket.sheet, jacket.sheet.parts[0], 'waist').code // 'waist-girth'
 */
export function columnOfPlace(sheet: ChartSheet, part: ChartPart, place: FitPlace): ChartColumn | null {
  const deciding = part.columns.filter(({ role }) => role === 'deciding');
  if (isPart(place)) return deciding[0] ?? null;
  for (const one of areaFacts(place).measures) {
    const reading = deciding.filter((column) => readingsBehind(sheet, column.code).includes(one));
    const direct = reading.find((column) => !isDerivedCode(column.code)) ?? reading[0];
    if (direct !== undefined) return direct;
  }
  return null;
}

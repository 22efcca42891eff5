import type { Bench } from '@neat-measure/contract';
import {
  alterationsOf,
  bareUnit,
  finalSize,
  formatLength,
  judgeDocket,
  madeToMeasureNeeds,
  measurement,
  replay,
  sayAltered,
  sayDerivedLine,
  settledValues,
  shownIn,
} from '@neat-measure/core';
import type { Content } from 'pdfmake/interfaces';
import { line, SOFT } from '../print/sheet-parts';
import { words, type Printed } from '../print/print-pdf';

/** A garment of a docket to be ordered. */
export interface OrderToPrint {
  readonly sheet: 'order';
  readonly bench: Bench;
  readonly chartId: string;
}

/**
 * The form that a maker is sent for one garment: the numbers their method asks for, in their unit, the
 * arithmetic with its rounding, and the sizes it comes to. The wearer goes by the number of the docket.
 */
export function orderForm({ bench, chartId }: Omit<OrderToPrint, 'sheet'>): Printed {
  const docket = replay(bench.acts.map(({ act }) => act))!;
  const { chart, verdict } = judgeDocket(docket, bench).garments.find((one) => one.chart.id === chartId)!;
  const { sheet } = chart;
  const { unit } = sheet;
  const { inchParts } = bench.habits;
  const title = `Order · ${sheet.maker} · docket ${bench.number}`;
  const final = finalSize(docket, chartId);
  const nameOf = (code: string) => verdict.derived.find((one) => one.code === code)?.name ?? code;
  const needs = madeToMeasureNeeds(sheet, settledValues(docket.readings, bench.habits));
  return {
    title,
    content: [
      words(sheet.garment, { bold: true, fontSize: 20 }),
      {
        ...words(`${sheet.maker} · for docket ${bench.number} · version ${chart.version} of the chart`),
        color: SOFT,
      },
      line(final === null ? 'Made to measure' : `Size ${final.size}`, true),
      ...(final === null
        ? []
        : sheet.parts.map(({ code, name }) => line(`${name}: ${final.sizes[code] ?? '–'}`))),
      line('What your method asks for', true),
      ...needs.map(({ code, value }) =>
        line(
          `${measurement(code).name}: ${value === null ? 'not taken' : formatLength(value, shownIn(bareUnit(code, unit), inchParts))}`,
        ),
      ),
      ...(verdict.derived.length === 0 ? [] : [line('Your arithmetic', true)]),
      ...verdict.derived.flatMap(({ lines }) =>
        lines.map(
          (one): Content =>
            line(
              sayDerivedLine(one, {
                maker: shownIn(unit, inchParts),
                reader: shownIn(unit, inchParts),
                nameOf,
              }),
            ),
        ),
      ),
      ...verdict.options.map(({ name, adds }) => line(`Option: ${name}, ${adds}`)),
      ...alterationsOf(docket, chartId).map((one) =>
        line(`Please ${sayAltered(one, shownIn(docket.unit, inchParts))}.`),
      ),
      ...verdict.cautions.map((caution) => line(`Caution. ${caution}`)),
    ],
  };
}

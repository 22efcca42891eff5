import type { Bench, Chart } from '@neat-measure/contract';
import {
  LOCALE,
  alterationsOf,
  bareUnit,
  dartOf,
  fitChecksOf,
  finalSize,
  formatLength,
  HANDING_WORDS,
  judgeDocket,
  lastHanding,
  nameAt,
  ORIGIN_WORDS,
  replay,
  sayAltered,
  settledValues,
  SIGNATURE_GROUND,
  standingDecision,
  standingFitting,
  standingReadings,
  styleOf,
  trialsOf,
  waistOf,
  wishOf,
  type Docket,
  type GarmentVerdict,
  type Signature,
  shownIn,
  type InchParts,
} from '@neat-measure/core';
import type { Content, TableCell } from 'pdfmake/interfaces';
import { line, LINE, SOFT } from '../print/sheet-parts';
import { words, type Printed } from '../print/print-pdf';

/** A docket with the address at which it is opened. */
export interface SizesToPrint {
  readonly sheet: 'sizes';
  readonly bench: Bench;
  readonly address: string;
}

/**
 * The sizes of a wearer on one page: every garment with its labels, what is altered and how it was
 * proved, what was left out and why, wishes, readings with their origin, cautions, who signed, and a
 * code that opens the docket.
 */
export function sizeSheet({ bench, address }: Omit<SizesToPrint, 'sheet'>): Printed {
  const docket = replay(bench.acts.map(({ act }) => act))!;
  const { garments } = judgeDocket(docket, bench);
  const title = `Sizes · docket ${bench.number} · ${bench.wearer.name}`;
  const cautions = [...new Set(garments.flatMap(({ verdict }) => verdict.cautions))];
  return {
    title,
    content: [
      {
        columns: [
          {
            width: '*',
            stack: [
              words(bench.wearer.name, { bold: true, fontSize: 22 }),
              { ...words(about(bench, docket)), color: SOFT },
            ],
          },
          {
            width: 70,
            stack: [
              { qr: address, fit: 70 },
              { text: `docket ${bench.number}`, fontSize: 8, color: SOFT },
            ],
          },
        ],
      },
      {
        margin: [0, 10, 0, 0],
        layout: { hLineColor: () => LINE, vLineWidth: () => 0 },
        table: {
          headerRows: 1,
          widths: ['*', 'auto', '*'],
          body: [
            ['Garment', 'Size', 'Altered, tried on and handed over'].map(
              (text): TableCell => ({ text, fontSize: 8.5, color: SOFT }),
            ),
            ...garments.map(({ chart, verdict }) => rowOf(docket, chart, verdict, bench.habits.inchParts)),
          ],
        },
      },
      ...wishesOf(docket, bench.habits.inchParts),
      ...(styleOf(docket, null) === null ? [] : [line(`Style and colour: ${styleOf(docket, null)}`)]),
      ...readingsOf(bench, docket),
      ...cautions.map(
        (caution): Content => ({ ...words(`Caution. ${caution}`, { fontSize: 8.5 }), margin: [0, 4, 0, 0] }),
      ),
      ...signaturesOf(docket),
    ],
  };
}

function about({ wearer }: Bench, { occasion, openedAt }: Docket): string {
  return [wearer.role, occasion, dayOf(openedAt)].filter((one) => one !== '').join(' · ');
}

function rowOf(docket: Docket, chart: Chart, verdict: GarmentVerdict, inches: InchParts): TableCell[] {
  const { sheet } = chart;
  const final = finalSize(docket, chart.id);
  const labels = sheet.parts.flatMap((part) => {
    const at = part.sizes.indexOf(final?.sizes[part.code] ?? '');
    return at < 0 ? [] : part.otherNames.map(({ system, labels: own }) => `${system} ${own[at]!}`);
  });
  const parts =
    sheet.parts.length < 2 || final === null
      ? []
      : sheet.parts.map(({ code, name }) => `${name} ${final.sizes[code] ?? '–'}`);
  return [
    {
      stack: [
        words(sheet.garment, { bold: true }),
        { ...words(sheet.maker, { fontSize: 9 }), color: SOFT },
        ...(parts.length === 0 ? [] : [words(parts.join(', '), { fontSize: 9 })]),
      ],
    },
    {
      stack: [
        words(final?.size ?? withoutSize(docket, chart.id), {
          bold: true,
          fontSize: final === null ? 11 : 18,
        }),
        ...(labels.length === 0 ? [] : [{ ...words(labels.join(', '), { fontSize: 9 }), color: SOFT }]),
      ],
    },
    { stack: courseOf(docket, chart, verdict, inches).map((text) => words(text, { fontSize: 9 })) },
  ];
}

function withoutSize(docket: Docket, chartId: string): string {
  return standingDecision(docket, chartId)?.outcome === 'made-to-measure' ||
    standingFitting(docket, chartId)?.outcome === 'made-to-measure'
    ? 'made to measure'
    : 'not decided';
}

/** What became of a garment, a line each: altered, its options, tried, what was left out, handed over, come back. */
function courseOf(
  docket: Docket,
  { id, sheet }: Chart,
  verdict: GarmentVerdict,
  inches: InchParts,
): string[] {
  const [decision, fitting] = [standingDecision(docket, id), standingFitting(docket, id)];
  const trial =
    trialsOf(docket, id).find((one) => one.id === fitting?.trialId) ?? trialsOf(docket, id).at(-1);
  const handing = lastHanding(docket, id);
  const checks = fitChecksOf(sheet);
  const lookOf = (code: string) => checks.find((one) => one.code === code)?.look ?? code;
  const left = (trial?.seen ?? []).filter(
    ({ answer, check }) => answer === null && checks.some((one) => one.must && one.code === check),
  );
  const style = styleOf(docket, id);
  return [
    ...(style === null ? [] : [`Style and colour: ${style}`]),
    ...alterationsOf(docket, id).map((one) => capital(sayAltered(one, shownIn(docket.unit, inches)))),
    ...verdict.options.map(({ name, adds }) => `${name}: ${adds}`),
    ...(decision?.reason ? [`Chosen by ${decision.by.name}: ${decision.reason}`] : []),
    ...(fitting === null
      ? []
      : [
          `Tried on, ${fitting.outcome === 'kept' ? 'kept' : 'made to measure'}: ${fitting.by.name}, ${dayOf(fitting.fittedAt)}`,
        ]),
    ...(fitting?.reason ? [`Kept despite a fault: ${fitting.reason}`] : []),
    ...(trial?.carrier ? [`Worn in ${trial.carrier}`] : []),
    ...left.map(({ check, reason, by }) => `Skipped by ${by.name}: ${lookOf(check)}. ${reason ?? ''}`),
    ...(handing === null
      ? []
      : [
          `${capital(HANDING_WORDS[handing.way])} by ${handing.by.name}, ${dayOf(handing.at)}${handing.until === null ? '' : `, until ${dayOf(handing.until)}`}`,
        ]),
    ...(handing?.untried ? [`Handed over without trying on: ${handing.untried}`] : []),
    ...((handing?.back ?? null) === null ? [] : [`Returned ${dayOf(handing!.back!.at)}`]),
  ];
}

function wishesOf({ wishes, unit }: Docket, inches: InchParts): Content[] {
  if (wishes.length === 0) return [];
  const said = wishes.map(
    ({ wish, length }) => `${wishOf(wish).name.toLowerCase()} ${formatLength(length, shownIn(unit, inches))}`,
  );
  return [line(`Wished: ${said.join('; ')}.`)];
}

/** Every value with where it comes from, in three columns so that all of it stays on the page. */
function readingsOf(bench: Bench, docket: Docket): Content[] {
  const said = [...settledValues(docket.readings, bench.habits)].map(([code, value]) => {
    const last = standingReadings(docket.readings, [code]).at(-1)!;
    const unit = bareUnit(code, docket.unit);
    const from = last.origin === 'fitter' ? '' : ` (${ORIGIN_WORDS[last.origin]})`;
    const carried = last.carriedFrom === null ? '' : ` (of ${dayOf(last.carriedFrom)})`;
    return `${nameAt(code, waistOf(last))} ${formatLength(value, shownIn(unit, bench.habits.inchParts))}${from}${carried}`;
  });
  const dart = dartOf(settledValues(docket.readings, bench.habits));
  if (dart !== null)
    said.push(
      `Dart ${formatLength(dart, shownIn(docket.unit, bench.habits.inchParts))} (the difference of two)`,
    );
  if (said.length === 0) return [];
  const size = Math.ceil(said.length / 3);
  return [
    line('Read', true),
    {
      columns: [0, 1, 2].map((at) => ({
        stack: said.slice(at * size, (at + 1) * size).map((text) => words(text, { fontSize: 9 })),
      })),
      columnGap: 14,
      margin: [0, 4, 0, 6],
    },
  ];
}

/** Who signed for what they have, each signature once. */
function signaturesOf(docket: Docket): Content[] {
  const acts = new Map(docket.handings.filter(({ back }) => back === null).map((one) => [one.actId, one]));
  return [...acts.values()].map(
    ({ signature, at, by }): Content => ({
      margin: [0, 14, 0, 0],
      unbreakable: true,
      stack: [
        signatureOf(signature),
        { ...words(`Received ${dayOf(at)} from ${by.name}`, { fontSize: 8.5 }), color: SOFT },
      ],
    }),
  );
}

function signatureOf(signature: Signature): Content {
  if (signature.by === 'name') return words(signature.name, { bold: true, fontSize: 14 });
  const { width, height } = SIGNATURE_GROUND;
  const lines = signature.strokes.map(
    (stroke) => `<polyline points="${stroke.join(' ')}" fill="none" stroke="#1E2A2B" stroke-width="3"/>`,
  );
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${lines.join('')}</svg>`,
    width: 170,
  };
}

function dayOf(moment: string): string {
  return new Date(moment).toLocaleDateString(LOCALE, { day: 'numeric', month: 'long', year: 'numeric' });
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

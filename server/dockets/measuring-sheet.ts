import type { Bench } from '@neat-measure/contract';
import {
  allowedIn,
  bareUnit,
  CLOTHING_WORDS,
  drawSvg,
  formatLength,
  GENERAL_PREPARATION,
  INSTRUMENT_WORDS,
  instrumentsOf,
  measurement,
  planOf,
  replay,
  STANCE_ASKS,
  TENSION_WORDS,
  type PlannedStep,
  type Habits,
  type WorkingUnit,
} from '@neat-measure/core';
import type { Content } from 'pdfmake/interfaces';
import { printPdf, words } from '../print/print-pdf';

const SOFT = '#5C6765';
const LINE = '#B9B3A2';

/**
 * The steps of a docket on paper, for someone without a screen: what to prepare, then each
 * step with its figure, how the tape lies, and boxes for two readings and a third.
 */
export function printMeasuringSheet(bench: Bench): Promise<Buffer> {
  const { number, wearer, protocols, acts } = bench;
  const docket = replay(acts.map(({ act }) => act))!;
  const { steps } = planOf(docket, bench);
  const title = `Docket ${number} · ${wearer.name}`;
  const prepare = [...new Set([...protocols.flatMap((one) => one.prepare), ...GENERAL_PREPARATION])];
  const cautions = [...new Set(protocols.flatMap((one) => one.cautions))];
  return printPdf(
    [
      words(title, { bold: true, fontSize: 20 }),
      line(`Written in ${docket.unit}; feet in mm. Measured by ______________________ on ______________`),
      ...cautions.map((caution) => line(`Caution. ${caution}`)),
      line('Before the tape', true),
      { ul: prepare.map((text) => words(text)), margin: [0, 4, 0, 0] },
      line(
        `At hand: ${instrumentsOf(steps.map(({ code }) => code))
          .map((one) => INSTRUMENT_WORDS[one])
          .join('; ')}.`,
      ),
      line(`Taken over (mark one): ${Object.values(CLOTHING_WORDS).join(' · ')}`),
      line(
        'Read every measurement twice and write it down at once. Where the two are further apart than allowed, read a third time.',
      ),
      ...steps.map((step, index) => printStep(step, steps[index - 1], docket.unit, bench.habits)),
    ],
    title,
  );
}

function printStep(
  step: PlannedStep,
  before: PlannedStep | undefined,
  docketUnit: WorkingUnit,
  habits: Habits,
): Content {
  const { name, place, stance, spoils } = measurement(step.code);
  const unit = bareUnit(step.code, docketUnit);
  const announced: Content[] =
    before === undefined || measurement(before.code).stance !== stance
      ? [line(STANCE_ASKS[stance], true)]
      : [];
  const box = (label: string): Content => [
    { text: label, fontSize: 8.5, color: SOFT },
    { text: ' ', fontSize: 18 },
    { text: unit, fontSize: 8.5, color: SOFT, alignment: 'right' },
  ];
  return {
    unbreakable: true,
    stack: [
      ...announced,
      {
        margin: [0, 8, 0, 0],
        columnGap: 12,
        columns: [
          { svg: drawSvg(step.code), width: 56 },
          {
            width: '*',
            stack: [
              words(name, { bold: true, fontSize: 13 }),
              words(place),
              {
                ...words(
                  `Tape: ${TENSION_WORDS[step.tension]}, ${CLOTHING_WORDS[step.clothing]}. Spoils it: ${spoils.join('; ').toLowerCase()}.`,
                ),
                color: SOFT,
              },
            ],
          },
          {
            width: 216,
            stack: [
              {
                table: { widths: [64, 64, 64], body: [[box('First'), box('Second'), box('Third')]] },
                layout: { hLineColor: () => LINE, vLineColor: () => LINE },
              },
              {
                text: `Allowed apart: ${formatLength(allowedIn(habits, step.code), unit)}`,
                fontSize: 8.5,
                color: SOFT,
                margin: [0, 3, 0, 0],
              },
            ],
          },
        ],
      },
    ],
  };
}

function line(text: string, heading = false): Content {
  return { ...words(text, heading ? { bold: true, fontSize: 13 } : {}), margin: [0, heading ? 14 : 5, 0, 0] };
}

import type { Bench } from '@neat-measure/contract';
import {
  allowedIn,
  bareUnit,
  buildOf,
  byPlacing,
  CHAINS,
  CLOTHING_WORDS,
  drawSvg,
  formatLength,
  INSTRUMENT_WORDS,
  instrumentsOf,
  markWords,
  measurement,
  planOf,
  preparationFor,
  replay,
  sayCord,
  sayPlacings,
  settledValues,
  SKIRT_CUT_WORDS,
  STANCE_ASKS,
  TENSION_WORDS,
  WISH_CODES,
  wishesAsked,
  wishOf,
  type Docket,
  type Drawn,
  type Habits,
  type PlannedStep,
  type WishCode,
  type WorkingUnit,
  shownIn,
  nameAt,
  placeAt,
  wordsAt,
} from '@neat-measure/core';
import type { Content } from 'pdfmake/interfaces';
import { line, LINE, SOFT } from '../print/sheet-parts';
import { words, type Printed } from '../print/print-pdf';

/** A docket whose steps are to be printed. */
export interface StepsToPrint {
  readonly sheet: 'steps';
  readonly bench: Bench;
}

/**
 * The steps of a docket on paper, for someone without a screen: what to prepare, then every placing of
 * the tape with its figure, how it lies, and boxes for two readings and a third of each mark; then what
 * is wished of the garment.
 */
export function measuringSheet(bench: Bench): Printed {
  const { number, wearer, protocols, acts } = bench;
  const docket = replay(acts.map(({ act }) => act))!;
  const plan = planOf(docket, bench);
  const { steps } = plan;
  const title = `Docket ${number} · ${wearer.name}`;
  const prepare = [...new Set([...preparationFor(docket, bench), sayCord(plan)])].filter(
    (text) => text !== '',
  );
  const cautions = [...new Set(protocols.flatMap((one) => one.cautions))];
  const drawn = { build: buildOf(settledValues(docket.readings, bench.habits)), cord: plan.cord !== null };
  const placings = byPlacing(steps);
  return {
    title,
    content: [
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
        'Read every measurement twice and write it down at once. Where the two are further apart than allowed, read a third time. Along a chain read all marks in a row, then all of them again.',
      ),
      ...(sayPlacings(plan) === '' ? [] : [line(sayPlacings(plan))]),
      ...placings.map((placing, index) =>
        printPlacing(placing, placings[index - 1]?.at(-1), drawn, docket.unit, bench.habits),
      ),
      ...printWishes(docket, wishesAsked(docket, bench), bench.habits),
    ],
  };
}

type Figure = Pick<Drawn, 'build' | 'cord'>;

function printPlacing(
  placing: readonly PlannedStep[],
  before: PlannedStep | undefined,
  figure: Figure,
  docketUnit: WorkingUnit,
  habits: Habits,
): Content {
  const [first] = placing as [PlannedStep];
  const { stance, spoils } = measurement(first.code);
  const chain = first.chain === null ? null : CHAINS[first.chain];
  const codes = placing.map(({ code }) => code);
  const announced: Content[] =
    before === undefined || measurement(before.code).stance !== stance
      ? [line(STANCE_ASKS[stance], true)]
      : [];
  const spoilt = [...new Set(codes.flatMap((code) => measurement(code).spoils))].join('; ').toLowerCase();
  const how = `Tape: ${TENSION_WORDS[first.tension]}, ${CLOTHING_WORDS[first.clothing]}. Common mistakes: ${chain === null ? spoils.join('; ').toLowerCase() : spoilt}.`;
  return {
    unbreakable: placing.length < 5,
    stack: [
      ...announced,
      {
        margin: [0, 8, 0, 0],
        columnGap: 12,
        columns: [
          { svg: drawSvg({ code: codes.at(-1)!, along: codes, ...figure }), width: 56 },
          {
            width: '*',
            stack: [
              words(chain?.name ?? nameAt(first.code, first.waist), { bold: true, fontSize: 13 }),
              words(
                chain === null
                  ? placeAt(first.code, first.waist)
                  : `From ${wordsAt(chain.from, first.waist)}, ${chain.runs}.`,
              ),
              { ...words(how), color: SOFT },
            ],
          },
          {
            width: 252,
            stack: placing.flatMap((step) => boxesOf(step, chain !== null, docketUnit, habits)),
          },
        ],
      },
    ],
  };
}

/** Boxes for the readings of one measurement. */
function boxesOf(step: PlannedStep, inChain: boolean, docketUnit: WorkingUnit, habits: Habits): Content[] {
  const unit = bareUnit(step.code, docketUnit);
  const box = (label: string): Content => [
    { text: label, fontSize: 8.5, color: SOFT },
    { text: ' ', fontSize: inChain ? 11 : 18 },
    { text: unit, fontSize: 8.5, color: SOFT, alignment: 'right' },
  ];
  const onTiptoe = measurement(step.code).stance === 'tiptoe' ? ' Now on tiptoe, the tape held.' : '';
  return [
    ...(inChain
      ? [
          {
            ...words(
              `${nameAt(step.code, step.waist)}: ${wordsAt(markWords(step.code), step.waist)}.${onTiptoe}`,
              {
                fontSize: 9.5,
              },
            ),
          },
        ]
      : []),
    {
      table: { widths: [76, 76, 76], body: [[box('First'), box('Second'), box('Third')]] },
      layout: { hLineColor: () => LINE, vLineColor: () => LINE },
    },
    {
      text: `Allowed apart: ${formatLength(allowedIn(habits, step.code), shownIn(unit, habits.inchParts))}`,
      fontSize: 8.5,
      color: SOFT,
      margin: [0, 3, 0, inChain ? 5 : 0],
    },
  ];
}

/** What is wanted of the garment: what was noted, and a line for what was not asked about yet. */
function printWishes(docket: Docket, asked: readonly WishCode[], { inchParts }: Habits): Content[] {
  const shown = shownIn(docket.unit, inchParts);
  const codes = WISH_CODES.filter(
    (code) => asked.includes(code) || docket.wishes.some(({ wish }) => wish === code),
  );
  if (codes.length === 0) return [];
  return [
    line('Wishes', true),
    {
      ...words(
        'Lengths of the garment, not of the body. They decide no size and are not part of the record.',
      ),
      color: SOFT,
    },
    ...codes.map((code): Content => {
      const noted = docket.wishes.find(({ wish }) => wish === code);
      const value =
        noted === undefined
          ? '______________'
          : `${formatLength(noted.length, shown)}${noted.estimatedFor === null ? '' : ` (estimated from the hip, cut ${SKIRT_CUT_WORDS[noted.estimatedFor]})`}`;
      const { name, place } = wishOf(code);
      return {
        columns: [
          { ...words(name, { bold: true }), width: 150 },
          { ...words(value), width: 120 },
          { ...words(place), width: '*', color: SOFT },
        ],
        margin: [0, 4, 0, 0],
      };
    }),
  ];
}

// What the worked examples in core's doc comments speak of, besides what core exports.
import { UNSETTLED, type Habits } from '../docket/habits';
import type { Docket } from '../docket/docket';
import type { Library } from '../docket/library';
import type { Act } from '../docket/acts';
import type { Movement, Whereabouts } from '../stock/movement';
import type { Muster } from '../muster/muster';
import { shelvedChart, SpecDocket } from './docket';
import { SpecMuster } from './muster';

/** A house that has settled nothing. */
export const house: Habits = UNSETTLED;

/** A field jacket: M holds a chest of 94 to 102 and a waist of 82 to 90 cm, L the next 8 cm, XL 111 to 119 and 100 to 109. */
export const jacket = shelvedChart({ kind: 'jacket' });

/** Ibrahima Lund's docket: chest 98 and 98.5 cm, waist 85 twice; the jacket accepted in M. */
const lunds = new SpecDocket([jacket]);
lunds.reads('chest-girth', 98, 98.5);
lunds.reads('waist-girth', 85, 85);
lunds.does('garment-decided', lunds.decision(jacket));
export const docket: Docket = lunds.docket!;
export const acts: readonly Act[] = lunds.acts;
export const library: Library = lunds.library;

/** The same once M was tried on, found right at the button, kept and handed over. */
const wears = new SpecDocket([jacket]);
wears.reads('chest-girth', 98, 98.5);
wears.reads('waist-girth', 85, 85);
wears.does('garment-decided', wears.decision(jacket));
const trial = wears.does('garment-tried', {
  chartId: jacket.id,
  sizes: { size: 'M' },
  carrier: null,
  found: null,
});
wears.does('fit-checked', {
  chartId: jacket.id,
  trialId: trial.id,
  check: 'button',
  answer: 'right',
  reason: null,
});
wears.does('garment-fitted', {
  chartId: jacket.id,
  trialId: trial.id,
  outcome: 'kept',
  reason: null,
  found: null,
});
wears.does('garments-handed-over', {
  garments: [
    {
      chartId: jacket.id,
      way: 'issued',
      until: null,
      untried: null,
      from: { roomId: lunds.id, pieceId: null },
      found: null,
    },
  ],
  signature: { by: 'name', name: 'Ibrahima Lund' },
});
export const worn: Docket = wears.docket!;

/** A shelf in the loft, and what came onto it and went from it: five gloves of size 9 came, two went. */
export const loft: Whereabouts = { in: 'room', roomId: lunds.id, compartment: 'shelf' };
const moved = { articleId: 'gloves-9', pieceId: null, reason: null };
export const movements: readonly Movement[] = [
  { ...moved, id: 'first', kind: 'received', from: { in: 'maker' }, to: loft, count: 5 },
  { ...moved, id: 'second', kind: 'issued', from: loft, to: { in: 'wearer' }, count: 2 },
];

/** A waistcoat by the maker’s arithmetic, one step of it: its girth is a tenth over the chest, in inches. */
export const waistcoat = shelvedChart(
  {
    garment: 'Waistcoat',
    kind: 'waistcoat',
    unit: 'in',
    derivations: [
      {
        code: 'derived:girth',
        name: 'Girth',
        steps: [{ do: 'multiply', as: 'girth', of: 'chest-girth', by: 1.1 }],
      },
    ],
  },
  [{ code: 'derived:girth', unit: 'in', cells: ['40-44', '44-48', '48-52'] }],
);

/** A muster of three with one station that measures, decides and hands over: the first has come and is measured next. */
const musters = new SpecMuster({ Bench: ['girths', 'lengths', 'deciding', 'handing'] }, 3);
export const checkIn = musters.checksIn(0, ['girths', 'lengths', 'deciding', 'handing']);
export const intake: Muster = musters.muster!;

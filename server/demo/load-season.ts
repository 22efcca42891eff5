import type { Fitter } from '@neat-measure/contract';
import {
  ALTERED_HOW,
  bareUnit,
  FIT_AREAS,
  HANDING_WAYS,
  measurement,
  MEASUREMENT_CODES,
  planOf,
  readAlteration,
  readingIdsBehind,
  readReading,
  RETURN_REASONS,
  RETURN_WAYS,
  type FitArea,
  UNSETTLED,
  type TakenFrom,
} from '@neat-measure/core';
import { dayOf } from '@neat-measure/core/stock';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import * as z from 'zod';
import { findCharts } from '../charts/store';
import type { Database } from '../database/database';
import { addActs } from '../dockets/act-store';
import { addDocket, keepRows } from '../dockets/store';
import { Hand } from './hand';
import { moveForAct } from '../stores/docket-acts';

const decisionSchema = z.discriminatedUnion('outcome', [
  z.object({ outcome: z.literal('accepted'), sizes: z.record(z.string(), z.string()) }),
  z.object({
    outcome: z.literal('overridden'),
    sizes: z.record(z.string(), z.string()),
    reason: z.string(),
  }),
  z.object({ outcome: z.literal('made-to-measure'), reason: z.string().nullable() }),
]);

const trialSchema = z.object({
  sizes: z.record(z.string(), z.string()),
  carrier: z.string().nullable().default(null),
  /** By the code of the check. */
  seen: z.record(z.string(), z.string()),
  /** What it came to, where it was the last; it is open where nothing is said. */
  kept: z.boolean().default(false),
  reason: z.string().nullable().default(null),
});

const alterationSchema = z.object({
  area: z.enum(FIT_AREAS as [FitArea, ...FitArea[]]),
  how: z.enum(ALTERED_HOW),
  typed: z.string(),
});

const handedSchema = z.object({
  way: z.enum(HANDING_WAYS),
  /** For how many days it was hired. */
  days: z.int().nullable().default(null),
  /** The number of the piece, where it was taken from the stores. */
  piece: z.string().nullable().default(null),
  /** Why it came back, where it did. */
  back: z
    .object({
      why: z.enum(RETURN_REASONS),
      area: z
        .enum(FIT_AREAS as [FitArea, ...FitArea[]])
        .nullable()
        .default(null),
      goes: z.enum(RETURN_WAYS),
      /** The sizes it was exchanged for, tried on and kept. */
      then: z.record(z.string(), z.string()).nullable().default(null),
    })
    .nullable()
    .default(null),
});

const seasonSchema = z.object({
  dockets: z.array(
    z.object({
      wearer: z.uuidv7(),
      occasion: z.string(),
      daysAgo: z.int().min(0),
      /** By the name of the chart's file. */
      garments: z.array(z.string()),
      readings: z.partialRecord(z.enum(MEASUREMENT_CODES), z.array(z.string()).min(1)),
      decisions: z.record(z.string(), decisionSchema),
      /** The sizes that were put on, by the name of the chart's file, with what was seen of each. */
      trials: z.record(z.string(), z.array(trialSchema)).default({}),
      alterations: z.record(z.string(), z.array(alterationSchema)).default({}),
      /** What was handed over in the end, by the name of the chart's file. */
      handed: z.record(z.string(), handedSchema).default({}),
    }),
  ),
});

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/**
 * Loads the dockets of one season, counted back from today: who was measured, what was read
 * and what was decided on it, act by act as a fitter does it.
 *
 * @param folder holds `season.json`
 * @param charts the id of each chart by its file
 * @param fitter who measured and decided
 * @param pieces numbered pieces in the stores, by their numbers
 */
export async function loadSeason(
  database: Database,
  folder: string,
  charts: ReadonlyMap<string, string>,
  fitter: Fitter,
  pieces: ReadonlyMap<string, TakenFrom> = new Map(),
): Promise<void> {
  const { dockets } = seasonSchema.parse(JSON.parse(await readFile(join(folder, 'season.json'), 'utf8')));
  const oldestFirst = [...dockets].sort((one, other) => other.daysAgo - one.daysAgo);
  const library = {
    charts: await findCharts(database, [...charts.values()]),
    protocols: [],
    habits: UNSETTLED,
  };
  const wearers = await database('wearers').select<{ id: string; name: string }[]>('id', 'name');
  const names = new Map(wearers.map(({ id, name }) => [id, name]));
  for (const [at, docket] of oldestFirst.entries()) {
    // One after the other, so that those of one day keep an order.
    const opened = Date.now() - docket.daysAgo * DAY_MS - (oldestFirst.length - at) * 20 * MINUTE_MS;
    const hand = new Hand(library, fitter, opened);
    workThrough(hand, names.get(docket.wearer) ?? 'The wearer', docket, charts, pieces);
    for (const { act, before, after } of hand.steps)
      await (before === null ? addDocket(database, after) : keepRows(database, before, act, after));
    await addActs(database, hand.acts);
    for (const { act, before, after } of hand.steps)
      if (before !== null) await moveForAct(database, act, before, after, library);
  }
}

function workThrough(
  hand: Hand,
  name: string,
  {
    wearer,
    occasion,
    garments,
    readings,
    decisions,
    trials,
    alterations,
    handed,
  }: z.infer<typeof seasonSchema>['dockets'][number],
  charts: ReadonlyMap<string, string>,
  pieces: ReadonlyMap<string, TakenFrom>,
): void {
  const unit = 'cm' as const;
  hand.does({ kind: 'docket-opened', wearerId: wearer, occasion, unit, preference: 'regular' });
  for (const file of garments) hand.does({ kind: 'garment-asked', chartId: charts.get(file)! });
  const { steps } = planOf(hand.docket!, hand.library);
  for (const code of MEASUREMENT_CODES)
    for (const typed of readings[code] ?? []) {
      const { stance, instruments } = measurement(code);
      const read = readReading(typed, code, bareUnit(code, unit));
      if (!read.ok) throw new Error(`demo season: ${typed} is no reading of ${code}`);
      // Each is taken the way the garments of the docket want it.
      const { tension, clothing } = steps.find((step) => step.code === code) ?? {
        tension: 'skin',
        clothing: 'close-fitting',
      };
      hand.does({
        kind: 'reading-taken',
        code,
        typed,
        unit: bareUnit(code, unit),
        length: read.value.length,
        stance,
        tension,
        clothing,
        instrument: instruments[0]!,
        origin: 'fitter',
        carriedFrom: null,
        device: null,
      });
    }
  for (const [file, decision] of Object.entries(decisions)) {
    const chart = hand.library.charts.find(({ id }) => id === charts.get(file))!;
    hand.does({
      kind: 'garment-decided',
      chartId: chart.id,
      sizes: {},
      reason: null,
      readingIds: readingIdsBehind(hand.docket!, chart.sheet),
      after: null,
      habits: hand.library.habits.version,
      found: null,
      ...decision,
    });
  }
  for (const [file, sizes] of Object.entries(trials))
    tryOn(hand, charts.get(file)!, sizes, alterations[file] ?? []);
  for (const [file, one] of Object.entries(handed)) handOver(hand, charts.get(file)!, name, one, pieces);
}

/** Puts size after size on, answers what was seen, notes what is altered, and keeps what was kept. */
function tryOn(
  hand: Hand,
  chartId: string,
  trials: readonly z.infer<typeof trialSchema>[],
  alterations: readonly z.infer<typeof alterationSchema>[],
): void {
  for (const { sizes, carrier, seen, kept, reason } of trials) {
    hand.does({ kind: 'garment-tried', chartId, sizes, carrier, found: null });
    const trialId = hand.acts.at(-1)!.id;
    for (const [check, answer] of Object.entries(seen))
      hand.does({ kind: 'fit-checked', chartId, trialId, check, answer, reason: null });
    if (!kept) continue;
    for (const { area, how, typed } of alterations) {
      const read = readAlteration(typed, how, 'cm');
      if (!read.ok) throw new Error(`demo season: ${typed} is no alteration`);
      hand.does({ kind: 'alteration-noted', chartId, area, how, typed, unit: 'cm', length: read.value });
    }
    hand.does({ kind: 'garment-fitted', chartId, trialId, outcome: 'kept', reason, found: null });
  }
}

/** Hands a garment over, to a wearer who signs; takes it back, and exchanges it, where it was. */
function handOver(
  hand: Hand,
  chartId: string,
  name: string,
  { way, days, piece, back }: z.infer<typeof handedSchema>,
  pieces: ReadonlyMap<string, TakenFrom>,
): void {
  const go = () => {
    const until = days === null ? null : dayOf(new Date(hand.now + days * DAY_MS));
    hand.does({
      kind: 'garments-handed-over',
      garments: [
        {
          chartId,
          way,
          until,
          untried: null,
          found: null,
          ...(piece === null ? {} : { from: pieces.get(piece)! }),
        },
      ],
      signature: { by: 'name', name },
    });
  };
  go();
  if (back === null) return;
  const { why, area, goes, then } = back;
  hand.does({ kind: 'garment-came-back', chartId, why, area, note: null, goes });
  if (then === null) return;
  tryOn(hand, chartId, [{ sizes: then, carrier: null, seen: {}, kept: true, reason: null }], []);
  go();
}

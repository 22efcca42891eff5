import type { Fitter } from '@neat-measure/contract';
import {
  bareUnit,
  measurement,
  MEASUREMENT_CODES,
  planOf,
  readingIdsBehind,
  readReading,
  replay,
  sayRefusal,
  type Act,
  type Doing,
} from '@neat-measure/core';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import * as z from 'zod';
import type { Database } from '../database/database';
import { openBench } from '../dockets/service';
import { takeAct } from '../dockets/take-acts';

const decisionSchema = z.discriminatedUnion('outcome', [
  z.object({ outcome: z.literal('accepted'), sizes: z.record(z.string(), z.string()) }),
  z.object({
    outcome: z.literal('overridden'),
    sizes: z.record(z.string(), z.string()),
    reason: z.string(),
  }),
  z.object({ outcome: z.literal('made-to-measure'), reason: z.string().nullable() }),
]);

const seasonSchema = z.object({
  dockets: z.array(
    z.object({
      wearer: z.uuidv7(),
      occasion: z.string(),
      daysAgo: z.int().min(0),
      /** By the name of the chart's file. */
      garments: z.array(z.string()).min(1),
      readings: z.partialRecord(z.enum(MEASUREMENT_CODES), z.array(z.string()).min(1)),
      decisions: z.record(z.string(), decisionSchema),
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
 */
export async function loadSeason(
  database: Database,
  folder: string,
  charts: ReadonlyMap<string, string>,
  fitter: Fitter,
): Promise<void> {
  const { dockets } = seasonSchema.parse(JSON.parse(await readFile(join(folder, 'season.json'), 'utf8')));
  const oldestFirst = [...dockets].sort((one, other) => other.daysAgo - one.daysAgo);
  for (const [at, docket] of oldestFirst.entries()) {
    // One after the other, so that those of one day keep an order.
    const opened = Date.now() - docket.daysAgo * DAY_MS - (oldestFirst.length - at) * 20 * MINUTE_MS;
    await loadDocket(database, docket, charts, new Hand(database, fitter, opened));
  }
}

/** Does one act after the other on one docket, a quarter of a minute apart. */
class Hand {
  readonly docketId = uuidv7();

  constructor(
    private readonly database: Database,
    private readonly fitter: Fitter,
    private clock: number,
  ) {}

  async does(doing: Doing): Promise<void> {
    const at = new Date((this.clock += MINUTE_MS / 4)).toISOString();
    const by = { id: this.fitter.id, name: this.fitter.name };
    const act: Act = { id: uuidv7(), docketId: this.docketId, at, by, ...doing };
    const taken = await takeAct(this.database, this.fitter, act);
    if ('refusal' in taken) throw new Error(`demo season, ${doing.kind}: ${sayRefusal(taken.refusal)}`);
  }
}

async function loadDocket(
  database: Database,
  { wearer, occasion, garments, readings, decisions }: z.infer<typeof seasonSchema>['dockets'][number],
  charts: ReadonlyMap<string, string>,
  hand: Hand,
): Promise<void> {
  const unit = 'cm' as const;
  await hand.does({ kind: 'docket-opened', wearerId: wearer, occasion, unit, preference: 'regular' });
  for (const file of garments) await hand.does({ kind: 'garment-asked', chartId: charts.get(file)! });
  const { steps } = await planned(database, hand.docketId);
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
      await hand.does({
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
  if (Object.keys(decisions).length === 0) return;
  const bench = await openBench(database, hand.docketId);
  const docket = replay(bench.acts.map(({ act }) => act))!;
  for (const [file, decision] of Object.entries(decisions)) {
    const chart = bench.charts.find(({ id }) => id === charts.get(file))!;
    await hand.does({
      kind: 'garment-decided',
      chartId: chart.id,
      sizes: {},
      reason: null,
      readingIds: readingIdsBehind(docket, chart.sheet),
      after: null,
      found: null,
      ...decision,
    });
  }
}

async function planned(database: Database, docketId: string) {
  const bench = await openBench(database, docketId);
  return planOf(replay(bench.acts.map(({ act }) => act))!, bench);
}

import { judgingBasisOf, judgeGarment, standingReadings } from '@neat-measure/contract';
import {
  decidingCodes,
  labelOf,
  measurement,
  MEASUREMENT_CODES,
  readReading,
  type Expectation,
} from '@neat-measure/core';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { openBench } from '../services/bench';
import { findCharts } from '../store/chart-store';
import type { Database } from '../store/database';
import { saveDecision } from '../store/decision-store';
import { saveDocket } from '../store/docket-store';
import { saveReading } from '../store/reading-store';

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
 * and what was decided on it.
 *
 * @param folder holds `season.json`
 * @param charts the id of each chart by its file
 * @param fitterId who measured and decided
 */
export async function loadSeason(
  database: Database,
  folder: string,
  charts: ReadonlyMap<string, string>,
  fitterId: string,
): Promise<void> {
  const { dockets } = seasonSchema.parse(JSON.parse(await readFile(join(folder, 'season.json'), 'utf8')));
  const oldestFirst = [...dockets].sort((one, other) => other.daysAgo - one.daysAgo);
  const expected = await expectations(database, charts);
  for (const [at, { wearer, occasion, daysAgo, garments, readings, decisions }] of oldestFirst.entries()) {
    const docketId = uuidv7();
    // One after the other, so that those of one day keep an order.
    const opened = Date.now() - daysAgo * DAY_MS - (oldestFirst.length - at) * 20 * MINUTE_MS;
    await saveDocket(database, docketId, {
      wearerId: wearer,
      occasion,
      unit: 'cm',
      preference: 'regular',
      chartIds: garments.map((file) => charts.get(file)!),
      protocolIds: [],
      overrides: {},
      extraCodes: [],
      version: 0,
    });
    await database('dockets')
      .where({ id: docketId })
      .update({ opened_at: new Date(opened) });
    // Each is taken the way the garments of the docket want it.
    const wanted = garments.flatMap((file) => expected.get(file) ?? []);
    let taken = opened;
    for (const code of MEASUREMENT_CODES)
      for (const typed of readings[code] ?? []) {
        const { kind, stance, instruments } = measurement(code);
        const unit = kind === 'foot' ? 'mm' : 'cm';
        const read = readReading(typed, code, unit);
        if (!read.ok) throw new Error(`demo season: ${typed} is no reading of ${code}`);
        const reading = {
          docketId,
          code,
          typed,
          unit,
          stance,
          tension: wanted.find((one) => one.code === code)?.tension ?? 'skin',
          clothing: wanted.find((one) => one.code === code)?.clothing ?? 'close-fitting',
          instrument: instruments[0]!,
          origin: 'fitter',
          takenAt: new Date((taken += MINUTE_MS / 4)).toISOString(),
          carriedFrom: null,
          device: null,
        } as const;
        await saveReading(database, uuidv7(), reading, read.value.length, fitterId);
      }
    await decideAll(database, docketId, charts, decisions, fitterId);
    await database('decisions')
      .where({ docket_id: docketId })
      .update({ decided_at: new Date(taken + MINUTE_MS) });
  }
}

/** What each chart says of how it wants to be measured, by its file. */
async function expectations(
  database: Database,
  charts: ReadonlyMap<string, string>,
): Promise<Map<string, readonly Expectation[]>> {
  const kept = await findCharts(database, [...charts.values()]);
  return new Map([...charts].map(([file, id]) => [file, kept.find((one) => one.id === id)!.sheet.expects]));
}

async function decideAll(
  database: Database,
  docketId: string,
  charts: ReadonlyMap<string, string>,
  decisions: z.infer<typeof seasonSchema>['dockets'][number]['decisions'],
  fitterId: string,
): Promise<void> {
  if (Object.keys(decisions).length === 0) return;
  const bench = await openBench(database, docketId);
  const basis = judgingBasisOf(bench);
  for (const [file, decision] of Object.entries(decisions)) {
    const chart = bench.charts.find(({ id }) => id === charts.get(file))!;
    const readingIds = standingReadings(bench.readings, decidingCodes(chart.sheet)).map(({ id }) => id);
    await saveDecision(
      database,
      uuidv7(),
      { docketId, chartId: chart.id, readingIds, ...decision },
      'sizes' in decision ? labelOf(chart.sheet, decision.sizes) : null,
      judgeGarment(chart, basis),
      fitterId,
    );
  }
}

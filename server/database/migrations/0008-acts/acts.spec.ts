import {
  bareUnit,
  isClosing,
  judgeDocket,
  measurement,
  readReading,
  replay,
  sayAct,
  settledValues,
  UNSETTLED,
  standingDecision,
  type ChartSheet,
  type MeasurementCode,
} from '@neat-measure/core';
import { importChartJson } from '@neat-measure/core/sheets';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { listDockets } from '../../../dockets/store';
import { openBench } from '../../../dockets/service';
import { newDatabase } from '../../../testing/new-database';
import type { Database } from '../../database';
import { migrate } from '../../prepare';

const DEMO = join(process.cwd(), 'demo');
const at = (minute: number) => new Date(Date.UTC(2026, 4, 4, 8, minute));

interface Season {
  readonly dockets: readonly {
    readonly wearer: string;
    readonly occasion: string;
    readonly garments: readonly string[];
    readonly readings: Partial<Record<MeasurementCode, readonly string[]>>;
    readonly decisions: Record<
      string,
      { readonly outcome: string; readonly sizes?: Record<string, string>; readonly reason?: string | null }
    >;
  }[];
}
const readJson = (file: string): unknown => JSON.parse(readFileSync(join(DEMO, file), 'utf8'));
const { dockets } = readJson('season.json') as Season;
/** Those of before anybody was measured for the record alone. */
const season = dockets.filter(({ garments }) => garments.length > 0);
const demo = readJson('demo.json') as {
  readonly wearers: readonly { readonly id: string; readonly name: string; readonly role: string }[];
  readonly charts: readonly { readonly id: string; readonly file: string }[];
};

/** A season as the version before acts kept it: its tables, row by row. */
async function fillAsBefore(database: Database, fitterId: string): Promise<void> {
  await database('fitters').insert({
    id: fitterId,
    name: 'Odalys Wren',
    sign_in: 'odalys',
    passphrase_hash: 'x',
  });
  for (const { id, name, role } of demo.wearers)
    await database('wearers').insert({ id, name, role, version: 1, updated_at: at(0) });
  const sheets = new Map<string, { readonly id: string; readonly sheet: ChartSheet }>();
  for (const { id, file } of demo.charts) {
    const read = importChartJson(readFileSync(join(DEMO, 'charts', file)));
    if (!read.ok) throw new Error(file);
    sheets.set(file, { id, sheet: read.value });
    const { maker, garment, kind } = read.value;
    const kept = { sheet: JSON.stringify(read.value), imported_by: fitterId, imported_at: at(0) };
    await database('charts').insert({ id, series_id: id, maker, garment, kind, source: file, ...kept });
  }
  for (const { wearer, occasion, garments, readings, decisions } of season) {
    const id = uuidv7();
    let minute = 0;
    const docket = { id, wearer_id: wearer, occasion, unit: 'cm', preference: 'regular', version: 1 };
    await database('dockets').insert({ ...docket, opened_at: at(0) });
    await database('docket_garments').insert(
      garments.map((file, position) => ({ docket_id: id, position, chart_id: sheets.get(file)!.id })),
    );
    const readingIds: string[] = [];
    const rows: object[] = [];
    for (const [code, all] of Object.entries(readings) as [MeasurementCode, readonly string[]][])
      for (const typed of all) {
        const { stance, instruments } = measurement(code);
        const unit = bareUnit(code, 'cm');
        const read = readReading(typed, code, unit);
        if (!read.ok) throw new Error(`${code} ${typed}`);
        readingIds.push(uuidv7());
        rows.push({
          id: readingIds.at(-1),
          docket_id: id,
          code,
          typed,
          unit,
          length_um: read.value.length,
          stance,
          tension: 'skin',
          clothing: 'close-fitting',
          instrument: instruments[0],
          origin: 'fitter',
          taken_at: at((minute += 1)),
          fitter_id: fitterId,
        });
      }
    await database('readings').insert(rows);
    for (const [file, { outcome, sizes, reason = null }] of Object.entries(decisions))
      await database('decisions').insert({
        id: uuidv7(),
        docket_id: id,
        chart_id: sheets.get(file)!.id,
        outcome,
        size: sizes === undefined ? null : Object.values(sizes).join('/'),
        sizes: JSON.stringify(sizes ?? {}),
        reason,
        reading_ids: JSON.stringify(readingIds),
        // The short form of before garments had parts.
        verdict: JSON.stringify({
          verdict: 'settled',
          proposed: 'M',
          reason: {
            verdict: 'settled',
            size: 'M',
            tightest: {
              code: 'chest-girth',
              value: 980_000,
              standardError: 7_000,
              where: 'inside',
              sizes: ['M'],
              below: null,
              above: null,
              toEdge: 40_000,
            },
          },
          placements: [],
          odds: [{ size: 'M', chance: 1 }],
          alternates: [],
          rule: 'widest-decides',
          preference: 'regular',
        }),
        fitter_id: fitterId,
        decided_at: at((minute += 1)),
      });
  }
}

describe('the migration to acts', () => {
  it('brings a season over: what was read, taken back, skipped, confirmed and decided', async () => {
    const { database, name, url } = await newDatabase();
    try {
      await migrate(url, '0007-chart-versions');
      const fitterId = uuidv7();
      await fillAsBefore(database, fitterId);
      // On the first docket, everything else there was.
      const [first] = await database('dockets').orderBy('number').pluck<string[]>('id');
      const chartId = (await database('docket_garments').where({ docket_id: first }).first('chart_id'))
        .chart_id;
      const [one] = await database('readings').where({ docket_id: first, code: 'chest-girth' }).pluck('id');
      const done = { docket_id: first, fitter_id: fitterId };
      await database('reading_withdrawals').insert({
        reading_id: one,
        fitter_id: fitterId,
        withdrawn_at: at(50),
      });
      await database('step_skips').insert([
        { id: uuidv7(), ...done, code: 'height', reason: 'Declines', skipped_at: at(51) },
        {
          id: uuidv7(),
          ...done,
          code: 'neck-girth',
          reason: 'No value could change a size',
          skipped_at: at(52),
        },
      ]);
      const measured = JSON.stringify([{ code: 'waist-girth', value: 970_000 }]);
      await database('check_confirmations').insert({
        id: uuidv7(),
        ...done,
        check_code: 'waist-over-chest',
        measured,
        reason: 'It is so',
        confirmed_at: at(53),
      });
      await database('docket_protocols').insert({ docket_id: first, position: 0, protocol_id: 'headwear' });
      await database('docket_extras').insert({ docket_id: first, position: 0, code: 'weight' });
      await database('docket_garments')
        .where({ docket_id: first, chart_id: chartId })
        .update({ rule: 'closest', preference: 'roomy' });
      const counted = async (table: string) => Number((await database(table).count({ n: '*' }))[0]!['n']);
      const before = { readings: await counted('readings'), decisions: await counted('decisions') };

      await migrate(url);

      expect(await database.schema.hasTable('readings')).toBeFalse();
      const kinds = async (kind: string) =>
        Number((await database('acts').where({ kind }).count({ n: '*' }))[0]!['n']);
      expect({ readings: await kinds('reading-taken'), decisions: await kinds('garment-decided') }).toEqual(
        before,
      );
      const { items, total } = await listDockets(database, { search: '', from: 0 });
      expect(total).toBe(season.length);
      for (const { id, garments } of items) {
        const bench = await openBench(database, id);
        const acts = bench.acts.map(({ act }) => act);
        const docket = replay(acts)!;
        expect(docket.garments.map((garment) => garment.chartId)).toEqual(
          garments.map((garment) => garment.chartId),
        );
        expect(judgeDocket(docket, bench).garments.length).toBe(garments.length);
        for (const { chartId: of, decided } of garments) {
          const decision = standingDecision(docket, of);
          expect(isClosing(decision)).toBe(decided !== null);
          if (decision?.size) expect(decided).toBe(decision.size);
        }
        for (const act of acts)
          expect(sayAct(act, { garment: () => 'it', protocol: () => 'it', inchParts: 8 })).toMatch(
            /^Odalys Wren /,
          );
      }
      const bench = await openBench(database, first!);
      const docket = replay(bench.acts.map(({ act }) => act))!;
      expect(docket.readings.filter(({ withdrawnAt }) => withdrawnAt !== null).map(({ id }) => id)).toEqual([
        one,
      ]);
      expect(docket.passed.map(({ code, idle }) => [code, idle])).toEqual([
        ['height', false],
        ['neck-girth', true],
      ]);
      expect([docket.confirmations.length, docket.protocolIds, docket.extraCodes]).toEqual([
        1,
        ['headwear'],
        ['weight'],
      ]);
      expect(docket.garments.find((garment) => garment.chartId === chartId)).toEqual({
        chartId,
        rule: 'closest',
        preference: 'roomy',
        chosen: {},
      });
      expect(settledValues(docket.readings, UNSETTLED).size).toBeGreaterThan(3);
      await migrate(url);
    } finally {
      await database.raw(`drop database ${name}`);
      await database.destroy();
    }
    // Every migration, a season, and every docket of it looked at: more than a spec's usual time on a busy machine.
  }, 30_000);
});

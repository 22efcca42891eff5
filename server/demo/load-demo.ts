import { lineSchema, protocolIdSchema, ROLES, signInSchema } from '@neat-measure/contract';
import { importChartJson } from '@neat-measure/core/sheets';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import * as z from 'zod';
import { keepChart } from '../charts/service';
import type { Database } from '../database/database';
import { saveKit } from '../kits/store';
import { saveGroup } from '../musters/groups';
import { addPerson } from '../people/service';
import { findAccount, hasAccounts } from '../accounts/store';
import { findSettings, saveSettings } from '../settings/store';
import { saveWearer } from '../wearers/store';
import { loadMuster } from './load-muster';
import { loadSeason } from './load-season';
import { loadAfterSeason, loadStores } from './load-stores';

const demoSchema = z.object({
  house: lineSchema(120),
  fitters: z.array(signInSchema.extend({ name: lineSchema(120), role: z.enum(ROLES) })).min(1),
  wearers: z.array(
    z.object({
      id: z.uuidv7(),
      name: lineSchema(120),
      role: z.string(),
      born: z.string().nullable().default(null),
    }),
  ),
  charts: z.array(z.object({ id: z.uuidv7(), file: z.string() })),
  kits: z.array(
    z.object({
      id: z.uuidv7(),
      name: lineSchema(60),
      charts: z.array(z.string()),
      protocols: z.array(protocolIdSchema),
      roles: z.array(z.string()),
    }),
  ),
  groups: z.array(z.object({ id: z.uuidv7(), name: lineSchema(60), wearers: z.array(z.uuidv7()) })),
});

/**
 * Loads the demo scenario into a database that has nobody in it; a database in use is left
 * as it is.
 *
 * @param folder holds `demo.json`, the chart files it names, and `season.json`
 * @returns whether anything was loaded
 */
export async function loadDemo(database: Database, folder: string): Promise<boolean> {
  if (await hasAccounts(database)) return false;
  const demo = demoSchema.parse(JSON.parse(await readFile(join(folder, 'demo.json'), 'utf8')));
  await database.transaction(async (transaction) => {
    for (const fitter of demo.fitters) await addPerson(transaction, fitter);
    await saveSettings(transaction, { ...(await findSettings(transaction)), name: demo.house });
    const keeper = (await findAccount(transaction, demo.fitters[0]!.signIn))!;
    for (const { id, ...wearer } of demo.wearers)
      await saveWearer(transaction, id, { ...wearer, number: null, version: 0 });
    for (const { id, name, wearers } of demo.groups)
      await saveGroup(transaction, id, { name, wearerIds: wearers });
    for (const { id, file } of demo.charts) {
      const sheet = importChartJson(await readFile(join(folder, 'charts', file)));
      if (!sheet.ok) throw new Error(`demo chart ${file} has faults: ${JSON.stringify(sheet.problem)}`);
      await keepChart(transaction, id, { sheet: sheet.value, source: file, replaces: null }, keeper.id);
    }
    const ids = new Map(demo.charts.map(({ id, file }) => [file, id]));
    for (const { id, charts, ...kit } of demo.kits)
      await saveKit(transaction, id, { ...kit, series: charts.map((file) => ids.get(file)!), version: 0 });
    const pieces = await loadStores(transaction, folder, ids, keeper);
    await loadSeason(transaction, folder, ids, keeper, pieces);
    await loadAfterSeason(transaction, folder, ids, keeper);
    await loadMuster(
      transaction,
      demo.fitters.map(({ signIn }) => signIn),
    );
  });
  return true;
}

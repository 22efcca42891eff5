import { PAGE, type AuditEntry, type WearerExport } from '@neat-measure/contract';
import { latestSettled, sayAct, sayMusterAct, standingTaken, nameAt, waistOf } from '@neat-measure/core';
import { listAudit } from '../audit/store';
import * as z from 'zod';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import { listActs, musterActsAbout } from '../dockets/act-store';
import { shelfFor } from '../dockets/find-library';
import { docketsOf } from '../dockets/store';
import { notFound } from '../http/problem-error';
import { submissionsOf } from '../links/store';
import { findSettings } from '../settings/store';
import { lateActsAbout } from '../dockets/late/late-acts';
import { findWearer } from './store';

/**
 * Everything that is known of a wearer: who they are, what was read, decided and sent, and who has
 * looked at it.
 *
 * @throws ProblemError `not-found`
 */
export async function exportWearer(database: Database, id: string): Promise<WearerExport> {
  const person = await findWearer(database, id);
  if (person === undefined) throw notFound('person');
  const records = await docketsOf(database, id);
  const { habits } = await findSettings(database);
  const dockets: WearerExport['dockets'] = [];
  for (const { id: docketId, number, occasion, openedAt } of records) {
    const acts = (await listActs(database, docketId)).map(({ act }) => act);
    const library = await shelfFor(database, acts);
    const names = {
      garment: (chart: string) =>
        library.charts.find((one) => one.id === chart)?.sheet.garment ?? 'a garment',
      protocol: (code: string) => library.protocols.find((one) => one.id === code)?.name ?? 'a protocol',
      inchParts: habits.inchParts,
    };
    dockets.push({
      id: docketId,
      number,
      occasion,
      openedAt,
      acts: acts.map((act) => ({ at: act.at, words: sayAct(act, names), act })),
    });
  }
  const taken = dockets.flatMap(({ acts }) => standingTaken(acts.map(({ act }) => act)));
  return {
    format: 'neat-measure-person/1',
    writtenAt: new Date().toISOString(),
    person,
    measurements: latestSettled(taken, habits).map(({ code, value, last }) => ({
      code,
      name: nameAt(code, waistOf(last)),
      value,
      takenAt: last.carriedFrom ?? last.takenAt,
    })),
    dockets,
    musters: (await musterActsAbout(database, id)).map((act) => ({
      at: act.at,
      words: sayMusterAct(act, {
        wearer: (about) => (about === id ? person.name : 'another wearer'),
        station: () => 'a station',
      }),
    })),
    late: await lateActsAbout(
      database,
      id,
      records.map((one) => one.id),
    ),
    groups: await groupsOf(database, id),
    told: await toldAbout(database, id),
    sent: await submissionsOf(database, id),
    looks: (await looksAt(database, id)).map(({ at, by, kind, detail }) => ({ at, by, kind, detail })),
  };
}

/** The groups of a wearer, by name. */
function groupsOf(database: Database, id: string): Promise<string[]> {
  return database('wearers_in_groups')
    .join('wearer_groups', 'wearer_groups.id', 'wearers_in_groups.group_id')
    .where({ wearer_id: id })
    .orderBy('name')
    .pluck<string[]>('name');
}

const toldSchema = z.object({
  readings: z.array(z.object({ code: z.string(), typed: z.string(), unit: z.string() })),
  sizes: z.array(z.object({ item: z.string(), told: z.string() })),
});

/** What lists told of a wearer. */
async function toldAbout(database: Database, id: string): Promise<WearerExport['told']> {
  const rows = await database('told_values')
    .join('musters', 'musters.id', 'told_values.muster_id')
    .where({ wearer_id: id })
    .orderBy('told_at')
    .select<{ name: string; told: unknown; told_at: Date }[]>('name', 'told', 'told_at');
  return rows.map(({ name, told, told_at }) => ({
    ...{ at: told_at.toISOString(), muster: name },
    ...readJson(toldSchema, told, `told of ${id}`),
  }));
}

/** What was noted of a wearer beside what was done on their dockets, which tells itself. */
async function looksAt(database: Database, wearer: string): Promise<AuditEntry[]> {
  const all: AuditEntry[] = [];
  for (let from = 0; ; from += PAGE) {
    const { items, total } = await listAudit(database, { wearer, from });
    all.push(...items);
    if (from + PAGE >= total) return all;
  }
}

import { deviceContactSchema, PATHS, type AwayDevice, type DeviceHeard } from '@neat-measure/contract';
import { Router } from 'express';
import type { Database } from '../../database/database';
import { latestAct } from '../../dockets/act-store';
import { notFound } from '../../http/problem-error';
import { fitterOf, readBody, readId } from '../../http/request';
import { endDevice, fittersOn, isEnded, listAway, noteErased, noteHeard } from '../../session/away-devices';
import type { KnownDevice } from '../../session/known-device';
import type { Standings } from '../standing';
import { missingFrom } from './missing';

/** What the routes of devices that are away work with. */
export interface AwayParts {
  readonly database: Database;
  readonly standings: Standings;
  readonly device: KnownDevice;
}

/** Devices that took a muster along: what they say of themselves, which there are, and how one that is lost is ended. */
export function awayRoutes({ database, standings, device }: AwayParts): Router {
  return Router()
    .post(PATHS.deviceContact, async (request, response) => {
      const contact = readBody(deviceContactSchema, request);
      const id = device.idOf(request);
      const ended = id !== null && (await isEnded(database, id));
      if (id !== null && !ended) await noteHeard(database, id, contact, await latestAct(database));
      // Nobody but a device that is known here hears who is in the house.
      const gone = id === null ? [] : await whoIsGone(database, contact.knows);
      response.json({ now: new Date().toISOString(), ended, gone } satisfies DeviceHeard);
    })
    .put(PATHS.deviceErased, async (request, response) => {
      const id = device.idOf(request);
      if (id !== null && (await isEnded(database, id))) {
        await noteErased(database, id);
        device.renew(request, response);
      }
      response.status(204).end();
    })
    .get(PATHS.awayDevices, async (_request, response) => {
      response.json(await awayDevices(database, standings));
    })
    .delete(`${PATHS.awayDevices}/:id`, async (request, response) => {
      if (!(await endDevice(database, readId(request), fitterOf(response).id))) throw notFound('device');
      response.status(204).end();
    });
}

/** Of some wearers those who have been erased. */
async function whoIsGone(database: Database, ids: readonly string[]): Promise<string[]> {
  if (ids.length === 0) return [];
  const there = new Set(
    await database('wearers')
      .whereIn('id', [...ids])
      .pluck<string[]>('id'),
  );
  return ids.filter((id) => !there.has(id));
}

async function awayDevices(database: Database, standings: Standings): Promise<AwayDevice[]> {
  const rows = await listAway(database);
  const people = await fittersOn(
    database,
    rows.map(({ device_id }) => device_id),
  );
  const [musters, enders] = await Promise.all([
    database('musters').select<{ id: string; name: string }[]>('id', 'name'),
    database('fitters')
      .whereIn(
        'id',
        rows.flatMap(({ ended_by }) => ended_by ?? []),
      )
      .select<{ id: string; name: string }[]>('id', 'name'),
  ]);
  const devices: AwayDevice[] = [];
  for (const row of rows) {
    const own = people.filter(({ deviceId }) => deviceId === row.device_id);
    devices.push({
      id: row.device_id,
      agent: row.agent,
      muster: musters.find(({ id }) => id === row.muster_id) ?? null,
      fitters: own.map(({ name }) => name),
      takenAt: row.taken_at.toISOString(),
      heardAt: row.heard_at.toISOString(),
      clockOff: row.clock_off,
      endedAt: row.ended_at?.toISOString() ?? null,
      endedBy: enders.find(({ id }) => id === row.ended_by) ?? null,
      erasedAt: row.erased_at?.toISOString() ?? null,
      missing: await missingFrom(
        database,
        standings,
        row,
        own.map(({ id }) => id),
      ),
    });
  }
  return devices;
}

import { SHIPPED_PROTOCOLS, type Protocol, type ProtocolSave } from '@neat-measure/contract';
import { protocolBodySchema } from '@neat-measure/core';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import { saveVersioned, type SavedVersion } from '../database/save-versioned';

interface ProtocolRow {
  readonly id: string;
  readonly body: unknown;
  readonly version: number;
}

/** Every protocol: the shipped ones, then one's own by name. */
export async function listProtocols(database: Database): Promise<Protocol[]> {
  return [
    ...SHIPPED_PROTOCOLS,
    ...(await database<ProtocolRow>('protocols').orderBy('name')).map(toProtocol),
  ];
}

/** The protocols of some ids, in the order asked; unknown ids are left out. */
export async function findProtocols(database: Database, ids: readonly string[]): Promise<Protocol[]> {
  const own = (await database<ProtocolRow>('protocols').whereIn('id', [...ids])).map(toProtocol);
  return ids.flatMap((id) => [...SHIPPED_PROTOCOLS, ...own].filter((one) => one.id === id));
}

/** Adds a protocol, or edits the version the save started from. */
export async function saveProtocol(
  database: Database,
  id: string,
  { version, ...body }: ProtocolSave,
): Promise<SavedVersion> {
  const columns = { name: body.name, body: JSON.stringify(body) };
  return saveVersioned(database, { table: 'protocols', id, version, columns, compared: ['name', 'body'] });
}

function toProtocol({ id, body, version }: ProtocolRow): Protocol {
  return { ...readJson(protocolBodySchema, body, `protocol ${id}`), id, version, shipped: false };
}

import { grants, type Newcomer } from '@neat-measure/contract';
import type { Database } from '../database/database';
import type { Signing } from '../session/service';
import { keepWearer } from './service';

/**
 * Adds whoever was met on a device while it could not reach the server, in the name of who met them. Who is known by their
 * id stays as they are: somebody may have edited them since they came in.
 */
export async function meetNewcomers(
  database: Database,
  { fitter, role }: Pick<Signing, 'fitter' | 'role'>,
  newcomers: readonly Newcomer[],
): Promise<void> {
  if (!grants(role, 'keep-wearers')) return;
  for (const { id, ...save } of newcomers) await keepWearer(database, id, { ...save, version: 0 }, fitter.id);
}

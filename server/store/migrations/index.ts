import type { Knex } from 'knex';
import * as bench from './0001-bench';
import * as chartVersions from './0007-chart-versions';
import * as clothing from './0006-clothing-and-extras';
import * as measuring from './0002-measuring';
import * as selfLinks from './0005-self-links';
import * as devices from './0004-devices';
import * as carried from './0003-carried-readings';

/** The migrations by name, oldest first. Forward only; a landed one is never changed. */
const ORDERED: readonly (readonly [string, { up(database: Knex): Promise<void> }])[] = [
  ['0001-bench', bench],
  ['0002-measuring', measuring],
  ['0003-carried-readings', carried],
  ['0004-devices', devices],
  ['0005-self-links', selfLinks],
  ['0006-clothing-and-extras', clothing],
  ['0007-chart-versions', chartVersions],
];

/** Migrations as code of the bundle, so that a running server needs no folder of scripts. */
export const MIGRATIONS: Knex.MigrationSource<string> = {
  getMigrations: () => Promise.resolve(ORDERED.map(([name]) => name)),
  getMigrationName: (name) => name,
  getMigration: (name) => {
    const { up } = ORDERED.find(([one]) => one === name)![1];
    return Promise.resolve({ up, down: () => Promise.reject(new Error('migrations go forward only')) });
  },
};

import type { Knex } from 'knex';
import * as stores from './0017-stores';
import * as countsAndRenames from './0018-counts-and-renames';
import * as wishesSent from './0019-wishes-sent';
import * as putBy from './0020-put-by';
import * as reserved from './0021-reserved';
import * as musters from './0022-musters';
import * as beforeTheDay from './0023-before-the-day';
import * as bins from './0024-bins';
import * as consentWithdrawn from './0025-consent-withdrawn';
import * as pensEnd from './0026-pens-end';
import * as exceptionsKept from './0029-exceptions-kept';
import * as sizings from './0030-sizings';
import * as awayDevices from './0031-away-devices';
import * as notedByKey from './0028-noted-by-key';
import * as recoveryCodes from './0027-recovery-codes';
import * as stages from './0016-stages';
import * as born from './0015-born';
import * as kits from './0014-kits';
import * as retired from './0013-retired-charts';
import * as audit from './0012-audit';
import * as people from './0011-people';
import * as whatTapesSay from './0010-what-tapes-say';
import * as acts from './0008-acts';
import * as actsAlone from './0009-acts-alone';
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
  ['0008-acts', acts],
  ['0009-acts-alone', actsAlone],
  ['0010-what-tapes-say', whatTapesSay],
  ['0011-people', people],
  ['0012-audit', audit],
  ['0013-retired-charts', retired],
  ['0014-kits', kits],
  ['0015-born', born],
  ['0016-stages', stages],
  ['0017-stores', stores],
  ['0018-counts-and-renames', countsAndRenames],
  ['0019-wishes-sent', wishesSent],
  ['0020-put-by', putBy],
  ['0021-reserved', reserved],
  ['0022-musters', musters],
  ['0023-before-the-day', beforeTheDay],
  ['0024-bins', bins],
  ['0025-consent-withdrawn', consentWithdrawn],
  ['0026-pens-end', pensEnd],
  ['0027-recovery-codes', recoveryCodes],
  ['0028-noted-by-key', notedByKey],
  ['0029-exceptions-kept', exceptionsKept],
  ['0030-sizings', sizings],
  ['0031-away-devices', awayDevices],
];

/** Their names, oldest first. */
export const MIGRATIONS: readonly string[] = ORDERED.map(([name]) => name);

/**
 * Migrations as code of the bundle, so that a running server needs no folder of scripts.
 *
 * @param until the last one wanted; all of them without it
 */
export function migrationsUntil(until?: string): Knex.MigrationSource<string> {
  const last = until === undefined ? ORDERED.length : ORDERED.findIndex(([name]) => name === until) + 1;
  return {
    getMigrations: () => Promise.resolve(ORDERED.slice(0, last).map(([name]) => name)),
    getMigrationName: (name) => name,
    getMigration: (name) => {
      const { up } = ORDERED.find(([one]) => one === name)![1];
      // A change of a table ends any transaction; what fills one opens its own.
      const config = { transaction: false };
      return Promise.resolve({
        up,
        config,
        down: () => Promise.reject(new Error('migrations go forward only')),
      });
    },
  };
}

import { checkAudit, sealAudit } from '../audit/seals';
import { readConfig } from '../config';
import { openPatiently } from '../backup/backup';

/** `check-log`: holds what happened against its seals, and what was done on dockets against what was noted of it. */
async function main(): Promise<number> {
  const { DATABASE_OWNER_URL, DATABASE_URL } = readConfig(process.env);
  const database = openPatiently(DATABASE_OWNER_URL ?? DATABASE_URL);
  try {
    await sealAudit(database);
    const { rows, seals, broken } = await checkAudit(database);
    for (const sentence of broken) process.stdout.write(`${sentence}\n`);
    process.stdout.write(
      broken.length === 0
        ? `The audit log is intact: ${rows} rows under ${seals} seals.\n`
        : `${rows} rows under ${seals} seals, and some were changed.\n`,
    );
    return broken.length === 0 ? 0 : 1;
  } finally {
    await database.destroy();
  }
}

main().then(
  (code) => process.exit(code),
  (error: Error) => {
    process.stderr.write(`${error.message}\n`);
    process.exit(1);
  },
);

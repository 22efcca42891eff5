import { openDatabase, type Database } from './database';

/** What the application may do with tables that are not just any: what happened is only added to. */
export const FEWER: Readonly<Record<string, string>> = {
  audit: 'select, insert',
  acts_noted: 'select, insert',
  audit_seals: 'select, insert',
  acts: 'select, insert, delete',
  stock_movements: 'select, insert',
  stock_batches: 'select, insert',
  piece_inspections: 'select, insert',
  order_events: 'select, insert',
  label_renames: 'select, insert',
  schema_migrations: 'select',
};

/**
 * Lets the application's own user do with each table what it must, and nothing more: it changes no
 * table, and can neither change nor take out what was noted of what happened.
 *
 * @param owner who owns the tables
 * @param url of the application
 */
export async function grantApplication(owner: Database, url: string): Promise<void> {
  // Without a database named: until something is granted, there is none it may enter.
  const nowhere = new URL(url);
  nowhere.pathname = '';
  const own = openDatabase(nowhere.href, { connections: 1 });
  const [[{ user }]] = (await own.raw('select current_user() as user').finally(() => own.destroy())) as [
    [{ user: string }],
  ];
  const account = user
    .split('@')
    .map((part) => `'${part.replace(/'/g, "''")}'`)
    .join('@');
  const [rows] = (await owner.raw('show tables')) as [Record<string, string>[]];
  for (const name of rows.map((row) => Object.values(row)[0]!))
    await owner.raw(`grant ${FEWER[name] ?? 'select, insert, update, delete'} on ${name} to ${account}`);
}

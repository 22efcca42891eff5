import {
  ROLES,
  worksOnDockets,
  NO_PREFERENCES,
  preferencesSchema,
  type Fitter,
  type Person,
  type Preferences,
  type Role,
} from '@neat-measure/contract';
import type { Database } from '../database/database';
import { readJson } from '../database/read-json';
import { saveVersioned, type SavedVersion } from '../database/save-versioned';
import { allOrNothing } from '../database/all-or-nothing';
import { isDuplicate } from '../database/trouble';
import { aloneInHouse } from '../settings/store';

/** Somebody who may sign in, with what proves who they are. */
export interface Account extends Fitter {
  readonly signIn: string;
  readonly role: Role;
  readonly active: boolean;
  /** `null` until they have set one. */
  readonly passphraseHash: string | null;
  readonly codeHash: string | null;
  readonly codeUntil: Date | null;
  readonly benchHash: string | null;
  /** The second factor's secret; without `factorOn` it waits for its first code. */
  readonly factorSecret: string | null;
  readonly factorOn: boolean;
  /** The last step of time whose code was used. */
  readonly factorStep: number | null;
  readonly preferences: Preferences;
}

interface AccountRow {
  readonly id: string;
  readonly name: string;
  readonly sign_in: string;
  readonly role: Role;
  readonly active: number;
  readonly version: number;
  readonly passphrase_hash: string | null;
  readonly code_hash: string | null;
  readonly code_until: Date | null;
  readonly bench_hash: string | null;
  readonly factor_secret: string | null;
  readonly factor_on: number;
  readonly factor_step: number | null;
  readonly preferences: unknown;
}

/** The account of a sign-in name, if there is one. */
export async function findAccount(database: Database, signIn: string): Promise<Account | undefined> {
  const row = await database('fitters').where({ sign_in: signIn }).first<AccountRow | undefined>();
  return row && toAccount(row);
}

/** The account of an id. */
export async function accountOf(database: Database, id: string): Promise<Account | undefined> {
  const row = await database('fitters').where({ id }).first<AccountRow | undefined>();
  return row && toAccount(row);
}

/** Whether anybody may sign in yet. */
export async function hasAccounts(database: Database): Promise<boolean> {
  return (await database('fitters').first('id')) !== undefined;
}

/** Who is to be added. */
export interface NewAccount extends Fitter {
  readonly signIn: string;
  readonly role: Role;
  readonly passphraseHash: string | null;
}

/** Adds an account; `taken` when somebody has the sign-in name. */
export async function addAccount(database: Database, account: NewAccount): Promise<'added' | 'taken'> {
  try {
    await database('fitters').insert({
      id: account.id,
      name: account.name,
      sign_in: account.signIn,
      role: account.role,
      passphrase_hash: account.passphraseHash,
    });
    return 'added';
  } catch (error) {
    if (isDuplicate(error)) return 'taken';
    throw error;
  }
}

/** Adds the first account of all; `late` when there is one. */
export function addFirstAccount(database: Database, account: NewAccount): Promise<'added' | 'late'> {
  return allOrNothing(database, async (transaction): Promise<'added' | 'late'> => {
    await aloneInHouse(transaction);
    if (await hasAccounts(transaction)) return 'late';
    await addAccount(transaction, account);
    return 'added';
  });
}

/** What of an account one changes by oneself, or by a code. */
export type AccountChange = Partial<
  Pick<
    Account,
    | 'passphraseHash'
    | 'codeHash'
    | 'codeUntil'
    | 'benchHash'
    | 'factorSecret'
    | 'factorOn'
    | 'factorStep'
    | 'preferences'
  >
>;

const COLUMNS: Readonly<Record<keyof AccountChange, string>> = {
  passphraseHash: 'passphrase_hash',
  codeHash: 'code_hash',
  codeUntil: 'code_until',
  benchHash: 'bench_hash',
  factorSecret: 'factor_secret',
  factorOn: 'factor_on',
  factorStep: 'factor_step',
  preferences: 'preferences',
};

/** Changes an account; whether it still was as `held` says. */
export async function changeAccount(
  database: Database,
  id: string,
  change: AccountChange,
  held: AccountChange = {},
): Promise<boolean> {
  const columns = (of: AccountChange) =>
    Object.fromEntries(
      Object.entries(of).map(([key, value]: [string, unknown]) => [
        COLUMNS[key as keyof AccountChange],
        key === 'preferences' ? JSON.stringify(value) : value,
      ]),
    );
  const rows = database('fitters').where({ id });
  for (const [column, value] of Object.entries(columns(held)))
    void (value === null ? rows.whereNull(column) : rows.where(column, value as string));
  return (await rows.update(columns(change))) > 0;
}

/** Adds somebody without a passphrase, or edits the version the save started from. */
export async function savePerson(
  database: Database,
  id: string,
  {
    name,
    signIn,
    role,
    active,
    version,
  }: Omit<NewAccount, 'id' | 'passphraseHash'> & {
    readonly active: boolean;
    readonly version: number;
  },
): Promise<SavedVersion | 'name-taken' | 'last-administrator'> {
  try {
    return await allOrNothing(database, async (transaction) => {
      // Two administrators who each take the other's role at once are one after the other.
      const administrators = await transaction('fitters')
        .where({ role: 'administrator', active: 1 })
        .forUpdate()
        .pluck<string[]>('id');
      const stays = role === 'administrator' && active;
      if (!stays && administrators.length === 1 && administrators[0] === id) return 'last-administrator';
      const saved = await saveVersioned(transaction, {
        table: 'fitters',
        id,
        version,
        columns: { name, sign_in: signIn, role, active: active ? 1 : 0 },
        compared: ['name', 'sign_in', 'role', 'active'],
      });
      // Nothing stands under this id, and still it could not be added: the name is somebody's.
      return saved === 'missing' && version === 0 ? 'name-taken' : saved;
    });
  } catch (error) {
    if (isDuplicate(error)) return 'name-taken';
    throw error;
  }
}

/** Everybody who may sign in, or could, by name. */
export async function listPeople(database: Database): Promise<Person[]> {
  const rows: (AccountRow & { seen_at: Date | null; sessions: number })[] = await database('fitters')
    .leftJoin(
      database('sessions')
        .where('expires_at', '>', new Date())
        .groupBy('fitter_id')
        .select('fitter_id')
        .max({ seen_at: 'seen_at' })
        .count({ sessions: '*' })
        .as('theirs'),
      'theirs.fitter_id',
      'fitters.id',
    )
    .orderBy(['name', 'id'])
    .select('fitters.*', 'theirs.seen_at', 'theirs.sessions');
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    signIn: row.sign_in,
    role: row.role,
    active: row.active === 1,
    version: row.version,
    hasSecondFactor: row.factor_on === 1,
    hasPassphrase: row.passphrase_hash !== null,
    seenAt: row.seen_at?.toISOString() ?? null,
    sessions: Number(row.sessions ?? 0),
  }));
}

/** Who could take a bench over by a code. Whether they have one is not told: it would say where guessing is worth it. */
export function listHands(database: Database): Promise<Fitter[]> {
  return database('fitters')
    .where({ active: 1 })
    .whereIn('role', ROLES.filter(worksOnDockets))
    .orderBy('name')
    .select<Fitter[]>('id', 'name');
}

function toAccount(row: AccountRow): Account {
  return {
    id: row.id,
    name: row.name,
    signIn: row.sign_in,
    role: row.role,
    active: row.active === 1,
    passphraseHash: row.passphrase_hash,
    codeHash: row.code_hash,
    codeUntil: row.code_until,
    benchHash: row.bench_hash,
    factorSecret: row.factor_secret,
    factorOn: row.factor_on === 1,
    factorStep: row.factor_step,
    preferences:
      row.preferences === null
        ? NO_PREFERENCES
        : readJson(preferencesSchema, row.preferences, `preferences of ${row.id}`),
  };
}

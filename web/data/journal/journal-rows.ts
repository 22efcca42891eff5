import type { Vault } from '../sealed/vault';
import type { AsideRow, JournalDb, JournalRow, StoredAside, StoredRow } from './journal-db';

type Sealing = Pick<Vault, 'seal' | 'unseal'>;

/** An act as it is written down. */
export function toStored(vault: Sealing, { pen, act, ...row }: JournalRow): StoredRow {
  return { ...row, sealed: vault.seal({ pen, act }) };
}

/** An act as it was written down; nothing where it does not open: by a key that is gone, or since it was tampered with. */
export function fromStored(vault: Sealing, row: StoredRow | JournalRow): JournalRow | undefined {
  if (!('sealed' in row)) return row;
  const { sealed, ...rest } = row;
  const read = vault.unseal(sealed) as Pick<JournalRow, 'pen' | 'act'> | undefined;
  return read === undefined ? undefined : { ...rest, pen: read.pen, act: read.act };
}

/** What is set aside, as it is written down. */
export function asideToStored(vault: Sealing, { act, why, ...row }: AsideRow): StoredAside {
  return { ...row, sealed: vault.seal({ act, why }) };
}

/** What is set aside, as it was written down. */
export function asideFromStored(vault: Sealing, row: StoredAside | AsideRow): AsideRow {
  if (!('sealed' in row)) return row;
  const { sealed, ...rest } = row;
  const read = vault.unseal(sealed) as Pick<AsideRow, 'act' | 'why'> | undefined;
  return { ...rest, ...(read ?? { why: NOT_READ }) };
}

/** Why something that was written down here is nothing any more. */
export const NOT_READ =
  'What this device saved for it can no longer be read. Look at the docket, and do again what is missing there.';

/** Seals what a version of before wrote down as it was. */
export async function sealOld(db: JournalDb, vault: Sealing): Promise<void> {
  await db.transaction('rw', db.acts, db.aside, async () => {
    await db.acts
      .filter((row) => !('sealed' in row))
      .modify((row, at) => {
        at.value = toStored(vault, row as JournalRow);
      });
    await db.aside
      .filter((row) => !('sealed' in row))
      .modify((row, at) => {
        at.value = asideToStored(vault, row as AsideRow);
      });
  });
}

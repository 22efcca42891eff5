import { asBytes, asText } from '../sealed/seal';
import type { Vault } from '../sealed/vault';
import type { JournalRow } from './journal-db';

const KEPT_AS = 'neat-measure.under-way.';

/**
 * Acts on their way into the browser's database, which takes some milliseconds for it: until then they
 * stand here, written at once, so that a page that is closed or loaded anew that very moment loses
 * nothing it has shown as done. Sealed, as everything is that lies on this device.
 */
export class UnderWay {
  constructor(private readonly vault: Pick<Vault, 'seal' | 'unseal'>) {}

  note(row: JournalRow): void {
    try {
      localStorage.setItem(KEPT_AS + row.id, asText(this.vault.seal(row)));
    } catch {
      // No room, or none allowed: the database is on its way all the same.
    }
  }

  over(id: string): void {
    localStorage.removeItem(KEPT_AS + id);
  }

  /** Nothing of it is left. */
  erase(): void {
    for (const key of Object.keys(localStorage)) if (key.startsWith(KEPT_AS)) localStorage.removeItem(key);
  }

  /** What a page that ended left here, in the order it was done; what cannot be read stays where it is. */
  left(): JournalRow[] {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(KEPT_AS))
      .sort()
      .flatMap((key) => {
        const row = this.read(localStorage.getItem(key) ?? '');
        return isRow(row) ? [row] : [];
      });
  }

  private read(text: string): unknown {
    // A version of before wrote it down as it was.
    if (text.startsWith('{')) return readPlain(text);
    const bytes = asBytes(text);
    return bytes === undefined ? undefined : this.vault.unseal(bytes);
  }
}

function readPlain(text: string): unknown {
  try {
    const { docketId, ...kept } = JSON.parse(text) as Record<string, unknown>;
    // One still before that called what it was done on its docket.
    return { subject: docketId, ...kept };
  } catch {
    return undefined;
  }
}

function isRow(row: unknown): row is JournalRow {
  const wanted = ['id', 'subject', 'pen'] as const;
  return (
    typeof row === 'object' &&
    row !== null &&
    'act' in row &&
    wanted.every((key) => typeof (row as Record<string, unknown>)[key] === 'string')
  );
}

import { plainWords, type RoledColumn } from '@neat-measure/core/imported';
import * as z from 'zod';

const MOST = 200;

/** What columns of lists of one sort were said to be on this device, by the plain words of their headings. */
export class RememberedColumns<Role extends string> {
  private readonly schema;

  /**
   * @param kept under what it is kept on this device
   * @param roles what a column of such a list can be; what is kept of others is not read
   */
  constructor(
    private readonly kept: string,
    roles: readonly [Role, ...Role[]],
  ) {
    this.schema = z.array(z.tuple([z.string(), z.enum(roles)]));
  }

  read(): ReadonlyMap<string, Role> {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(this.kept) ?? '[]');
      return new Map(this.schema.parse(kept) as unknown as [string, Role][]);
    } catch {
      return new Map();
    }
  }

  /** Keeps what was said of a list that was taken in, the latest first. */
  keep(columns: readonly Pick<RoledColumn<Role>, 'heading'>[], said: ReadonlyMap<number, Role>): void {
    const now = [...said].flatMap(([at, role]): [string, Role][] => {
      const words = plainWords(columns[at]?.heading ?? '');
      return words === '' ? [] : [[words, role]];
    });
    if (now.length === 0) return;
    const known = new Set(now.map(([words]) => words));
    const before = [...this.read()].filter(([words]) => !known.has(words));
    localStorage.setItem(this.kept, JSON.stringify([...now, ...before].slice(0, MOST)));
  }
}

import { expect, test as base } from '@playwright/test';

/** A house with the demo in it, of one file of paths alone: what others do is not met there. */
export interface House {
  readonly id: string;
  readonly base: string;
  /** The address of its maker's desk. */
  readonly desk: string;
  readonly databaseUrl: string;
  /** The folder of its simulated post. */
  readonly outbox: string;
}

/** What only measures and sizes leaves nothing that another could trip over: its files go to one house, as opening one takes seconds. */
const SIZES_ONLY = 'trade/';

/** The house this worker is in, and whom it was opened for. */
let here: { readonly house: House; readonly whom: string } | null = null;

/** Paths of a file are walked one after the other in one house; the next file gets another. */
export const housed = base.extend<{ house: House }, { leaving: void }>({
  house: async ({ leaving: _ }, use, { titlePath }) => {
    // The file whose suite it is, which is not where a path that many files share is declared.
    const file = titlePath[0]!;
    const whom = file.startsWith(SIZES_ONLY) ? SIZES_ONLY : file;
    if (here?.whom !== whom) {
      await leave();
      here = { house: await enter(), whom };
    }
    await use(here.house);
  },
  baseURL: async ({ house }, use) => use(house.base),
  leaving: [
    async ({}, use) => {
      await use();
      await leave();
    },
    { scope: 'worker' },
  ],
});

async function enter(): Promise<House> {
  const answer = await fetch(process.env['HOUSES']!, { method: 'POST' });
  const said = await answer.text();
  expect(answer.status, said).toBe(200);
  return JSON.parse(said) as House;
}

async function leave(): Promise<void> {
  if (here !== null) await fetch(`${process.env['HOUSES']!}${here.house.id}`, { method: 'DELETE' });
  here = null;
}

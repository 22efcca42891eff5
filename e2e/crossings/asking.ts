import { expect, type Page } from '@playwright/test';
import { v7 as uuidv7 } from 'uuid';
import { AGAIN } from '../fitter';
import type { Hand } from './hands';

/** So many days from today. */
export const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** A day as it stands on the screen, where the year is named only if it is another. */
export const sayDay = (day: string) => {
  const year = day.slice(0, 4) === inDays(0).slice(0, 4) ? undefined : 'numeric';
  return new Date(day).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year, timeZone: 'UTC' });
};

/** The docket's own garments, beside the work. */
export const garments = (page: Page) => page.getByRole('region', { name: 'Docket' });

/** What the server answers. */
export async function get<Answer>(page: Page, path: string): Promise<Answer> {
  return (await (await page.request.get(path, AGAIN)).json()) as Answer;
}

/** Keeps something at the server, as another desk does. */
export async function put(page: Page, path: string, data: object): Promise<void> {
  const answer = await page.request.put(path, {
    ...AGAIN,
    data,
    headers: { origin: new URL(page.url()).origin },
  });
  expect([200, 204]).toContain(answer.status());
}

interface Kept {
  readonly garment: string;
  readonly maker: string;
  readonly seriesId: string;
}

/** How a garment is kept in the stores. */
export async function keptAs(page: Page, garment: string): Promise<Kept> {
  const kept = await get<Kept[]>(page, '/api/stores/keeping');
  return kept.find((one) => one.garment === garment)!;
}

/** What lies in the stores of a garment, by its label. */
export async function articleAs(page: Page, garment: string, label: string) {
  const { items } = await get<{ items: { id: string; code: string; label: string; garment: string }[] }>(
    page,
    `/api/stores/stock?search=${encodeURIComponent(garment)}`,
  );
  return items.find((one) => one.label === label && one.garment === garment)!;
}

/** Takes a dry suit of M, with a number, into the visitors' desk. */
export async function suit(page: Page, serial: string): Promise<void> {
  const rooms = await get<{ id: string; name: string }[]>(page, '/api/stores/rooms');
  const { seriesId } = await keptAs(page, 'Grebe dry suit');
  const roomId = rooms.find(({ name }) => name === 'Visitor desk')!.id;
  const pieces = [{ serial, made: inDays(-30), goodUntil: null }];
  await put(page, `/api/stores/receipts/${uuidv7()}`, { seriesId, label: 'M', roomId, count: 1, pieces });
}

/** Days pass at the maker's desk, as somebody lets them who looks at its page. */
export async function daysPass({ page, house }: Hand, days: number): Promise<void> {
  for (let day = 0; day < days; day++)
    expect((await page.request.post(`${house.desk}/next-day`)).ok()).toBeTruthy();
}

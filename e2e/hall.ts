import type { Page } from '@playwright/test';
import { AGAIN, expect } from './fitter';

/** Signs in as people do: what they type is what opens this device without the server. */
export async function signIn(page: Page, name = 'odalys', passphrase = 'low-tide-table'): Promise<void> {
  await page.getByLabel('Sign-in name').fill(name);
  await page.getByLabel('Passphrase').fill(passphrase);
  await page.keyboard.press('Enter');
}

/** Takes the muster of the demo along, and waits until the application is kept, too. */
export async function takeAlong(page: Page): Promise<void> {
  await page.goto('/roll');
  await page.getByRole('link', { name: /Winter issue/ }).click();
  await page.getByRole('button', { name: 'Take along' }).click();
  await expect(page.getByText(/On this device since .*61 wearers/)).toBeVisible();
  await expect(page.getByText('Works without a network.')).toBeVisible();
}

/** Waits until every part of the application is kept by a browser. */
export async function keepsApplication(page: Page): Promise<void> {
  const whole = () =>
    page.evaluate(async () => {
      const { hashTable } = (await (await fetch('/ngsw.json')).json()) as { hashTable: object };
      const kept = await Promise.all(Object.keys(hashTable).map((part) => caches.match(part)));
      return kept.every((one) => one !== undefined);
    });
  await expect.poll(whole).toBe(true);
}

/** A docket as the server tells of it. */
export interface Docket {
  readonly id: string;
  readonly number: number;
  readonly wearer: { readonly id: string; readonly name: string };
  readonly acts: readonly {
    readonly act: {
      readonly id: string;
      readonly kind: string;
      readonly typed?: string;
      readonly by: { readonly name: string };
    };
  }[];
}

/** A docket, as the server has it. */
export async function docketOf(page: Page, id: string): Promise<Docket> {
  return (await (await page.request.get(`/api/dockets/${id}`, AGAIN)).json()) as Docket;
}

/** Which docket a page shows. */
export function idOf(page: Page): string {
  return /bench\/([^?]+)/.exec(page.url())![1]!;
}

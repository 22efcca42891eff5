import type { Browser, BrowserContext, Page } from '@playwright/test';
import { setTimeout as wait } from 'node:timers/promises';
import { AGAIN, expect, openDocket, takeReadings, test } from './fitter';
import { docketOf, idOf, signIn, takeAlong } from './hall';

test.use({ serviceWorkers: 'allow' });

/** So many dockets each device opens. */
const DOCKETS = 15;
const CUTS = 50;
const KILLS = 2;
/** What is done on a docket: opened, a garment, a reading too much and taken back, four readings, a decision. */
const ACTS = 9;

/** What was done on a docket, by whom, in the order it was done. */
interface Did {
  readonly docketId: string;
  readonly wearer: string;
  readonly by: string;
  readonly typed: readonly string[];
}

/** Somebody in the hall with a device of their own. */
class Device {
  page!: Page;
  readonly did: Did[] = [];
  /** Whether it is cut off on purpose, and not to be connected by chance. */
  held = false;
  /** What it said of what is sent, and was not so. */
  readonly lies: string[] = [];

  constructor(
    readonly context: BrowserContext,
    readonly name: string,
    readonly signIn: string,
    private readonly passphrase: string,
  ) {}

  static async enter(
    browser: Browser,
    baseURL: string,
    who: readonly [name: string, signIn: string, passphrase: string],
  ): Promise<Device> {
    const device = new Device(await browser.newContext({ baseURL, serviceWorkers: 'allow' }), ...who);
    device.page = await device.context.newPage();
    await device.page.goto('/');
    await device.signsIn();
    await takeAlong(device.page);
    await device.page.getByRole('link', { name: 'Bench', exact: true }).click();
    return device;
  }

  async signsIn(): Promise<void> {
    await signIn(this.page, this.signIn, this.passphrase);
    await expect(this.page.getByRole('heading', { name: 'New docket' })).toBeVisible();
  }

  /** Closed and opened again while it has no network. */
  async reopensOffline(): Promise<void> {
    this.held = true;
    await this.context.setOffline(true);
    await this.page.close();
    this.page = await this.context.newPage();
    await this.page.goto('/bench');
    await this.signsIn();
  }

  async connects(): Promise<void> {
    await this.context.setOffline(false);
    this.held = false;
  }

  /** Somebody is measured and decided, whatever the network does meanwhile. */
  async fits(wearer: string, nth: number): Promise<void> {
    const { page } = this;
    await openDocket(page, wearer, ['Ranger field jacket']);
    const typed = [`8${nth % 10}.5`, `9${nth % 10}`, `9${nth % 10}`, '85', '85'];
    await takeReadings(page, typed[0]!);
    await page.keyboard.press('u');
    await expect(page.getByText(/4 readings left/)).toBeVisible();
    await takeReadings(page, ...typed.slice(1));
    await expect(page.locator('[data-proposed]:visible')).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: 'Enter Next wearer' })).toBeVisible();
    await expect(page.getByText('Accepted: ')).toBeVisible();
    this.did.push({ docketId: idOf(page), wearer, by: this.name, typed });
    await this.says();
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
  }

  /** What the one line says is so: with nothing to send, the server has all of it. */
  private async says(): Promise<void> {
    const line = await this.page.locator('nm-away-line').innerText();
    if (!line.includes('Nothing to send.')) return;
    for (const { docketId } of this.did) {
      const docket = await docketOf(this.page, docketId).catch(() => null);
      if (docket !== null && docket.acts.length < ACTS) this.lies.push(`${docketId}: ${line}`);
    }
  }
}

test('three devices, with the network cut fifty times and the server killed twice, lose nothing, send nothing twice and keep the order', async ({
  browser,
  baseURL,
  house,
}) => {
  test.setTimeout(600_000);
  const who = [
    ['Odalys Wren', 'odalys', 'low-tide-table'],
    ['Tiernan Oake', 'tiernan', 'slack-water-bell'],
    // The same fitter at another device: a sign-in of their own.
    ['Tiernan Oake', 'tiernan', 'slack-water-bell'],
  ] as const;
  const devices: Device[] = [];
  for (const one of who) devices.push(await Device.enter(browser, baseURL!, one));
  const [first, second, third] = devices as [Device, Device, Device];

  let working = true;
  let cuts = 0;
  const cutting = (async () => {
    while (cuts < CUTS || working) {
      const device = devices[Math.floor(Math.random() * devices.length)]!;
      if (device.held) {
        await wait(20);
        continue;
      }
      await device.context.setOffline(true);
      cuts += 1;
      await wait(100 + Math.random() * 900);
      if (!device.held) await device.context.setOffline(false);
      await wait(Math.random() * 600);
    }
  })();
  const killing = (async () => {
    for (let kills = 0; kills < KILLS; kills += 1) {
      await wait(12_000);
      await fetch(`${process.env['HOUSES']!}${house.id}`, { method: 'PUT' });
    }
  })();
  const works = async (device: Device, at: number, also: (nth: number) => Promise<void>) => {
    for (let nth = 0; nth < DOCKETS; nth += 1) {
      // No part of one name is found in another.
      await device.fits(`Hall ${at}x${nth}y Wearer`, nth);
      await also(nth);
    }
  };
  const nothing = () => Promise.resolve();
  await Promise.all([
    works(first, 0, nothing),
    works(second, 1, async (nth) => {
      if (nth === 3 || nth === 8) await second.reopensOffline();
      if (nth === 5 || nth === 10) await second.connects();
    }),
    works(third, 2, nothing),
    killing,
  ]);
  working = false;
  await cutting;
  for (const device of devices) await device.connects();

  for (const { page } of devices) {
    await expect(page.getByText('to send, saved on this device')).toHaveCount(0, { timeout: 120_000 });
    await expect(page.getByText('No contact with the server')).toHaveCount(0, { timeout: 120_000 });
  }
  expect(cuts).toBeGreaterThanOrEqual(CUTS);
  // Nothing was refused, and nothing met what somebody else did.
  for (const { page } of devices)
    expect(
      await page.getByRole('region', { name: 'Sent and to look at' }).getByRole('alert').allInnerTexts(),
    ).toEqual([]);
  expect(devices.flatMap(({ lies }) => lies)).toEqual([]);
  const all = devices.flatMap(({ did }) => did);
  let acts = 0;
  for (const { docketId, wearer, by, typed } of all) {
    const done = async () =>
      (await docketOf(first.page, docketId)).acts.map(({ act }) => act.typed ?? act.kind);
    // The last of it may still be on its way.
    await expect
      .poll(done, { message: wearer })
      .toEqual([
        ...['docket-opened', 'garment-asked', typed[0]!, 'reading-withdrawn'],
        ...[...typed.slice(1), 'garment-decided'],
      ]);
    const docket = await docketOf(first.page, docketId);
    acts += docket.acts.length;
    expect(docket.wearer.name).toBe(wearer);
    expect(new Set(docket.acts.map(({ act }) => act.id)).size).toBe(ACTS);
    expect(new Set(docket.acts.map(({ act }) => act.by.name))).toEqual(new Set([by]));
  }
  expect([new Set(all.map(({ docketId }) => docketId)).size, acts]).toEqual([
    DOCKETS * devices.length,
    DOCKETS * devices.length * ACTS,
  ]);
  // Nobody was opened twice.
  const found = (await (
    await first.page.request.get('/api/dockets?search=Hall%20y%20Wearer', AGAIN)
  ).json()) as {
    total: number;
  };
  expect(found.total).toBe(all.length);

  // What was sent stays to be seen until somebody has: closed and opened again it is still there.
  const sent = second.page.getByText(/Sent: \d+ changes on \d+ dockets, made without the server since/);
  await expect(sent).toBeVisible();
  await second.page.reload();
  await expect(sent).toBeVisible();
  await second.page
    .getByRole('region', { name: 'Sent and to look at' })
    .getByRole('button', { name: 'Seen' })
    .first()
    .click();
  await expect(sent).toHaveCount(0);
  for (const { context } of devices) await context.close();
});

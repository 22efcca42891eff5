import type { Browser, Page } from '@playwright/test';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { expectAccessible } from './axe';
import { AGAIN, chooseFrom, expect, scans, stockUp, takeReadings, test } from './fitter';
import type { House } from './house';
import { cadetKit, elsewhere, handsOver, here } from './musters';

const MANY = 240;
const ANSWER = 150;

/** A list of made-up cadets with twelve rows that nobody can take. */
function listOfCadets(): string {
  const cadets = Array.from({ length: MANY }, (_, at) =>
    [
      `Cadet ${named(at)}`,
      `Squad ${(at % 8) + 1}`,
      `K-${at}`,
      150 + (at % 45),
      48 + (at % 50),
      'Day cadet',
    ].join('\t'),
  );
  const faulty = [
    '\tSquad 1\tX-1\t170\t60\tDay cadet',
    ...Array.from({ length: 5 }, (_, at) => `Cadet Twice ${named(at)}\tSquad 1\tK-${at}\t170\t60\tDay cadet`),
    ...Array.from({ length: 4 }, (_, at) => `Cadet Tall ${named(at)}\tSquad 1\tY-${at}\t17\t60\tDay cadet`),
    '=A1\tSquad 2\tZ-1\t170\t60\tDay cadet',
    'Cadet Heavy\tSquad 2\tZ-2\t170\tmuch\tDay cadet',
  ];
  return ['Name\tSquad\tCrew no\tHeight (cm)\tWeight (kg)\tRole', ...cadets, ...faulty].join('\n');
}

/** Names that are told apart: a number in letters. */
function named(at: number): string {
  const letters = 'BDFGKLMNPR';
  const word = [...String(at + 100)].map(
    (digit) => `${letters[Number(digit)]!}${'aeiou'[Number(digit) % 5]!}`,
  );
  return word.join('').replace(/^./, (first) => first.toUpperCase());
}

/** The codes that were posted, by the wearer they went to. */
function posted({ outbox }: House): ReadonlyMap<string, string> {
  const letters = readdirSync(outbox).filter((name) => name.startsWith('slip-'));
  return new Map(
    letters.map((name) => {
      const text = readFileSync(join(outbox, name), 'utf8').replace(/=\r?\n/g, '');
      return [name.slice('slip-'.length, 'slip-'.length + 36), /\/self\/([0-9A-Z]{10})/.exec(text)![1]!];
    }),
  );
}

/** Sends what somebody measured of themselves: each measurement twice, as the page asks for it. */
async function answers(page: Page, base: string, code: string, chest: number, waist: number): Promise<void> {
  const read = (of: string, typed: number) => [
    { code: of, typed: String(typed) },
    { code: of, typed: String(typed) },
  ];
  const data = {
    ...{ id: uuidv7(), unit: 'cm' },
    readings: [...read('chest-girth', chest), ...read('waist-girth', waist)],
  };
  const answer = await page.request.put(`${base}/api/self/${code}`, { data, ...AGAIN });
  expect(answer.status()).toBe(200);
}

/** What is done on a muster under the name of whoever is signed in there. */
async function acting(page: Page, base: string, signIn: string, passphrase: string) {
  const headers = { origin: base };
  const session = await page.request.post(`${base}/api/session`, { data: { signIn, passphrase }, headers });
  const { pen, id, name } = ((await session.json()) as { who: { pen: string; id: string; name: string } })
    .who;
  return async (musterId: string, doings: readonly object[]) => {
    for (let from = 0; from < doings.length; from += 50) {
      const acts = doings.slice(from, from + 50).map((doing) => ({
        ...{ id: uuidv7(), musterId, at: new Date().toISOString(), by: { id, name } },
        ...doing,
      }));
      const answer = await page.request.post(`${base}/api/acts`, { data: { pen, acts }, headers, ...AGAIN });
      for (const one of (await answer.json()) as { outcome: string; detail?: string }[])
        expect(one.outcome, one.detail).toBe('kept');
    }
  };
}

/** Who is on a muster, as the server has it. */
async function peopleOf(page: Page, base: string, musterId: string) {
  const answer = await page.request.get(`${base}/api/musters/${musterId}`, AGAIN);
  return (
    (await answer.json()) as {
      muster: { people: { wearerId: string; docketId: string; day: { standing: { is: string } } }[] };
    }
  ).muster.people;
}

const row = (at: Page, name: string) => at.getByRole('listitem', { name, exact: true });

/** Opens a browser of somebody and has them work at a station. */
async function worksAt(
  browser: Browser,
  base: string,
  who: readonly [string, string],
  path: string,
  station: string,
): Promise<Page> {
  const page = await elsewhere(browser, base, who, path);
  await row(page, station).getByRole('button', { name: 'Work here' }).click();
  return page;
}

test('a muster of 240 goes from a file to its last wearer', async ({
  fitter: page,
  browser,
  baseURL,
  house,
  allowErrors,
}) => {
  // A code that is nobody's is not found.
  allowErrors(/404/);
  test.setTimeout(240_000);
  const base = baseURL!;
  await cadetKit(page);
  await stockUp(page, 'Ranger field jacket', ['M', 'M']);
  await page.goto('/roll');
  await page.getByRole('button', { name: 'New muster' }).click();
  await page.getByLabel('Name').fill('Cadets, all of them');
  await page.getByText('Tape and counter').click();
  await page.getByRole('button', { name: 'Create muster' }).click();
  await expect(page.getByRole('heading', { name: 'Cadets, all of them' })).toBeVisible();
  const path = new URL(page.url()).pathname;
  const musterId = path.split('/').at(-1)!;

  await test.step('a list comes in, with twelve rows to correct', async () => {
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await page.getByLabel('Or paste rows here').fill(listOfCadets());
    await page.getByRole('button', { name: 'Read list' }).click();
    await chooseFrom(page, 'What “Crew no” is', 'house number');
    await expect(page.getByText(`${MANY} rows to import`)).toBeVisible();
    await expect(page.getByText(', 12 to correct')).toBeVisible();
    await page.getByRole('button', { name: 'Compare with wearers' }).click();
    await expect(page.getByText(`${MANY} new wearers, 0 known`)).toBeVisible();
    await expect(page.getByText(/New groups: Squad 1, Squad 2/)).toBeVisible();
    await page.getByRole('button', { name: `Import ${MANY} wearers` }).click();
    await expect(here(page, 'Expected')).toContainText(String(MANY));
  });

  await test.step('letters with codes go to everybody', async () => {
    await page.getByRole('link', { name: 'Before the day' }).click();
    await expect(page.getByRole('button', { name: `Print ${MANY} slips` })).toBeVisible();
    await page.getByRole('button', { name: 'Post as letters' }).click();
    await expect(page.getByText(`${MANY} letters in the outbox.`)).toBeVisible({ timeout: 90_000 });
    await expectAccessible(page, 'who measures themselves');
  });

  const codes = posted(house);
  const asked = [...codes];
  await test.step('150 measure themselves, three of them wrongly, and the lead accepts the rest', async () => {
    // One of them types the code from paper.
    const phone = await browser.newContext({ viewport: { width: 390, height: 800 } });
    const own = await phone.newPage();
    await own.goto(`${base}/self`);
    const [, first] = asked[0]!;
    await own
      .getByLabel('The code on your slip')
      .fill(`${first.slice(0, 5).toLowerCase()} ${first.slice(5)}`);
    await own.getByRole('button', { name: 'Continue' }).click();
    await expect(own.getByRole('heading', { name: /, your measurements/ })).toBeVisible();
    await phone.close();
    for (const [at, [, code]] of asked.slice(0, ANSWER).entries())
      await answers(page, base, code, at < 3 ? 130 : 96 + (at % 6), at < 3 ? 60 : 84 + (at % 6));
    await page.getByRole('button', { name: 'Refresh' }).click();
    await expect(page.getByRole('button', { name: `Answered ${ANSWER}` })).toBeVisible();
    // Whoever has not opened theirs gets a slip of paper besides.
    await page.getByRole('button', { name: `Not opened ${MANY - ANSWER}` }).click();
    const saved = page.waitForEvent('download', { timeout: 90_000 });
    await page.getByRole('button', { name: `Print ${MANY - ANSWER} slips` }).click();
    const pdf = readFileSync(await (await saved).path(), 'latin1');
    expect(pdf.match(/\/Type \/Page\b/g)?.length).toBe(Math.ceil((MANY - ANSWER) / 4));
    await page.getByRole('button', { name: 'Needs a fitter 3' }).click();
    await expect(page.getByRole('list', { name: 'Wearers' }).getByRole('listitem')).toHaveCount(3);
    await page.getByRole('button', { name: `All ${MANY}` }).click();
    await page.getByRole('button', { name: `Accept ${ANSWER - 3} wearers` }).click();
    await expect(page.getByRole('button', { name: `Accepted ${ANSWER - 3}` })).toBeVisible({
      timeout: 90_000,
    });
  });

  await test.step('an order before the tape goes out to its maker', async () => {
    await page.getByRole('button', { name: 'Order before the tape' }).click();
    await page.getByRole('button', { name: 'Work out order' }).click();
    await expect(page.getByText(/Rests on/)).toBeVisible({ timeout: 90_000 });
    await expect(page.getByRole('heading', { name: /Ranger field jacket/ })).toBeVisible();
    // The button fades in again as it can be pressed.
    await page.waitForTimeout(600);
    await expectAccessible(page, 'an order before the tape');
    await page.locator('nz-select[nzid="orders-room"], #orders-room').first().click();
    await page.locator('.ant-select-item-option').first().click();
    await page.getByRole('button', { name: 'Create 1 order' }).click();
    await expect(page.getByText('1 order created.')).toBeVisible();
  });

  await test.step('all of them are sized at once, placed by what is there, and counted', async () => {
    await page.goto(`${path}/sizes`);
    await page.getByRole('button', { name: `Size ${MANY} wearers` }).click();
    const count = page.getByRole('status').filter({ hasText: / of \d+ wearers/ });
    await expect(count).toContainText(`${MANY} of ${MANY} wearers`, { timeout: 90_000 });
    await chooseFrom(page, 'Show', 'something missing');
    await expect(count).toContainText(/^\s*(9\d|1\d\d) of/);
    await page.getByRole('button', { name: 'Show everybody' }).click();
    await page.getByRole('button', { name: 'By stock' }).click();
    await page.getByRole('button', { name: `Place ${MANY} wearers` }).click();
    await expect(page.getByText(/wearers placed, /).first()).toBeVisible();
    await expect(page.getByText(/with something missing\.$/)).toBeVisible();
    await page.getByRole('button', { name: 'Totals' }).click();
    await page.getByLabel(/^Spares of Ranger field jacket, .* M$/).fill('4');
    await page.keyboard.press('Tab');
    await page.getByRole('link', { name: 'Pick list' }).click();
    await expect(page.getByText(/^Nothing to fetch/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Pick list' })).toHaveAttribute('aria-pressed', 'true');
  });

  // A second tape, and three who work at once.
  const act = await acting(page, base, 'odalys', 'low-tide-table');
  await act(musterId, [
    {
      ...{ kind: 'station-opened', stationId: uuidv7(), name: 'Tape 2' },
      parts: ['girths', 'lengths', 'head', 'hands', 'feet', 'deciding'],
    },
  ]);
  await page.goto(path);
  await row(page, 'Tape').getByRole('button', { name: 'Work here' }).click();
  const second = await worksAt(browser, base, ['tiernan', 'slack-water-bell'], path, 'Tape 2');
  const counter = await worksAt(browser, base, ['brisa', 'harbour-lamp-oil'], path, 'Counter');
  const wall = await elsewhere(browser, base, ['corin', 'gravel-bar-heron'], `${path}/board`);

  await test.step('a slip that is scanned at a station opens the docket there, wherever the keys are', async () => {
    const [, accepted] = asked[5]!;
    await scans(page, `${base}/self/${accepted}`);
    await expect(page).toHaveURL(/\/bench\//);
    // Measured at home: what is left is to decide.
    await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
    await expect(wall.getByText('Tape', { exact: true })).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByText('Accepted: M.')).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Cadets, all of them' })).toBeVisible();
  });

  await test.step('one who has not answered is measured, at the second tape, by a slip, too', async () => {
    const [, silent] = asked[ANSWER + 5]!;
    await scans(second, `${base}/self/${silent}`);
    await expect(second).toHaveURL(/\/bench\//);
    await expect(second.getByText('Prepare, before the tape')).toBeVisible();
    await second.keyboard.press('Enter');
    await takeReadings(second, '98', '98', '85', '85');
    await expect(second.locator('[data-proposed]:visible')).toHaveText('M');
    await second.keyboard.press('Enter');
    await expect(second.getByText('Accepted: M.')).toBeVisible();
    await second.keyboard.press('Enter');
    await expect(second.getByRole('heading', { name: 'Cadets, all of them' })).toBeVisible();
  });

  await test.step('the counter hands over; one walks in, one of another muster is told so', async () => {
    await expect(row(counter, 'Counter').locator('.chip')).toHaveCount(2, { timeout: 10_000 });
    await handsOver(counter);
    await page.keyboard.press('n');
    await page.getByLabel('Name or role').fill('Walter Walkin');
    await expect(page.getByRole('button', { name: 'Add Walter Walkin' })).toBeVisible();
    await page.keyboard.press('Enter');
    await expect(page.getByText('Walter Walkin added.')).toBeVisible();
    await page.keyboard.press('Escape');
    await scans(page, `${base}/self/2222222222`);
    await expect(page.getByRole('alert').first()).toContainText('not the code of a slip');
  });

  await test.step('what is decided and not handed over is on the pick list', async () => {
    await page.goto(`${path}/before`);
    await page.getByRole('button', { name: 'Pick list' }).click();
    await expect(page.getByText('Ranger field jacket M')).toBeVisible();
    await page.getByRole('button', { name: 'Reserve 1 garment' }).click();
    await expect(page.getByText('1 garment reserved.')).toBeVisible();
    await expect(page.getByText('1 garment, complete')).toBeVisible();
    await expectAccessible(page, 'a pick list');
    const labels = await page.request.get(`${base}/api/musters/${musterId}/parcels.pdf`, AGAIN);
    expect([labels.status(), labels.headers()['content-type']]).toEqual([200, 'application/pdf']);
  });

  await test.step('a parcel that is scanned at the counter opens where it is handed over', async () => {
    const picks = await page.request.get(`${base}/api/musters/${musterId}/picks`, AGAIN);
    const [{ wearerId }] = ((await picks.json()) as { ready: [{ wearerId: string }] }).ready;
    const { docketId } = (await peopleOf(page, base, musterId)).find((one) => one.wearerId === wearerId)!;
    const parcel = `${base}/bench/${docketId}?hand=1`;
    // Whoever is still there is finished with first.
    await scans(counter, parcel);
    await expect(counter.getByText(/is still at Counter\. Finish/)).toBeVisible();
    await counter.goto(path);
    await counter.getByRole('button', { name: 'Finish', exact: true }).click();
    await expect(counter.getByText('Next for Counter')).toBeVisible();
    await scans(counter, `${base}/bench/${uuidv7()}?hand=1`);
    await expect(counter.getByRole('alert').first()).toContainText('not on this muster');
    await scans(counter, parcel);
    await expect(counter.getByRole('heading', { name: '1 garment to hand over' })).toBeVisible();
    await counter.keyboard.press('w');
    await counter.keyboard.press('Enter');
    await expect(counter.getByRole('heading', { name: 'Everything handed over' })).toBeVisible();
  });

  await test.step('the rest goes without, and the day is over', async () => {
    const left = (await peopleOf(page, base, musterId)).filter(({ day }) => day.standing.is === 'expected');
    expect(left.length).toBe(MANY - 1);
    await act(
      musterId,
      left.map(({ wearerId }) => ({ kind: 'went', wearerId, why: 'Came another day' })),
    );
    await page.goto(path);
    await expect(here(page, 'Expected')).toContainText('0');
    await expect(here(page, 'Left without')).toContainText(String(MANY - 1));
  });
  for (const one of [second, counter, wall]) await one.context().close();
});

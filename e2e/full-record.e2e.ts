import { chooseFrom, expect, openDocket, openDocketByKeyboard, takeReadings, test } from './fitter';
import { Keys } from './keys';

/** One person, all over, in cm; feet in mm. Made up, and such that no check asks about it. */
const BODY: Readonly<Record<string, string>> = {
  Head: '56.5',
  'Over the head': '34',
  'Crown to hairline': '14',
  Neck: '36',
  'Neck base': '40',
  Overarm: '108',
  Chest: '92',
  'Above the bust': '88',
  Bust: '94',
  Underbust: '78',
  'Bust span': '19',
  'Bust arc': '48',
  'Bust point to side': '12',
  'Natural waist': '74',
  'Widest girth': '80',
  'Trouser waist': '82',
  'High hip': '92',
  'Hip and seat': '100',
  'Seat arc': '51',
  Thigh: '57',
  'Both thighs': '98',
  'Both knees': '76',
  'Above the knee': '42',
  Knee: '38',
  'Knee, kneeling': '40',
  Calf: '36',
  Ankle: '23',
  Heel: '33',
  'Upper arm': '30',
  Elbow: '26',
  Forearm: '25',
  Wrist: '16',
  'Hand, thumb in': '22',
  Armhole: '42',
  'Hand girth': '19',
  'Wrist to knuckle': '8.5',
  'Hand length': '18',
  Height: '170',
  Weight: '66',
  Shoulder: '12.5',
  'Shoulder width': '40',
  'Across the back': '36',
  'Across the front': '34',
  'Shoulder to elbow': '34',
  Arm: '58',
  'Shoulder to knuckle': '66',
  'Neck to knuckle': '79',
  'Nape to wrist': '80',
  'Throat to waist': '36',
  'Hollow to hem': '142',
  'Shoulder to armpit level, front': '17',
  'Shoulder to bust': '27',
  'Shoulder to underbust': '34',
  'Shoulder to underbust, beside': '31',
  'Front to waist': '43',
  'Shoulder to hip': '63',
  'Shoulder to knee': '93',
  'Shoulder to floor': '141',
  'Shoulder to armpit': '18',
  'Side to waist': '20',
  'Back to waist': '41',
  'Nape to hip': '61',
  'Nape to fork': '68',
  Trunk: '155',
  'Waist to high hip': '10',
  'Waist to hip': '20',
  'Waist to knee': '60',
  'Waist to ankle': '97',
  'Outside leg': '105',
  'Waist to floor on tiptoe': '112',
  'Trouser waist to floor': '101',
  'Top of the knee to floor': '52',
  'Hip to floor': '85',
  'Inside leg': '77',
  'Through the legs, front half': '31',
  'Through the legs': '68',
  'Through the legs, back half': '37',
  'Body rise': '27',
  'Heel height': '3',
  'Left foot length': '245',
  'Left foot width': '96',
  'Right foot length': '246',
  'Right foot width': '97',
};

test('the full record is taken by keyboard in one sitting, twice, with chains, and its sheet prints', async ({
  fitter: page,
}) => {
  test.setTimeout(150_000);
  await openDocketByKeyboard(page, 'Siobh', ['Full record']);
  const keys = new Keys(page);
  const heading = page.getByRole('heading', { level: 1 });
  const chain = page.locator('nm-chain-marks');
  const [seen, chained] = [new Set<string>(), new Set<string>()];
  let readings = 0;
  for (;;) {
    const name = (await heading.textContent())!.trim();
    if (name === 'Wishes') break;
    const reading = BODY[name];
    if (reading === undefined) {
      seen.add(name);
      await keys.press('Enter');
    } else {
      const along = (await chain.count()) > 0;
      if (along) chained.add(name);
      for (let times = along ? 1 : 2; times > 0; times--) {
        await keys.type(reading);
        await keys.press('Enter');
        readings += 1;
      }
      seen.add(name);
    }
    await expect(heading).not.toHaveText(name);
  }
  expect(Object.keys(BODY).filter((name) => !seen.has(name))).toEqual([]);
  expect(readings).toBe(2 * Object.keys(BODY).length);
  expect(chained.size).toBe(27);
  // eslint-disable-next-line no-console
  console.log(`full record: ${keys.besidesDigits} keys besides digits for ${readings} readings`);
  expect(keys.besidesDigits).toBeLessThanOrEqual(2 * readings);
  // What is wanted of the garment: the first field has the keys.
  await expect(page.getByLabel('Neckline, front', { exact: false }).first()).toBeFocused();
  await takeReadings(page, '18', '25', '60', '58', '62', '4');
  await expect(page.getByRole('heading', { name: 'All taken' })).toBeVisible();
  const sheet = await page.request.get(`/api/dockets/${page.url().split('/').at(-1)!}/sheet.pdf`);
  expect([sheet.status(), sheet.headers()['content-type']]).toEqual([200, 'application/pdf']);
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a chain is one tape: marks in a row, asked about out of order, taken back the last first', async ({
  fitter: page,
}) => {
  await openDocket(page, 'tobias', ['Designer’s record']);
  await page.getByRole('button', { name: /^Shoulder to armpit level, front: not read/ }).click();
  const heading = page.getByRole('heading', { level: 1 });
  await takeReadings(page, '18', '27', '34');
  await expect(heading).toHaveText('Front to waist');
  await takeReadings(page, '30');
  await expect(page.getByText('does not lie beyond the mark before it, underbust')).toBeVisible();
  await expect(heading).toHaveText('Front to waist');
  await takeReadings(page, '44');
  // The second round runs down the same chain.
  await expect(heading).toHaveText('Shoulder to armpit level, front');
  await takeReadings(page, '18.5');
  await expect(heading).toHaveText('Shoulder to bust');
  await page.keyboard.press('r');
  await expect(heading).toHaveText('Shoulder to armpit level, front');
  await takeReadings(page, '18', '27.5', '34', '47');
  // Three centimetres apart: that mark alone is read a third time.
  await expect(heading).toHaveText('Front to waist');
  await takeReadings(page, '44.5');
  await expect(heading).not.toHaveText('Front to waist');
  await expect(page.getByRole('button', { name: 'Front to waist: 44.5 cm' })).toBeVisible();
});

test('wishes are typed and pointed at, stand on the docket, and are no value of the body', async ({
  fitter: page,
}) => {
  await openDocket(page, 'joaqu', ['Headwear']);
  await takeReadings(page, '57', '57');
  await page.keyboard.press('l');
  await expect(page.getByRole('heading', { name: 'Wishes' })).toBeVisible();
  const split = page.getByLabel('Split', { exact: false }).first();
  await split.focus();
  await page.getByRole('img', { name: 'Where split is to end' }).click({ position: { x: 100, y: 330 } });
  await split.focus();
  await page.keyboard.type('4500');
  await page.keyboard.press('Enter');
  await expect(page.getByText('4500 cm is no split (0 cm to 130 cm).')).toBeVisible();
  await split.fill('45');
  await page.keyboard.press('Enter');
  await expect(page.getByText('noted: 45 cm, pointed at')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'All taken' })).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText('noted: 45 cm, pointed at')).toBeVisible();
  await page.goto(
    await page.getByRole('link', { name: 'Record', exact: true }).getAttribute('href').then(String),
  );
  await expect(page.getByRole('heading', { name: 'Head', exact: true })).toBeVisible();
  await expect(page.getByText('Split')).toHaveCount(0);
});

test('the record of a person is plotted, is due by age, and goes out as a table', async ({
  fitter: page,
}) => {
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Linnea');
  await page.getByText('The record of Linnea Osei-Harrow').click();
  await expect(page.getByText('due to be measured again')).toBeVisible();
  await page.getByRole('button', { name: /^Height/ }).click();
  await expect(page.getByRole('cell', { name: '151.8 cm' })).toBeVisible();
  await expect(page.locator('nm-value-plot svg')).toBeVisible();
  const born = page.getByLabel('Born in');
  await born.fill('1990-3');
  await born.press('Tab');
  await expect(page.getByText('Write the year and the month, as 2009-04.')).toBeVisible();
  await born.fill('1990-03');
  await born.press('Tab');
  await expect(page.getByText('36 years old')).toBeVisible();
  await expect(page.getByText('due to be measured again')).toHaveCount(0);
  await born.fill('2010-03');
  await born.press('Tab');
  await expect(page.getByText('16 years old')).toBeVisible();
  const table = await page.request.get(
    await page.getByRole('link', { name: 'as a table' }).getAttribute('href').then(String),
  );
  expect(await table.text()).toContain('height,Height,1517.5,mm');
});

test('a house’s protocol says where its waist is, and a chain is added to it at once', async ({
  fitter: page,
}) => {
  await page.goto('/bench/protocols');
  await page.getByRole('button', { name: 'Headwear' }).click();
  await page.getByRole('button', { name: 'Copy and change' }).click();
  await page.getByLabel('Name', { exact: true }).fill('By the navel');
  await chooseFrom(page, 'Where the waist is', 'at the navel');
  await chooseFrom(page, 'Add a chain: one tape, its marks read in passing', /Down the side/);
  await page.getByRole('button', { name: 'Save the protocol' }).click();
  await expect(page.getByRole('heading', { name: 'By the navel' })).toBeVisible();
  await expect(
    page.getByText('The tape is laid 2 times for 7 measurements: 5 are read in passing.'),
  ).toBeVisible();
  await page.getByRole('link', { name: 'Back to the docket' }).click();
  await openDocket(page, 'Idris Castellan', ['By the navel']);
  await page.getByRole('button', { name: /^Waist at the navel to high hip/ }).click();
  await expect(page.getByText('Read at the cord, at the navel.')).toBeVisible();
  await expect(page.getByText('Held at the level of the navel at the side')).toBeVisible();
});

import { AGAIN, expect, openDocketByKeyboard, takeReadings, test } from '../fitter';
import { Keys } from '../keys';
import { expectSize } from './practice';

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
  'Rise, standing': '28',
  'Body rise': '27',
  'Waist to under the seat': '32',
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
  await openDocketByKeyboard(page, 'Siobh', ['Mudlark coverall', 'Full record']);
  const keys = new Keys(page);
  // Some 80 measurements, each twice: minutes, not an hour, in the order they are asked in.
  const left = (await page.getByText(/readings left, about \d+ minutes/).textContent())!;
  expect(Number(/about (\d+)/.exec(left)![1])).toBeLessThanOrEqual(25);
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
  // Chest 92: S. Waist 74: S. Hip 100: M. Trunk 155: S. The widest decides: M. Inside leg 77 begins regular.
  await expectSize(page, /Mudlark coverall/, 'M regular');
  const sheet = await page.request.get(`/api/dockets/${page.url().split('/').at(-1)!}/sheet.pdf`, AGAIN);
  expect([sheet.status(), sheet.headers()['content-type']]).toEqual([200, 'application/pdf']);
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-');
});

import { expectAccessible } from './axe';
import { expect, openDocket, takeReadings, test } from './fitter';
import { PLACES } from './places';

test.describe('at tablet size, by touch', () => {
  test.use({ viewport: { width: 768, height: 1024 }, hasTouch: true });

  test('a fleece is sized and accepted', async ({ fitter: page }) => {
    await page.getByRole('option', { name: /Anneliese/ }).tap();
    await page.getByRole('checkbox', { name: /Estuary fleece/ }).tap();
    await page.getByRole('button', { name: 'Open docket' }).tap();
    await page.getByRole('button', { name: 'Begin' }).tap();
    await page.getByLabel('Chest in cm').tap();
    await page.keyboard.type('98');
    await page
      .getByRole('button', { name: 'Take', exact: true })
      .or(page.getByRole('button', { name: 'Enter Take' }))
      .tap();
    await page.getByRole('button', { name: '5 mm more' }).tap();
    await page.getByRole('button', { name: 'Enter Take' }).tap();
    await page.getByRole('button', { name: /Accept M/ }).tap();
    await expect(page.getByText('Accepted: M.')).toBeVisible();
  });
});

/** Places of which the rules are gone through at 200 % as well: one of each way they are laid out. */
const ZOOMED: readonly string[] = ['/bench', '/charts', '/stores/hire', '/house/sizing'];

test('no place has an accessibility violation; each holds at 200 %, with forced colours and without motion', async ({
  fitter: page,
}) => {
  // Every place is gone through rule by rule.
  test.slow();
  const check = (where: string) => expectAccessible(page, where);
  for (const place of PLACES) {
    await page.goto(place);
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    await page.waitForLoadState('networkidle');
    await check(place);
    // 1280 x 800 at 200 % is a page of half as many of its own pixels either way.
    await page.setViewportSize({ width: 640, height: 400 });
    await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
    expect(await page.evaluate(() => document.documentElement.scrollWidth), place).toBeLessThanOrEqual(640);
    if (ZOOMED.includes(place)) await check(`${place} at 200 %`);
    await page.emulateMedia({ forcedColors: 'none', reducedMotion: 'no-preference' });
    await page.setViewportSize({ width: 1280, height: 800 });
  }
  await page.goto('/bench');
  await openDocket(page, 'siobhan', ['Ranger field jacket']);
  await takeReadings(page, '98', '104');
  await check('measuring');
  await takeReadings(page, '98', '94', '94');
  await expect(page.locator('[data-proposed]:visible')).toBeVisible();
  await page.keyboard.press('o');
  await check('deciding');
  await page.goto('/bench');
  await openDocket(page, 'anneliese', ['Designer’s record']);
  await page.getByRole('button', { name: /^Shoulder to armpit level, front: not read/ }).click();
  await takeReadings(page, '18', '17');
  await check('along a chain');
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await expect(page.getByRole('heading', { name: 'Wishes' })).toBeVisible();
  await check('wishes');
  await page.goto('/log');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('Linnea');
  await page.getByText('Record of Linnea Osei-Harrow').click();
  await expect(page.locator('nm-value-plot svg')).toBeVisible();
  await check('the record of a person');
});

test('an old link and a wrong passphrase get plain words', async ({ page, allowErrors }) => {
  allowErrors(/40[14]/);
  await page.goto('/bench/01990000-0000-7000-8000-000000000000');
  // Nothing else is to be done here, so the keys are in the form.
  await expect(page.getByLabel('Sign-in name')).toBeFocused();
  await page.keyboard.type('odalys');
  await page.keyboard.press('Tab');
  await page.keyboard.type('spring-tide');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toHaveText(
    'The name and passphrase do not match. Check both and try again.',
  );
  await page.getByLabel('Passphrase').fill('low-tide-table');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('There is no such docket.');
});

test('signing out ends the session', async ({ fitter: page }) => {
  await page.getByRole('button', { name: 'Sign out' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await page.goto('/charts');
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
});

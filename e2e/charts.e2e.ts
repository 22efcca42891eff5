import { expectAccessible } from './axe';
import type { Page } from '@playwright/test';
import { chooseFrom, expect, openDocket, takeReadings, test } from './fitter';
import { TABLES } from './tables';

const file = (name: string, text: string | Buffer, mimeType = 'text/csv') => ({
  name,
  mimeType,
  buffer: Buffer.isBuffer(text) ? text : Buffer.from(text),
});
const SHIRT = 'size,neck-girth (in)\nS,14-14 1/2\nM,15-15 1/2\nL,16-16 1/2\n';

test('a chart of one’s own is imported, seen as rulers, saved and sized against at once', async ({
  fitter: page,
}) => {
  await page.getByRole('link', { name: 'Charts' }).press('Enter');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await page.setInputFiles('input[type=file]', file('guide-shirt.csv', SHIRT));
  await expect(page.getByRole('heading', { name: 'Imported table' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Neck, not read yet; sizes S to L/ })).toBeVisible();
  await page.getByRole('button', { name: 'Continue' }).press('Enter');

  await expect(page.getByRole('heading', { name: 'New chart' })).toBeVisible();
  const maker = page.getByLabel('Maker');
  await maker.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Maker:');
  await page.keyboard.type('Pindlemere Mill');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Guide shirt is saved.')).toBeVisible();

  await page.getByRole('status').getByRole('link', { name: 'Size a wearer' }).press('Enter');
  await expect(page.getByRole('checkbox', { name: /Guide shirt/ })).toBeChecked();
  await openDocket(page, 'desmond', []);
  await takeReadings(page, '15 1/4 in', '15 1/4 in');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M');
});

test('a pasted block with a waist asks which waist is meant, and says every fault', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  // What was said of a table is given up for the next only knowingly.
  page.on('dialog', (dialog) => void dialog.accept());
  const paste = (text: string, type = 'text/plain') =>
    page.evaluate(
      ([content, kind]) => {
        const clipboardData = new DataTransfer();
        clipboardData.setData(kind!, content!);
        document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }));
      },
      [text, type],
    );
  await paste('Size\tChest (cm)\tWaist (cm)\nS\t86–94\t70 to 78\nM\t94–102\t86-78\n');
  await expect(page.getByText('“Waist (cm)” could be several places on the body.')).toBeVisible();
  await chooseFrom(page, 'What Waist (cm) means', 'Trouser waist');
  await expect(page.locator('li.fault')).toHaveText([/“86-78” is reversed. Write 78-86/]);
  await expect(page.getByRole('button', { name: 'Continue' })).toBeDisabled();

  await paste(
    '<table><tr><th>Size<th colspan=2>Hip<tr><td><td>in<td>cm<tr><td>S<td>34–36<td>86–91<tr><td>M<td>36–38<td>91–97</table>',
    'text/html',
  );
  await expect(page.getByRole('button', { name: '36–38, a measure' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Continue' })).toBeEnabled();

  await page.getByRole('button', { name: 'Discard' }).click();
  const importTable = (name: string, text: string | Buffer) =>
    page.setInputFiles('input[type=file]', file(name, text));
  const found = page.locator('li.fault');
  await importTable('picture.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 1]));
  await expect(found).toHaveText([/neither text nor a workbook/]);
  await importTable('huge.csv', Buffer.alloc(10_000_000, 'x'));
  await expect(found).toHaveText([/The file has 10.0 MB/]);
  await importTable('broken.json', '{"maker": "x"');
  await expect(found).toHaveText([/The file is not JSON/]);
  await importTable('half.xlsx', Buffer.from([0x50, 0x4b, 3, 4, 9, 9]));
  await expect(found).toHaveText([/not a workbook that can be read/]);
  await page.reload();
  await expect(page.getByRole('complementary', { name: 'Charts' })).not.toContainText(
    /picture|huge|broken|half/i,
  );
});

test('a chart is changed in its table by keyboard, mended by the doctor, and kept as a new version', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await page.getByLabel('Find a chart').fill('marsh cap');
  await page.getByRole('button', { name: /Marsh cap/ }).click();
  await page.getByRole('button', { name: 'Edit chart' }).click();
  const label = page.getByLabel('Label XL');
  await label.focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('Label L', { exact: true })).toBeFocused();
  const cell = page.getByLabel('M, Head');
  await cell.fill('56-57');
  await cell.press('Enter');
  await expect(page.getByText('no wearer fits from').or(page.getByText('fall into a gap'))).toBeVisible();
  await page.getByRole('button', { name: 'Let it reach to the next size' }).click();
  await expect(cell).toHaveValue('56-58');
  await cell.fill('56-5x');
  await cell.press('Enter');
  await expect(page.getByRole('alert')).toContainText('M, Head: “56-5x” is not an interval.');
  await expect(page.getByRole('button', { name: 'Save as version 2' })).toBeDisabled();
  await page.keyboard.press('Control+z');
  await expect(cell).toHaveValue('56-58');
  await page.getByLabel('XL, Head').fill('60-63');
  await page.getByLabel('XL, Head').press('Enter');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('Marsh cap is saved.')).toBeVisible();
  await page.getByRole('tab', { name: 'Versions' }).click();
  await expect(page.getByText('Size XL, Head: 60-62 cm is now 60-63 cm')).toBeVisible();
  await expect(page.getByText('Version 1', { exact: true })).toBeVisible();
});

test('a chart is tried on numbers: every line of its arithmetic, and the same size as the command gives', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await page.getByLabel('Find a chart').fill('tidewall');
  await page.getByRole('button', { name: /Tidewall vest/ }).click();
  await page.getByRole('tab', { name: 'Try it' }).click();
  await page.getByRole('radio', { name: 'in', exact: true }).click();
  await page.getByLabel('Widest girth').fill('36');
  await page.getByLabel('Front, standing').fill('16');
  await page.getByLabel('Collar to belt').fill('19');
  await expect(page.locator('[data-tried]')).toHaveText('20-15 / 19-15');
  await page.getByText('The maker’s arithmetic').click();
  await expect(page.getByText('collar to belt 19 × 0.8 = 15.2 in')).toBeVisible();
  await expect(page.getByText('widest girth 36 + overlap 3 = 39 in')).toBeVisible();
  await expect(page.getByText('does not certify protection')).toBeVisible();
  await page.getByLabel('Widest girth').fill('97');
  await expect(page.getByRole('alert')).toContainText('97 in is outside any widest girth');
});

test('the map draws the sizes to scale over the 507 bodies, and says how many they hold', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await page.getByLabel('Find a chart').fill('field jacket');
  await page.getByRole('button', { name: /Ranger field jacket/ }).click();
  await page.getByRole('tab', { name: 'Map' }).click();
  await expect(page.getByText('Of 507 bodies, 38 % are inside a size')).toBeVisible();
  await expect(page.locator('.map svg')).toBeVisible();

  await chooseFrom(page, 'Points', 'all wearers');
  await expect(page.getByText(/^Of \d+ wearers, \d+ % are inside a size/)).toBeVisible();
});

test('a published table is begun with, an option added to it as text, and kept', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await chooseFrom(page, 'Start from a published table', 'EN 13402-3: Men, waist and height');
  await expect(page.getByRole('heading', { name: 'New chart' })).toBeVisible();
  await expect(page.getByText('EN 13402-3, from memory', { exact: true })).toBeVisible();
  await page.getByRole('textbox', { name: 'Garment' }).fill('Watch trousers');
  await page.getByRole('tab', { name: 'As text' }).click();
  const text = page.getByLabel('The whole chart as text');
  const written = await text.inputValue();
  await text.fill(written.replace('"options": []', '"options": [{"name": "Long leg"}]'));
  await expect(page.getByText('options.0.when', { exact: false })).toBeVisible();
  const option =
    '{"name": "Long leg", "when": [{"of": "height", "is": "above", "length": "190 cm"}], "adds": "+4 cm in the leg"}';
  await text.fill(written.replace('"options": []', `"options": [${option}]`));
  await page.getByRole('button', { name: 'Apply text' }).press('Enter');
  await page.getByRole('button', { name: 'Save chart' }).press('Enter');
  await expect(page.getByText('Watch trousers is saved.')).toBeVisible();
  await expect(page.getByText('+4 cm in the leg', { exact: false })).toBeVisible();
});

test('a chart is saved as JSON, XLSX and CSV, and each of them can be imported again', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await page.getByLabel('Find a chart').fill('field jacket');
  await page.getByRole('button', { name: /Ranger field jacket/ }).click();
  const save = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name, exact: true }).click();
    return (await download).path();
  };
  for (const [name, ending] of [
    ['XLSX', 'xlsx'],
    ['CSV', 'csv'],
  ] as const) {
    const { readFile } = await import('node:fs/promises');
    const bytes = await readFile(await save(name));
    await page.setInputFiles('input[type=file]', file(`again.${ending}`, bytes));
    await expect(page.getByRole('button', { name: '86-94, a measure' }).first()).toBeVisible();
    await expect(page.getByRole('button', { name: 'Continue' })).toBeEnabled();
    await page.getByRole('button', { name: 'Discard' }).click();
  }
  const { readFile } = await import('node:fs/promises');
  const json = await readFile(await save('Export JSON'));
  await page.setInputFiles('input[type=file]', file('again.json', json, 'application/json'));
  await expect(page.getByRole('heading', { name: 'New chart' })).toBeVisible();
  await expect(page.getByLabel('Garment', { exact: true })).toHaveValue('Ranger field jacket');
});

test('a dropped file is taken like a chosen one', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  const transfer = await page.evaluateHandle((text) => {
    const dropped = new DataTransfer();
    dropped.items.add(new File([text], 'hall-cap.csv', { type: 'text/csv' }));
    return dropped;
  }, 'size,head-girth (cm)\nM,56-58\nL,58-60\n');
  await page.dispatchEvent('nm-charts', 'drop', { dataTransfer: transfer });
  await page.getByRole('button', { name: 'Continue' }).click();
  await expect(page.getByLabel('Garment', { exact: true })).toHaveValue('Hall cap');
});

test('changing the unit re-expresses the chart', async ({ fitter: page }) => {
  await page.goto('/charts');
  await page.getByRole('button', { name: /Ranger field jacket/ }).click();
  await expect(page.getByRole('cell', { name: '78 – 86' })).toBeVisible();
  await page.getByRole('radio', { name: 'in', exact: true }).click();
  await expect(page.getByRole('cell', { name: '30 3/4 – 33 7/8' })).toBeVisible();
});

test('a chart that is being changed is left only knowingly', async ({ fitter: page }) => {
  await page.goto('/charts');
  await page.getByLabel('Find a chart').fill('marsh hat');
  await page.getByRole('button', { name: /Marsh hat/ }).click();
  await page.getByRole('button', { name: 'Edit chart' }).click();
  const asked: string[] = [];
  let leave = false;
  page.on('dialog', (dialog) => {
    asked.push(dialog.message());
    void (leave ? dialog.accept() : dialog.dismiss());
  });
  const garment = page.getByRole('textbox', { name: 'Garment' });
  await garment.fill('Marsh hat, wide');
  await page.keyboard.press('Tab');
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(garment).toHaveValue('Marsh hat, wide');
  leave = true;
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Log', exact: true })).toBeVisible();
  expect(asked.length).toBe(2);
  await page.goto('/charts');
  await expect(page.getByRole('button', { name: /Marsh hat/ })).not.toContainText('wide');
});

test('eight columns are typed in side by side, and details have words beside them', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await page.evaluate(() => {
    const head = [
      'neck-girth',
      'chest-girth',
      'waist-girth',
      'hip-girth',
      'cervicale-to-wrist',
      'inside-leg-length',
      'height',
      'head-girth',
    ];
    const rows = [
      ['S', '14-14 1/2', '34-36', '28-30', '35-37', '32 1/2-33 1/2', '30-31', '64-67', '21 1/2-22'],
      ['M', '14 1/2-15', '36-38', '30-32', '37-39', '33 1/2-34 1/2', '31-32', '67-70', '22-22 1/2'],
    ];
    const clipboardData = new DataTransfer();
    clipboardData.setData(
      'text/plain',
      [['Size', ...head.map((code) => `${code} (in)`)], ...rows].map((row) => row.join('\t')).join('\n'),
    );
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }));
  });
  await page.getByLabel('Maker').fill('Ostrel Workwear');
  await page.getByRole('button', { name: 'Continue' }).click();
  const table = page.locator('nm-part-editor .wide');
  await expect(table.getByLabel('M, Nape to wrist')).toHaveValue('33 1/2-34 1/2');
  const fits = await table.evaluate(
    (one) => one.scrollWidth <= one.clientWidth && one.querySelector('tbody tr')!.clientHeight < 60,
  );
  expect(fits).toBe(true);
  // No cell is cut off.
  const cut = await table
    .locator('input')
    .evaluateAll((cells) => cells.filter((one) => one.scrollWidth > one.clientWidth).length);
  expect(cut).toBe(0);
  await page.getByRole('tab', { name: 'Details' }).click();
  await expect(page.getByText('as the wearer likes it')).toBeVisible();
  await expect(page.getByText('tape: not stated').first()).toBeVisible();
  await expect(page.getByText('reaches half-way')).toHaveCount(0);
});

test('what a table leaves unsaid is asked, one thing after the other, before anything of it is taken', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await page.evaluate(() => {
    const clipboardData = new DataTransfer();
    clipboardData.setData(
      'text/plain',
      [
        'Harbour parka',
        'Size\tChest\tHip\tWaist (in)\tWaist (cm)',
        'S\t34/36\t36~38\t28-30\t71-76',
        'M\tfrom 38 to 40\t40-42\t32-34\t91-96',
        'L\tsold out\tsold out\t\t',
        'Model is 188 cm tall and wears M',
      ].join('\n'),
    );
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }));
  });
  const on = page.getByRole('button', { name: 'Continue' });
  await expect(page.getByText('“Chest” names no unit.')).toBeVisible();
  await expect(on).toBeDisabled();
  // Said of one, it holds for the other that names none and could be in no other unit.
  await page.getByRole('button', { name: 'Use inches' }).first().click();
  await expect(page.getByText('names no unit')).toHaveCount(0);
  await chooseFrom(page, 'What Waist (in) means', 'Natural waist');
  const differs = page.getByRole('status').filter({
    hasText:
      '“Waist (cm)” repeats another column in a different unit, but the numbers differ, first on line 4.',
  });
  await expect(differs).toBeVisible();
  await differs.getByRole('button', { name: 'Leave out' }).click();
  await expect(page.getByText('Size L (line 5) has no Chest, Hip')).toBeVisible();
  await expect(on).toBeDisabled();
  await page.getByRole('button', { name: 'leave size L out' }).click();
  await expect(on).toBeEnabled();
  // Nothing is dropped unseen: it is counted beside what goes on.
  await page.getByRole('button', { name: '1 column and 1 line left out: show' }).click();
  const out = page.getByRole('region', { name: 'Left out' });
  await expect(out.getByText('“Waist (cm)”, the same in another unit: 71-76, 91-96')).toBeVisible();
  await expect(out.getByText('line 5: L · sold out')).toBeVisible();
  await expectAccessible(page, 'what is left out of a table');
  // From the other side everything is asked anew; turned back, what was said still stands.
  await page.getByRole('button', { name: 'Sizes run across' }).click();
  await expect(on).toBeDisabled();
  await page.getByRole('button', { name: 'Sizes run down' }).click();
  await expect(on).toBeEnabled();
  // The last answer is taken back, and given again.
  await page.getByRole('button', { name: 'Undo last answer' }).click();
  await page.getByRole('button', { name: 'Undo last answer' }).click();
  await page.getByRole('button', { name: 'Undo last answer' }).click();
  await expect(on).toBeDisabled();
  await page.getByRole('button', { name: 'leave size L out' }).click();
  // Three people are sized by it before it is kept, here and on the page that keeps it.
  const three = page.getByRole('region', { name: 'Three wearers sized by this chart' });
  await expect(three.getByText(/^A wearer of chest .* gets /)).toHaveCount(3);
  await on.click();
  await expect(page.getByRole('heading', { name: 'New chart' })).toBeVisible();
  await expect(three.getByText(/^A wearer of chest /)).toHaveCount(3);
});

const bringTable = async (page: Page, name: string) => {
  const file = { name, mimeType: name.endsWith('html') ? 'text/html' : 'text/csv', buffer: TABLES[name]! };
  await page.setInputFiles('input[type=file]', file);
  await expect(page.getByRole('heading', { name: 'Imported table' })).toBeVisible();
};
const keep = async (page: Page, maker: string, garment: string) => {
  await page.getByRole('button', { name: 'Continue' }).click();
  await expect(page.getByRole('heading', { name: 'New chart' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Maker' }).fill(maker);
  await page.getByRole('textbox', { name: 'Garment' }).fill(garment);
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Save chart' }).click();
  await expect(page.getByText(`${garment} is saved.`)).toBeVisible();
};
const sizeAgainst = async (page: Page, wearer: string, ...readings: string[]) => {
  await page.getByRole('status').getByRole('link', { name: 'Size a wearer' }).click();
  await openDocket(page, wearer, []);
  await takeReadings(page, ...readings);
};

test('a table of length blocks becomes two parts, is kept, and sizes somebody', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await bringTable(page, 'blocks-de.csv');
  await expect(page.getByText('The chart has two parts: Size (3 sizes) and Length (3 sizes)')).toBeVisible();
  // A cell is pointed at, explained, and read as something else; the rulers follow.
  await page.getByRole('button', { name: '94-102, a measure' }).first().click();
  const cell = page.locator('[data-cell]');
  await expect(cell).toContainText('“94-102”: Chest, in centimetres from the heading; 94 cm to 102 cm.');
  await page.getByLabel('Correct value').fill('94-103');
  await page.getByRole('button', { name: 'Use this value' }).click();
  await expect(cell).toContainText('94 cm to 103 cm');
  await expect(page.getByText('Restore “94-102”')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Continue' })).toBeDisabled();
  await page.getByText('Restore “94-102”').click();
  await keep(page, 'Ostrel Workwear', 'Watch coat');
  await sizeAgainst(page, 'desmond', '98', '98', '77', '77');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M Normal');
});

test('a matrix of marks asks what its axes measure, and holds to what is made', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await bringTable(page, 'marks.csv');
  const on = page.getByRole('button', { name: 'Continue' });
  await expect(page.getByText('“Sleeve (in)” could be several places on the body.')).toBeVisible();
  await expect(on).toBeDisabled();
  await chooseFrom(page, 'What Sleeve (in) means', 'Nape to wrist');
  await expect(page.getByText('10 combinations are made')).toBeVisible();
  await keep(page, 'Ostrel Workwear', 'Dress shirt');
  await page.getByRole('button', { name: 'Edit chart' }).click();
  await page.getByRole('tab', { name: 'Combinations' }).click();
  await expect(page.getByRole('checkbox', { name: '14 with 33' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: '14 with 34' })).not.toBeChecked();
});

test('a page with a table for each unit offers both, tells that they agree, and takes the one that is said', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await bringTable(page, 'page-two-units.html');
  const on = page.getByRole('button', { name: 'Continue' });
  await expect(page.getByText('Choose which to import.')).toBeVisible();
  await expect(page.getByText('3 sizes, the same as “Centimetres” in another unit')).toBeVisible();
  await expect(on).toBeDisabled();
  await page.getByRole('checkbox', { name: 'Centimetres' }).click();
  await expect(on).toBeEnabled();
  await keep(page, 'Ostrel Workwear', 'Tide vest');
  // What came with it is still at hand.
  await page.getByRole('button', { name: 'Import another of the 2 tables in the file' }).click();
  await expect(page.getByText('2 tables were found.')).toBeVisible();
  await expect(page.getByText('Choose which to import.')).toBeVisible();
});

test('a UTF-16 file says how it was read; what its headings meant is remembered for the maker’s next', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await bringTable(page, 'text-utf-16le.csv');
  await expect(page.getByText('Read as UTF-16.')).toBeVisible();
  await keep(page, 'Gullcombe Mill', 'Hall jacket');
  const imported = (text: string) => ({ name: 'next.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.setInputFiles('input[type=file]', imported('Size,Waist (cm)\nS,70-78\nM,78-86\n'));
  await chooseFrom(page, 'What Waist (cm) means', 'Trouser waist');
  await keep(page, 'Gullcombe Mill', 'Hall trousers');
  await page.setInputFiles(
    'input[type=file]',
    imported('Size,Waist (cm),Hip (cm)\nS,72-80,90-98\nM,80-88,98-106\n'),
  );
  await expect(page.getByText('“Waist (cm)” could be several places on the body.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Maker' }).fill('Gullcombe Mill');
  await page.keyboard.press('Tab');
  await expect(page.getByText('“Waist (cm)” could be several places on the body.')).toHaveCount(0);
  await page.getByRole('button', { name: '72-80, a measure' }).click();
  await expect(page.locator('[data-cell]')).toContainText(
    'Trouser waist, in centimetres from the heading, as in this maker’s last table',
  );
});

test('what the doctor calls wrong keeps a chart from being saved until it is intended', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  const table = 'Size,Hip (cm)\nM,90-98\nS,98-106\nL,106-114\n';
  await page.setInputFiles('input[type=file]', {
    name: 'turned.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(table),
  });
  await page.getByRole('button', { name: 'Continue' }).click();
  // The table that was imported has a field with that name, too.
  await expect(page.getByRole('heading', { name: 'New chart' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Maker' }).fill('Ostrel Workwear');
  await page.keyboard.press('Tab');
  const save = page.getByRole('button', { name: 'Save chart' });
  await expect(save).toBeDisabled();
  await expect(page.getByText('One thing is wrong and would size wearers wrongly.')).toBeVisible();
  await page.getByRole('button', { name: 'Intended', exact: true }).click();
  await save.click();
  await expect(page.getByText('Turned is saved.')).toBeVisible();
  await expect(page.getByText(/turned\.csv · intended: /)).toBeVisible();
});

test('a file that keeps the reading busy can be stopped, and nothing is taken', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  // The worker never answers: as if a file took for ever.
  await page.evaluate(() => {
    Worker.prototype.postMessage = () => undefined;
  });
  await page.setInputFiles('input[type=file]', file('busy.xlsx', Buffer.from('PK\x03\x04'), ''));
  await expect(page.getByText('Reading', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText('Reading', { exact: true })).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'Imported table' })).toHaveCount(0);
});

import type { Page } from '@playwright/test';
import { chooseFrom, expect, openDocket, takeReadings, test } from './fitter';
import { TABLES } from './tables';

const file = (name: string, text: string | Buffer, mimeType = 'text/csv') => ({
  name,
  mimeType,
  buffer: Buffer.isBuffer(text) ? text : Buffer.from(text),
});
const SHIRT = 'size,neck-girth (in)\nS,14-14 1/2\nM,15-15 1/2\nL,16-16 1/2\n';

test('a chart of one’s own is brought, seen as rulers, put on the shelf and sized against at once', async ({
  fitter: page,
}) => {
  await page.getByRole('link', { name: 'Charts' }).press('Enter');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await page.setInputFiles('input[type=file]', file('guide-shirt.csv', SHIRT));
  await expect(page.getByRole('heading', { name: 'What was brought' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Neck, not read yet; sizes S to L/ })).toBeVisible();
  await page.getByRole('button', { name: 'Go on with this' }).press('Enter');

  await expect(page.getByRole('heading', { name: 'Put it on the shelf?' })).toBeVisible();
  const maker = page.getByLabel('Maker');
  await maker.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Maker:');
  await page.keyboard.type('Pindlemere Mill');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Guide shirt is on the shelf.')).toBeVisible();

  await page.getByRole('status').getByRole('link', { name: 'Size somebody against it' }).press('Enter');
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
  await expect(page.getByText('“Waist (cm)” is several places on the body.')).toBeVisible();
  await chooseFrom(page, 'What Waist (cm) means', 'Trouser waist');
  await expect(page.locator('li.fault')).toHaveText([/“86-78” is upside down. Write 78-86/]);
  await expect(page.getByRole('button', { name: 'Go on with this' })).toBeDisabled();

  await paste(
    '<table><tr><th>Size<th colspan=2>Hip<tr><td><td>in<td>cm<tr><td>S<td>34–36<td>86–91<tr><td>M<td>36–38<td>91–97</table>',
    'text/html',
  );
  await expect(page.getByRole('button', { name: '36–38, a measure' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Go on with this' })).toBeEnabled();

  await page.getByRole('button', { name: 'Discard' }).click();
  const bring = (name: string, text: string | Buffer) =>
    page.setInputFiles('input[type=file]', file(name, text));
  const found = page.locator('li.fault');
  await bring('picture.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 1]));
  await expect(found).toHaveText([/neither text nor a workbook/]);
  await bring('huge.csv', Buffer.alloc(10_000_000, 'x'));
  await expect(found).toHaveText([/It holds 10.0 MB/]);
  await bring('broken.json', '{"maker": "x"');
  await expect(found).toHaveText([/The file is no JSON/]);
  await bring('half.xlsx', Buffer.from([0x50, 0x4b, 3, 4, 9, 9]));
  await expect(found).toHaveText([/no workbook that can be read/]);
  await page.reload();
  await expect(page.getByRole('complementary', { name: 'Shelf' })).not.toContainText(
    /picture|huge|broken|half/i,
  );
});

test('a chart is changed in its table by keyboard, mended by the doctor, and kept as a new version', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await page.getByLabel('Find a chart').fill('marsh cap');
  await page.getByRole('button', { name: /Marsh cap/ }).click();
  await page.getByRole('button', { name: 'Change it' }).click();
  const label = page.getByLabel('Label XL');
  await label.focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('Label L', { exact: true })).toBeFocused();
  const cell = page.getByLabel('M, Head');
  await cell.fill('56-57');
  await cell.press('Enter');
  await expect(page.getByText('nobody is held from').or(page.getByText('falls into a gap'))).toBeVisible();
  await page.getByRole('button', { name: 'Let it reach to the next size' }).click();
  await expect(cell).toHaveValue('56-58');
  await cell.fill('56-5x');
  await cell.press('Enter');
  await expect(page.getByRole('alert')).toContainText('M, Head: “56-5x” is no interval.');
  await expect(page.getByRole('button', { name: 'Keep as version 2' })).toBeDisabled();
  await page.keyboard.press('Control+z');
  await expect(cell).toHaveValue('56-58');
  await page.getByLabel('XL, Head').fill('60-63');
  await page.getByLabel('XL, Head').press('Enter');
  await page.getByRole('button', { name: 'Keep as version 2' }).click();
  await expect(page.getByText('Marsh cap is on the shelf.')).toBeVisible();
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
  await expect(page.getByText('Of 507 bodies a size holds 38 %')).toBeVisible();
  await expect(page.locator('.map svg')).toBeVisible();

  await chooseFrom(page, 'Points', 'everybody on the roll');
  await expect(page.getByText(/^Of \d+ on the roll a size holds \d+ %;/)).toBeVisible();
});

test('a published table is begun with, an option added to it as text, and kept', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await chooseFrom(page, 'Begin with a published table', 'EN 13402-3: Men, waist and height');
  await expect(page.getByRole('heading', { name: 'Put it on the shelf?' })).toBeVisible();
  await expect(page.getByText('EN 13402-3, from memory.', { exact: true })).toBeVisible();
  await page.getByRole('textbox', { name: 'Garment' }).fill('Watch trousers');
  await page.getByRole('tab', { name: 'As text' }).click();
  const text = page.getByLabel('The whole chart as text');
  const written = await text.inputValue();
  await text.fill(written.replace('"options": []', '"options": [{"name": "Long leg"}]'));
  await expect(page.getByText('options.0.when', { exact: false })).toBeVisible();
  const option =
    '{"name": "Long leg", "when": [{"of": "height", "is": "above", "length": "190 cm"}], "adds": "+4 cm in the leg"}';
  await text.fill(written.replace('"options": []', `"options": [${option}]`));
  await page.getByRole('button', { name: 'Take the text over' }).press('Enter');
  await page.getByRole('button', { name: 'Put it on the shelf' }).press('Enter');
  await expect(page.getByText('Watch trousers is on the shelf.')).toBeVisible();
  await expect(page.getByText('+4 cm in the leg', { exact: false })).toBeVisible();
});

test('a chart is saved as JSON, XLSX and CSV, and each of them can be brought again', async ({
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
    await expect(page.getByRole('button', { name: 'Go on with this' })).toBeEnabled();
    await page.getByRole('button', { name: 'Discard' }).click();
  }
  const { readFile } = await import('node:fs/promises');
  const json = await readFile(await save('Save as JSON'));
  await page.setInputFiles('input[type=file]', file('again.json', json, 'application/json'));
  await expect(page.getByRole('heading', { name: 'Put it on the shelf?' })).toBeVisible();
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
  await page.getByRole('button', { name: 'Go on with this' }).click();
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
  await page.getByRole('button', { name: 'Change it' }).click();
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
  await page.getByRole('button', { name: 'Go on with this' }).click();
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
  await expect(page.getByText('tape: not said').first()).toBeVisible();
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
  const on = page.getByRole('button', { name: 'Go on with this' });
  await expect(page.getByText('“Chest” names no unit.')).toBeVisible();
  await expect(on).toBeDisabled();
  // Said of one, it holds for the other that names none and could be in no other unit.
  await page.getByRole('button', { name: 'They are inches' }).first().click();
  await expect(page.getByText('names no unit')).toHaveCount(0);
  await chooseFrom(page, 'What Waist (in) means', 'Natural waist');
  const differs = page
    .getByRole('status')
    .filter({ hasText: '“Waist (cm)” is the same in another unit and says otherwise, first on line 4.' });
  await expect(differs).toBeVisible();
  await differs.getByRole('button', { name: 'Leave it out' }).click();
  await expect(page.getByText('Size L (line 5) gives no Chest, Hip')).toBeVisible();
  await expect(on).toBeDisabled();
  await page.getByRole('button', { name: 'leave size L out' }).click();
  await expect(on).toBeEnabled();
  // From the other side everything is asked anew.
  await page.getByRole('button', { name: 'The sizes stand across' }).click();
  await expect(on).toBeDisabled();
});

const bringTable = async (page: Page, name: string) => {
  const file = { name, mimeType: name.endsWith('html') ? 'text/html' : 'text/csv', buffer: TABLES[name]! };
  await page.setInputFiles('input[type=file]', file);
  await expect(page.getByRole('heading', { name: 'What was brought' })).toBeVisible();
};
const keep = async (page: Page, maker: string, garment: string) => {
  await page.getByRole('button', { name: 'Go on with this' }).click();
  await expect(page.getByRole('heading', { name: 'Put it on the shelf?' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Maker' }).fill(maker);
  await page.getByRole('textbox', { name: 'Garment' }).fill(garment);
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByText(`${garment} is on the shelf.`)).toBeVisible();
};
const sizeAgainst = async (page: Page, wearer: string, ...readings: string[]) => {
  await page.getByRole('status').getByRole('link', { name: 'Size somebody against it' }).click();
  await openDocket(page, wearer, []);
  await takeReadings(page, ...readings);
};

test('a table of length blocks becomes two parts, is kept, and sizes somebody', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await bringTable(page, 'blocks-de.csv');
  await expect(
    page.getByText('It becomes a chart of two parts: Size (3 sizes) and Length (3 sizes)'),
  ).toBeVisible();
  // A cell is pointed at, explained, and read as something else; the rulers follow.
  await page.getByRole('button', { name: '94-102, a measure' }).first().click();
  const cell = page.locator('[data-cell]');
  await expect(cell).toContainText('“94-102”: Chest, in centimetres from the heading; 94 cm to 102 cm.');
  await page.getByLabel('What the cell holds instead').fill('94-103');
  await page.getByRole('button', { name: 'Read this instead' }).click();
  await expect(cell).toContainText('94 cm to 103 cm');
  await expect(page.getByText('As it came: “94-102”')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Go on with this' })).toBeDisabled();
  await page.getByText('As it came: “94-102”').click();
  await keep(page, 'Ostrel Workwear', 'Watch coat');
  await sizeAgainst(page, 'desmond', '98', '98', '77', '77');
  await expect(page.locator('[data-proposed]:visible')).toHaveText('M Normal');
});

test('a matrix of marks asks what its axes measure, and holds to what is made', async ({ fitter: page }) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await bringTable(page, 'marks.csv');
  const on = page.getByRole('button', { name: 'Go on with this' });
  await expect(page.getByText('“Sleeve (in)” is several places on the body.')).toBeVisible();
  await expect(on).toBeDisabled();
  await chooseFrom(page, 'What Sleeve (in) means', 'Nape to wrist');
  await expect(page.getByText('10 of them are made together')).toBeVisible();
  await keep(page, 'Ostrel Workwear', 'Dress shirt');
  await page.getByRole('button', { name: 'Change it' }).click();
  await page.getByRole('tab', { name: 'Made together' }).click();
  await expect(page.getByRole('checkbox', { name: '14 with 33' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: '14 with 34' })).not.toBeChecked();
});

test('a page with a table for each unit offers both, tells that they agree, and takes the one that is said', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await bringTable(page, 'page-two-units.html');
  const on = page.getByRole('button', { name: 'Go on with this' });
  await expect(page.getByText('Say which of them to take.')).toBeVisible();
  await expect(page.getByText('3 sizes, the same as “Centimetres” in another unit')).toBeVisible();
  await expect(on).toBeDisabled();
  await page.getByRole('checkbox', { name: 'Centimetres' }).click();
  await expect(on).toBeEnabled();
  await keep(page, 'Ostrel Workwear', 'Tide vest');
  // What came with it is still at hand.
  await page.getByRole('button', { name: 'Take another of the 2 tables that came with it' }).click();
  await expect(page.getByText('2 tables were found.')).toBeVisible();
  await expect(page.getByText('Say which of them to take.')).toBeVisible();
});

test('a UTF-16 file says how it was read; what its headings meant is remembered for the maker’s next', async ({
  fitter: page,
}) => {
  await page.goto('/charts');
  await expect(page.getByRole('tab', { name: 'Sizes' })).toBeVisible();
  await bringTable(page, 'text-utf-16le.csv');
  await expect(page.getByText('Read as UTF-16.')).toBeVisible();
  await keep(page, 'Gullcombe Mill', 'Hall jacket');
  const brought = (text: string) => ({ name: 'next.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.setInputFiles('input[type=file]', brought('Size,Waist (cm)\nS,70-78\nM,78-86\n'));
  await chooseFrom(page, 'What Waist (cm) means', 'Trouser waist');
  await keep(page, 'Gullcombe Mill', 'Hall trousers');
  await page.setInputFiles(
    'input[type=file]',
    brought('Size,Waist (cm),Hip (cm)\nS,72-80,90-98\nM,80-88,98-106\n'),
  );
  await expect(page.getByText('“Waist (cm)” is several places on the body.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Maker' }).fill('Gullcombe Mill');
  await page.keyboard.press('Tab');
  await expect(page.getByText('“Waist (cm)” is several places on the body.')).toHaveCount(0);
  await page.getByRole('button', { name: '72-80, a measure' }).click();
  await expect(page.locator('[data-cell]')).toContainText(
    'Trouser waist, in centimetres from the heading, as in their last table',
  );
});

test('what the doctor calls wrong keeps a chart off the shelf until it is said to be meant', async ({
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
  await page.getByRole('button', { name: 'Go on with this' }).click();
  // The table that was brought has a field of that name, too.
  await expect(page.getByRole('heading', { name: 'Put it on the shelf?' })).toBeVisible();
  await page.getByRole('textbox', { name: 'Maker' }).fill('Ostrel Workwear');
  await page.keyboard.press('Tab');
  const shelf = page.getByRole('button', { name: 'Put it on the shelf' });
  await expect(shelf).toBeDisabled();
  await expect(page.getByText('One thing is wrong and would size people wrongly.')).toBeVisible();
  await page.getByRole('button', { name: 'It is meant so' }).click();
  await shelf.click();
  await expect(page.getByText('Turned is on the shelf.')).toBeVisible();
  await expect(page.getByText(/turned\.csv · meant so: /)).toBeVisible();
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
  await expect(page.getByRole('heading', { name: 'What was brought' })).toHaveCount(0);
});

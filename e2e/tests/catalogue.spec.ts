import { type Part } from '@katharos/core';
import { starterCatalogue, writeCatalogue } from '@katharos/job';
import { readFile } from 'node:fs/promises';
import { check, phone } from '../support/access.ts';
import { expect, test, walkTo } from '../support/app.ts';
import { seedJob } from '../support/job.ts';

// What is proposed elsewhere is reckoned with the starter catalogue.
test.use({ ownFirm: 'catalogue' });

test('a pump’s curve is edited with its picture, and a system that was chosen with it keeps what it was', async ({
  page,
}) => {
  await seedJob(page, 'Isolde Garth', { chosen: true, at: 'size' });
  const address = new URL(page.url()).pathname.replace(/\/size$/, '');
  const chosen = async () =>
    JSON.stringify(
      ((await (await page.request.get(`/api${address}`)).json()) as { document: object }).document,
    );
  const before = await chosen();

  await walkTo(page, '/catalogue');
  await page.getByLabel('Find a part').fill('heron 2');
  await page.getByRole('link', { name: 'Heron 2 booster pump' }).click();
  const picture = page.getByRole('region', { name: 'Boost by flow' });
  await expect(picture).toBeVisible();
  const drawn = () => picture.locator('path.recharts-line-curve').getAttribute('d');
  const line = await drawn();
  const boost = page.getByLabel('Boost of point 2');
  await boost.fill('3');
  await boost.press('Enter');
  await expect.poll(drawn).not.toBe(line);
  // A point whose flow is another’s is no curve: it says so, and the picture waits.
  const flow = page.getByLabel('Flow of point 2');
  await flow.fill('0');
  await flow.press('Enter');
  await expect(page.getByText('The points of a pump curve must rise in flow.')).toBeVisible();
  await expect(picture).toContainText('As it was before what is being entered');
  // What is half done outlives a reload.
  await page.reload();
  await expect(page.getByText('The points of a pump curve must rise in flow.')).toBeVisible();
  await page.getByLabel('Flow of point 2').fill('45');
  await page.getByLabel('Flow of point 2').press('Enter');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Heron 2 booster pump is changed.')).toBeVisible();
  expect(await chosen()).toBe(before);

  await page.getByRole('button', { name: 'As it was' }).click();
  await expect(page.getByLabel('Boost of point 2')).toHaveValue('4.6 bar');
});

test('a rating that nothing could meet says why, and is not saved', async ({ page }) => {
  await walkTo(page, '/catalogue/part/reed-50');
  await page.getByLabel('in test water of').fill('15000');
  await page.getByLabel('in test water of').press('Enter');
  await expect(page.getByText(/does not exceed the osmotic pressure/)).toBeVisible();
  await expect(page.getByLabel('at a pressure of')).toHaveAttribute('aria-invalid', 'true');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByLabel('at a pressure of')).toBeFocused();
  await page.getByRole('button', { name: 'Drop the change' }).click();
  await expect(page).toHaveURL(/\/catalogue$/);
});

test('two windows at one part: the second is told, and nothing of the first is lost', async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  for (const one of [page, other]) await one.goto('/catalogue/part/reed-100');
  await other.getByLabel('Price to the customer').fill('58');
  await other.getByLabel('Price to the customer').press('Enter');
  await page.getByLabel('Price to the customer').fill('57');
  await page.getByLabel('Price to the customer').press('Enter');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Reed 100 element is changed.')).toBeVisible();
  await expect(other.getByText('Somebody changed this part since you began')).toBeVisible();
  await other.getByRole('button', { name: 'Look at it as it is now' }).click();
  await expect(other.getByLabel('Price to the customer')).toHaveValue('57 EUR');
  await other.close();
});

test('a file of 500 parts with 20 bad lines: what it would do is seen first, and the good are taken over', async ({
  page,
}) => {
  const element = starterCatalogue.find(({ id }) => id === 'reed-75')!;
  const parts = Array.from({ length: 500 }, (_, i): Part => ({
    ...element,
    id: `fen-${i}`,
    name: `Fen element ${i}`,
    price: 20 + i,
  }));
  const [head, ...lines] = writeCatalogue(parts).trimEnd().split('\r\n');
  // Every twenty-fifth has another thing wrong.
  const spoilt = lines.map((line, i) => {
    if (i % 25 !== 0) return line;
    return [
      line.replace(`,${20 + i},`, ',a few,'),
      line.replace(',membrane,', ',sieve,'),
      line.replace(',0.97', ',1.97'),
      line.replace(`fen-${i}`, 'fen-1'),
    ][(i / 25) % 4]!;
  });
  await walkTo(page, '/catalogue/file');
  await page.getByLabel('Catalogue file').setInputFiles({
    name: 'fen.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from([head, ...spoilt].join('\r\n')),
  });
  const summary = page.getByRole('region', { name: 'What the file would do' });
  await expect(summary).toContainText('Not taken: 20 · New: 480');
  const refused = page.getByRole('table', { name: 'Not taken' });
  await expect(refused.getByRole('row')).toHaveCount(21);
  await expect(refused).toContainText('Price: This is not a number.');
  await summary.getByRole('button', { name: 'Take over 480 parts' }).click();
  await expect(page).toHaveURL(/\/catalogue$/);
  await page.getByLabel('Find a part').fill('fen element 499');
  await expect(page.getByRole('link', { name: 'Fen element 499' })).toBeVisible();

  // Out again, as it stands.
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as CSV' }).click(),
  ]);
  const text = await readFile(await download.path(), 'utf8');
  expect(text.match(/^fen-/gm)).toHaveLength(480);
});

// By a line that breaks, and by a proxy before a server that goes on alone.
for (const [by, price] of [
  ['line', 71],
  ['proxy', 72],
] as const) {
  test(`where the answer to a file is lost by the ${by}, nobody is told that nothing was changed`, async ({
    page,
  }) => {
    await walkTo(page, '/catalogue/file');
    await page.getByLabel('Catalogue file').setInputFiles({
      name: 'prices.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(`id,price\r\nreed-150,${price}\r\n`),
    });
    const summary = page.getByRole('region', { name: 'What the file would do' });
    await expect(summary).toContainText('Changed: 1');
    await page.route('**/api/catalogue/parts', async (route) => {
      await route.fetch();
      await (by === 'line' ? route.abort() : route.fulfill({ status: 504 }));
    });
    await summary.getByRole('button', { name: 'Take over 1 part' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'No answer came' })).toBeVisible();
    await expect(summary).toContainText('As it is already: 1');
  });
}

test('a part is duplicated, retired, priced and compared; the pages can be used by everybody', async ({
  page,
}) => {
  await walkTo(page, '/catalogue/part/reed-50');
  await page.getByRole('button', { name: 'Duplicate' }).click();
  await expect(page.getByRole('heading', { name: 'New: membrane element' })).toBeVisible();
  await page.getByLabel('Name').fill('Reed 50 of the new make');
  await page.getByRole('button', { name: 'Add to the catalogue' }).click();
  await expect(page.getByRole('heading', { name: 'Reed 50 of the new make' })).toBeVisible();
  await page.getByLabel('Supplier').fill('Fen Supplies');
  await page.getByLabel('Price', { exact: true }).fill('21');
  await page.getByRole('button', { name: 'Note' }).click();
  await expect(page.getByText('50 % stay with the firm')).toBeVisible();
  await check(page);
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('button', { name: 'Retire' }).click();
  await expect(page.getByText('It is not proposed any more.')).toBeVisible();
  await walkTo(page, '/catalogue?find=reed');
  await expect(page.getByRole('link', { name: 'Reed 50 of the new make' })).toHaveCount(0);
  await page.getByLabel('Compare Reed 50 element').check();
  await page.getByLabel('Compare Reed 150 element').check();
  await page.getByRole('link', { name: 'Compare 2' }).click();
  await expect(page.getByRole('table', { name: 'Membrane elements compared' })).toContainText(
    '568 L/day',
  );
  await check(page);
  await page.setViewportSize(phone);
  await walkTo(page, '/catalogue');
  await expect(page.getByRole('table')).toBeVisible();
  await check(page);
});

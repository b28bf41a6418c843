import { expect, type Page, test, walkTo } from '../support/app.ts';
import { check, phone } from '../support/access.ts';
import { besideThePhone } from '../support/job.ts';

const held = (page: Page, part: string) => page.getByLabel(`Held: ${part}`, { exact: true });
const find = (page: Page, text: string) => page.getByLabel('Find a part').fill(text);
async function goTo(page: Page, name: string): Promise<void> {
  await page.getByRole('radiogroup', { name: 'Where' }).getByText(name, { exact: true }).click();
  await expect(page.getByRole('region', { name: `Parts in ${name}` })).toBeVisible();
}

test('a second van is added, filled from the store, counted by its labels and given to somebody', async ({
  page,
}) => {
  await walkTo(page, '/stock');
  await expect(page.getByRole('heading', { name: 'Vans and stores', level: 1 })).toBeVisible();
  await expect(page.getByText(/^Below its minimum: \d+ parts$/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a van or a store' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await expect(dialog.getByLabel('What you call it')).toHaveAccessibleDescription(/Enter a name/);
  await dialog.getByLabel('What you call it').fill('The small van');
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('region', { name: 'Parts in The small van' })).toBeVisible();

  // Out of the store into it.
  await goTo(page, 'The store');
  await find(page, 'silt');
  const name = (await page
    .getByRole('button', { name: /^Move: / })
    .first()
    .getAttribute('aria-label'))!.replace('Move: ', '');
  const before = Number(await held(page, name).inputValue());
  await page.getByRole('button', { name: `Move: ${name}` }).click();
  await dialog.getByLabel('How much').fill(String(before + 1));
  await dialog.getByLabel('How much').press('Enter');
  await expect(dialog.getByText('That is more than there is.')).toBeVisible();
  await dialog.getByLabel('How much').fill('2');
  await dialog.getByLabel('How much').press('Enter');
  await dialog.getByLabel('To').selectOption({ label: 'The small van' });
  await dialog.getByRole('button', { name: 'Move it' }).click();
  await expect(held(page, name)).toHaveValue(String(before - 2));
  await goTo(page, 'The small van');
  await find(page, 'silt');
  await expect(held(page, name)).toHaveValue('2');

  // A scanner types a code and a line's end.
  await page.getByText('Count by scanning').click();
  const code = page.getByLabel('Code or whole name');
  for (const text of ['silt-5', 'https://any.example/catalogue/part/silt-5', 'silt-5']) {
    await code.fill(text);
    await code.press('Enter');
  }
  await code.fill('4006381333931');
  await code.press('Enter');
  const scan = page.getByRole('group', { name: 'Count by scanning' });
  await expect(scan.getByRole('status')).toContainText('Nothing was counted');
  // An hour's counting survives a reload.
  await page.reload();
  await expect(page.getByRole('table', { name: 'Counted now' })).toContainText('3');
  await page.getByRole('button', { name: 'Set The small van to these counts' }).click();
  await find(page, name);
  await expect(held(page, name)).toHaveValue('3');

  const about = page.getByRole('region', { name: 'About The small van' });
  await about.getByLabel('Whose van it is').selectOption({ label: 'Wren Askeby' });
  await about.getByRole('button', { name: 'Save it' }).click();
  await expect(
    page.getByText('What you load for a job is taken out of The small van'),
  ).toBeVisible();
  await about.getByRole('button', { name: 'Remove The small van' }).click();
  await expect(about.getByRole('alert')).toContainText('Only an empty place can be removed');
  await held(page, name).fill('0');
  await held(page, name).press('Enter');
  await expect(page.getByRole('row').filter({ has: held(page, name) })).toContainText('Saved');
  // Once the server has the count; what is removed cannot be pressed again.
  const remove = about.getByRole('button', { name: 'Remove The small van' });
  const left = page.getByRole('region', { name: 'Parts in The van' });
  await expect(async () => {
    if (await remove.isVisible()) await remove.click({ timeout: 2000 });
    await expect(left).toBeVisible({ timeout: 2000 });
  }).toPass();
});

test('the van is loaded for the work ahead: what the store gives moves, what neither holds is bought', async ({
  page,
}) => {
  await walkTo(page, '/stock/load?days=7');
  await expect(page.getByRole('heading', { name: 'Load the van', level: 1 })).toBeVisible();
  const work = page.getByRole('region', { name: 'The work ahead' });
  const installation = work.getByRole('checkbox', { name: /agreed installation/ }).first();
  await expect(installation).not.toBeChecked();
  const rows = page.getByRole('table', { name: 'Parts to load' }).getByRole('row');
  const few = await rows.count();
  await installation.check();
  expect(await rows.count()).toBeGreaterThan(few);
  await check(page);
  await page.getByRole('button', { name: 'Loaded: take it out of The store' }).click();
  await expect(page.getByText('The van is loaded.')).toBeVisible();
  // What is left has to be bought.
  await expect(page.getByRole('button', { name: 'The store holds nothing of it' })).toBeDisabled();
  await expect(rows.nth(1).locator('.mark.warn')).toBeVisible();
});

test('what is counted in a cellar is kept here, and goes to the place where it was counted', async ({
  page,
  context,
}) => {
  await walkTo(page, '/stock');
  const pads = held(page, 'Pad leak stop 1/4"');
  await goTo(page, 'The van');
  await find(page, 'Pad leak stop 1/4');
  const inVan = await pads.inputValue();
  await goTo(page, 'The store');
  await find(page, 'Pad leak stop 1/4');
  await context.setOffline(true);
  await pads.fill('17');
  await pads.press('Enter');
  await expect(page.getByRole('row').filter({ has: pads })).toContainText('Kept here, to be sent');
  await context.setOffline(false);
  await expect(page.getByRole('row').filter({ has: pads })).toContainText('Saved');
  await page.reload();
  await find(page, 'Pad leak stop 1/4');
  await expect(pads).toHaveValue('17');
  await goTo(page, 'The van');
  await find(page, 'Pad leak stop 1/4');
  await expect(pads).toHaveValue(inVan);
});

test('on a phone a part is two lines: what is held, what should be and the way elsewhere are all in sight', async ({
  page,
}) => {
  await page.setViewportSize(phone);
  await walkTo(page, '/stock');
  const parts = page.getByRole('region', { name: 'Parts in The van' });
  await expect(parts.getByRole('button', { name: /^Move: / }).first()).toBeVisible();
  expect(await besideThePhone(parts.getByRole('button', { name: /^Move: / }))).toEqual([]);
  expect(await besideThePhone(parts.getByLabel(/^(Held|Minimum): /))).toEqual([]);
});

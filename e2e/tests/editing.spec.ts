import type { Job } from '@katharos/contract';
import { expect, test, walkTo } from '../support/app.ts';
import {
  beginJob,
  enter,
  saved,
  sizeView,
  stage,
  takeSurvey,
  field,
  goTo,
} from '../support/job.ts';

const fair = { feedTds: '300', temperature: '14', pressure: '3.8', demand: '10' };

test('a reading out of range keeps what was typed and says what to do, at its field', async ({
  page,
}) => {
  await beginJob(page, 'Range');
  const pressure = await field(page, 'Supply pressure');
  for (const [typed, sentence] of [
    ['400 psi', /Between 0\.3 and 12 bar\. Check the gauge/],
    ['strong', /Enter a number, such as/],
    ['4 furlongs', /"furlongs" is not a unit of this/],
  ] as const) {
    await enter(page, 'Supply pressure', typed);
    await expect(pressure).toHaveValue(typed);
    await expect(pressure).toHaveAccessibleDescription(sentence);
    await expect(pressure).toHaveAttribute('aria-invalid', 'true');
  }
  await pressure.press('Escape');
  await expect(pressure).toHaveValue('');
  await enter(page, 'Supply pressure', '45psi');
  await expect(pressure).toHaveValue('45 psi');
  await expect(page.getByText('= 3.10 bar')).toBeVisible();
});

test('readings that contradict each other are named, and sizing says so', async ({ page }) => {
  await beginJob(page, 'Contradiction');
  await takeSurvey(page, fair);
  await enter(page, 'Coldest water of the year', '20 C');
  await expect(await field(page, 'Coldest water of the year')).toHaveAccessibleDescription(
    /cannot be warmer than today/,
  );
  await stage(page, 'Size').click();
  await expect(page.getByText('These readings contradict each other')).toBeVisible();
  await page.getByRole('link', { name: 'Correct them in the survey.' }).click();
  await enter(page, 'Coldest water of the year', '6 C');
  await stage(page, 'Size').click();
  await expect(page.getByRole('heading', { name: 'Proposed system' })).toBeVisible();
});

test('a supply below the osmotic pressure is a clear statement, not a blank', async ({ page }) => {
  await beginJob(page, 'Brine');
  await takeSurvey(page, { ...fair, feedTds: '9000', pressure: '1.2' });
  await goTo(page, 'Sink');
  await page.getByRole('radiogroup', { name: 'Outlet' }).getByText('None').click();
  await stage(page, 'Size').click();
  await expect(
    page.getByText(/does not exceed this water's osmotic pressure/).first(),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use this system' })).toBeDisabled();
  expect(await page.locator('main').innerText()).not.toMatch(/NaN|Infinity|undefined/);
});

test('undo and redo take an edit back and bring it again, across stages', async ({ page }) => {
  await beginJob(page, 'Undo');
  await takeSurvey(page, fair);
  await stage(page, 'Size').click();
  await page.getByRole('button', { name: 'Use this system' }).click();
  await expect(page.getByRole('heading', { name: 'Plumb', level: 2 })).toBeVisible();
  await page.getByRole('heading', { name: 'Plumb', level: 2 }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Use the proposed system')).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByRole('region', { name: 'Order of work' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await stage(page, 'Survey').click();
  await expect(await field(page, 'Daily demand')).toHaveValue('');
});

test('undo is heard while a choice has the focus, and not while somebody types', async ({
  page,
}) => {
  await beginJob(page, 'Heard');
  const source = page.getByRole('radiogroup', { name: 'Source' });
  await source.getByText('Well').click();
  await expect(source.getByRole('radio', { name: 'Well' })).toBeChecked();
  await source.getByRole('radio', { name: 'Well' }).focus();
  await page.keyboard.press('Control+z');
  await expect(source.getByRole('radio', { name: 'Not asked' })).toBeChecked();
  const tds = await field(page, 'Feed TDS');
  await tds.fill('1');
  await page.keyboard.press('2');
  await expect(tds).toHaveValue('12');
  await expect(page).toHaveURL(/survey/);
});

test('the units switch changes what is shown and never what was entered', async ({ page }) => {
  await beginJob(page, 'Units');
  await takeSurvey(page, fair);
  await stage(page, 'Size').click();
  const production = page.getByTestId('production').locator('.figure-value');
  await expect(production).toContainText('L/day');
  await page.keyboard.press('u');
  await expect(production).toContainText('gpd');
  await stage(page, 'Survey').click();
  await expect(await field(page, 'Supply pressure')).toHaveValue('3.8 bar');
  await expect(page.getByText('= 55 psi')).toBeVisible();
});

test('a reading taken back stays taken back', async ({ page }) => {
  await beginJob(page, 'Taken back');
  const input = await field(page, 'pH');
  await input.fill('7.9');
  await input.press('Enter');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(input).toHaveValue('');
  // What was typed used to be handed on a second later, over whatever had come in between.
  await page.waitForTimeout(1600);
  await expect(input).toHaveValue('');
});

test('what is half typed is not entered, survives a reload as it was, and can be entered or dropped', async ({
  page,
}) => {
  const address = await beginJob(page, 'Left standing');
  await saved(page);
  const stored = async () => {
    const answer = await page.request.get(`/api${address}`);
    return ((await answer.json()) as Job).document.survey.readings.feedTds;
  };
  // No Enter, no leaving the field: as when the phone is put down.
  await (await field(page, 'Feed TDS')).pressSequentially('26');
  await page.waitForTimeout(1500);
  expect(await stored()).toBeUndefined();
  await page.reload();
  const tds = await field(page, 'Feed TDS');
  await expect(tds).toHaveValue('26');
  await expect(tds).toHaveAccessibleDescription(/Typed before and not entered yet/);
  await tds.fill('265');
  // Units change; what is being typed stays, in the unit that it was begun in.
  await page.getByRole('radiogroup', { name: 'Units' }).getByText('psi').click();
  await expect(tds).toHaveValue('265 mg/L');
  await page.getByRole('radiogroup', { name: 'Units' }).getByText('bar').click();
  await tds.fill('31');
  await tds.press('Escape');
  await expect(tds).toHaveValue('265 mg/L');
  await page.reload();
  await expect(await field(page, 'Feed TDS')).toHaveValue('265 mg/L');
});

test('a figure of two meanings is asked about; decimals, fractions and less-than are read as meant', async ({
  page,
}) => {
  await walkTo(page, '/firm');
  const price = page.getByLabel('Price of an installation');
  await price.fill('1,250');
  await price.press('Tab');
  await expect(price).toHaveAccessibleDescription(/read in two ways/);
  await page.getByRole('button', { name: '1250 EUR' }).click();
  await expect(price).toHaveValue('1250 EUR');
  await price.fill('12,5');
  await price.press('Tab');
  await expect(price).toHaveValue('12.5 EUR');
  await beginJob(page, 'Two meanings');
  const iron = await field(page, 'Iron');
  await iron.fill('0,025');
  await iron.press('Enter');
  await expect(iron).toHaveValue('0.025 mg/L');
  await iron.fill('<0,05');
  await iron.press('Enter');
  await expect(iron).toHaveValue('<0.05 mg/L');
  const width = await field(page, 'Cabinet width inside');
  await width.fill(`2' 6"`);
  await width.press('Enter');
  await expect(width).toHaveValue('30 in');
  await width.fill('60');
  await width.press('Enter');
  await expect(width).toHaveValue('60 cm');
  await goTo(page, 'Demand');
  const panel = page.getByRole('region', { name: 'Who lives here' });
  await panel.getByRole('button', { name: 'Couple' }).click();
  const people = panel.getByLabel('People');
  for (const [typed, sentence] of [
    ['2.5', /Only whole numbers/],
    ['-3', /Between 1 and 40/],
    ['two', /Enter a number/],
  ] as const) {
    await people.fill(typed);
    await people.press('Enter');
    await expect(people).toHaveValue(typed);
    await expect(people).toHaveAccessibleDescription(sentence);
  }
  await people.press('Escape');
  await expect(people).toHaveValue('2');
});

test('choosing another system than proposed is possible, and the survey outgrowing one is said', async ({
  page,
}) => {
  await beginJob(page, 'Outgrown');
  await takeSurvey(page, fair);
  await stage(page, 'Size').click();
  await sizeView(page, 'Compare').click();
  const pumped = page.getByTestId('choose-pumped-tank');
  await pumped.getByRole('button', { name: /^Use instead/ }).click();
  await expect(page.getByRole('heading', { name: 'The chosen system' })).toBeVisible();
  await expect(pumped).toContainText('In use above');
  await expect(page.getByText('The survey would now lead to another system')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Use this system' }).click();
  await stage(page, 'Survey').click();
  await enter(page, 'Supply pressure', '1.4');
  await stage(page, 'Size').click();
  await expect(page.getByText('The survey would now lead to another system')).toBeVisible();
  await page.getByRole('button', { name: 'Take that one' }).click();
  await expect(page.getByText('The survey would now lead to another system')).toHaveCount(0);
});

test('product stronger than feed is refused with the likely slip', async ({ page }) => {
  await walkTo(page, '/jobs');
  await page.getByRole('link', { name: /Odalys Brightwen/ }).click();
  await stage(page, 'Verify').click();
  await enter(page, 'Feed TDS', '20');
  await enter(page, 'Product TDS', '350');
  await enter(page, 'Water temperature', '14');
  await enter(page, 'Supply pressure', '5');
  await expect(page.getByLabel('Product TDS')).toHaveAccessibleDescription(
    /Were the two cups swapped/,
  );
  await expect(page.getByRole('region', { name: 'Verdict' })).toHaveCount(0);
});

test('who leaves a job for another page and comes back finds it as it was left', async ({
  page,
}) => {
  await beginJob(page, 'There and back');
  await enter(page, 'Feed TDS', '388');
  await saved(page);
  await page.getByRole('link', { name: 'Katharos' }).click();
  await expect(page.getByRole('heading', { name: 'Waiting for water' })).toBeVisible();
  await page.goBack();
  await expect(await field(page, 'Feed TDS')).toHaveValue(/388/);
  await enter(page, 'Feed TDS', '389');
  await saved(page);
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('whose job it is, and where, is changed in its place; what is no address of mail is said at its box', async ({
  page,
}) => {
  await beginJob(page, 'Misheard');
  await page.getByRole('button', { name: 'Change name and address' }).click();
  const band = page.getByRole('region', { name: 'Job' });
  const mail = band.getByLabel('E-mail');
  await band.getByLabel('Customer or place').fill('Heard Right');
  await mail.fill('nobody');
  await band.getByRole('button', { name: 'Done' }).click();
  await expect(mail).toHaveAccessibleDescription(/such as name@firm.example/);
  await mail.fill('right@heard.example');
  await band.getByRole('button', { name: 'Done' }).click();
  await expect(band.getByRole('heading', { level: 1 })).toHaveText('Heard Right');
  await saved(page);
  await band.getByRole('button', { name: 'Undo' }).click();
  await expect(band.getByRole('heading', { level: 1 })).toHaveText('Misheard');
});

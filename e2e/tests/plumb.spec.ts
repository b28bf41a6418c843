import { newJobDocument, placeName, plumbingOf, sayIn, workWords } from '@katharos/contract';
import { expect, type Page, test } from '@playwright/test';
import {
  beginJob,
  enter,
  plumbView,
  saved,
  signIn,
  sizedByTheCore,
  sizeView,
  stage,
  takeSurvey,
  type Typed,
} from '../support/job.ts';

const say = sayIn('metric');
const fair: Typed = { feedTds: '410', temperature: '13', pressure: '4.2', demand: '12' };

test.beforeEach(async ({ page }) => {
  await signIn(page);
});

/** Every step, tube and part that the core asks for stands on the sheet, in its order. */
async function checkSheet(page: Page, system: Parameters<typeof plumbingOf>[1]): Promise<void> {
  const { brief } = sizedByTheCore(fair);
  const { steps, tubes, parts } = plumbingOf(newJobDocument('x'), system, brief);
  const sheet = page.getByRole('article', { name: 'Job sheet' });
  const listed = sheet.getByRole('list').first().getByRole('listitem');
  await expect(listed).toHaveCount(steps.length);
  for (const [i, step] of steps.entries()) {
    const { title, instruction, proof } = workWords(step, say);
    await expect(listed.nth(i)).toContainText(`${title}. ${instruction}`);
    await expect(listed.nth(i)).toContainText(proof);
  }
  const rows = sheet.getByRole('table').first().getByRole('row');
  for (const [i, tube] of tubes.entries()) {
    await expect(rows.nth(i + 1)).toContainText(`${placeName(tube.from)} – ${placeName(tube.to)}`);
    await expect(rows.nth(i + 1)).toContainText(`${Math.ceil(tube.cutM * 100)} cm`);
  }
  for (const { name } of parts) {
    await expect(sheet.getByRole('cell', { name, exact: true })).toBeVisible();
  }
  await expect(sheet.getByRole('img', { name: /^Hole plan/ })).toBeVisible();
}

test('the sheet of a tank unit, line by line', async ({ page }) => {
  const { design } = sizedByTheCore(fair);
  await beginJob(page, 'Sheet one');
  await takeSurvey(page, fair);
  await stage(page, 'Size').click();
  await page.getByRole('button', { name: 'Use this system' }).click();
  await saved(page);
  await page.getByRole('link', { name: 'Job sheet' }).click();
  await checkSheet(page, design);
  const href = await page.getByRole('link', { name: 'PDF' }).getAttribute('href');
  expect((await page.request.get(href!)).headers()['content-type']).toBe('application/pdf');
});

test('the sheet of a tankless unit, line by line', async ({ page }) => {
  const { recommendation } = sizedByTheCore(fair);
  const direct = recommendation.families.find(({ key }) => key === 'direct-flow')!.best.design;
  await beginJob(page, 'Sheet two');
  await takeSurvey(page, fair);
  await stage(page, 'Size').click();
  await sizeView(page, 'Compare').click();
  await page.getByTestId('choose-direct-flow').getByRole('button', { name: /^Use/ }).click();
  await saved(page);
  await stage(page, 'Plumb').click();
  await page.getByRole('link', { name: 'Job sheet' }).click();
  await checkSheet(page, direct);
});

test('steps are ticked, noted and moved as far as physics allows; a changed system asks again and loses no tick', async ({
  page,
}) => {
  await beginJob(page, 'Ticks');
  await takeSurvey(page, fair);
  await stage(page, 'Size').click();
  await page.getByRole('button', { name: 'Use this system' }).click();
  const step = (id: string) => page.getByTestId(`step-${id}`);
  await step('tank').getByRole('checkbox').check();
  await step('close-supply').getByRole('checkbox').check();
  await expect(step('tank')).toContainText('Done by Wren Askeby');
  await step('lay-out').getByRole('button', { name: /^Note/ }).click();
  await step('lay-out').getByRole('textbox').fill('Bin moves to the left.');
  await step('lay-out').getByRole('textbox').blur();
  await expect(step('relieve-pressure').getByRole('button', { name: /^Earlier/ })).toBeDisabled();
  await step('prove-spout')
    .getByRole('button', { name: /^Earlier/ })
    .click();
  await expect(page.getByRole('button', { name: 'Back to the usual order' })).toBeVisible();
  await stage(page, 'Size').click();
  await sizeView(page, 'Compose').click();
  await page.getByRole('combobox', { name: 'Tank' }).selectOption('gourd-20');
  await stage(page, 'Plumb').click();
  await expect(step('tank')).toContainText('do it again');
  await expect(step('tank').getByRole('checkbox')).not.toBeChecked();
  await expect(step('close-supply').getByRole('checkbox')).toBeChecked();
  await expect(page.getByText('The system changed after these were done')).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(step('lay-out').getByRole('textbox')).toHaveValue('Bin moves to the left.');
});

test('a cabinet that is too small says by how much and offers ways out; things are moved and collisions said', async ({
  page,
}) => {
  await beginJob(page, 'Fit');
  await takeSurvey(page, fair);
  await enter(page, 'Cabinet width inside', '80 cm');
  await enter(page, 'Cabinet height inside', '70 cm');
  await enter(page, 'Cabinet depth inside', '50 cm');
  await stage(page, 'Size').click();
  await page.getByRole('button', { name: 'Use this system' }).click();
  await plumbView(page, 'Does it fit').click();
  const panel = page.getByRole('region', { name: 'Does it fit' });
  await expect(panel.getByTestId('fits')).toBeVisible();
  const tank = panel
    .getByRole('group', { name: 'Cabinet from the door' })
    .getByRole('button', { name: /^Tank/ });
  const before = await tank.getAttribute('aria-label');
  await tank.focus();
  for (let i = 0; i < 12; i += 1) await page.keyboard.press('ArrowRight');
  await expect(tank).not.toHaveAttribute('aria-label', before!);
  // In front of the unit, by the door: then it is not reached any more.
  await panel
    .getByRole('group', { name: 'Cabinet from above' })
    .getByRole('button', { name: /^Tank/ })
    .focus();
  for (const key of ['ArrowLeft', 'ArrowDown'])
    for (let i = 0; i < 18; i += 1) await page.keyboard.press(key);
  await expect(panel.getByRole('status')).toContainText(/meets/);
  await panel.getByRole('button', { name: 'As proposed' }).click();
  await panel.getByRole('button', { name: 'Add: bin' }).click();
  await panel.getByLabel('Bin wide').fill('62');
  await panel.getByLabel('Bin from the left').fill('10');
  await panel.getByLabel('Bin high').fill('60');
  await panel.getByLabel('Bin deep').fill('45');
  await expect(panel.getByRole('status')).toContainText(/No place for/);
  await panel.getByRole('button', { name: 'Take out: Bin' }).click();
  await expect(panel.getByTestId('fits')).toBeVisible();
  await stage(page, 'Survey').click();
  await enter(page, 'Cabinet width inside', '42 cm');
  await enter(page, 'Cabinet depth inside', '30 cm');
  await stage(page, 'Plumb').click();
  await plumbView(page, 'Does it fit').click();
  await expect(panel.getByRole('status')).toContainText(/No place for: .*Tank|No place for: Unit/);
  await expect(panel.getByRole('status')).toContainText('The unit in the cellar');
});

test('a drain behind the trap is a deviation with its reason, and coils in the van are cut with the least waste', async ({
  page,
}) => {
  await beginJob(page, 'Connections');
  await takeSurvey(page, fair);
  await page.getByLabel('Counter').selectOption('porcelain');
  await stage(page, 'Size').click();
  await page.getByRole('button', { name: 'Use this system' }).click();
  await plumbView(page, 'Connections').click();
  await expect(page.getByRole('region', { name: 'Tap' })).toContainText(
    'A stone mason drills this',
  );
  const drain = page.getByRole('region', { name: 'Drain' });
  await drain.getByLabel('Place of the saddle').selectOption('after-trap');
  await expect(drain).toContainText('A deviation is recorded with its reason.');
  await drain.getByLabel('Reason for the deviation').fill('No straight part ahead of it.');
  await drain.getByLabel('Reason for the deviation').blur();
  await expect(drain).toContainText('no longer seals the sewer off');
  await plumbView(page, 'Tubes').click();
  await page.getByLabel('Colour: feed').selectOption('red');
  await expect(page.getByRole('region', { name: 'Tubes' }).getByRole('row').nth(1)).toContainText(
    'red',
  );
  await page.getByRole('button', { name: 'Add a coil' }).click();
  await expect(page.getByTestId('plan-quarter')).toContainText('the least possible');
  await plumbView(page, 'Order of work').click();
  await expect(page.getByTestId('step-drill-drain')).toContainText('sewer gas');
  await expect(page.getByTestId('step-tap-hole')).toContainText('a stone mason drills this');
});

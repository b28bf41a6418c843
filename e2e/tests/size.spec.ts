import type { Job } from '@katharos/contract';
import { readerOf } from '@katharos/words';
import { starterCatalogue } from '@katharos/job';
import { judge, partsOf } from '@katharos/core';
import {
  besideThePhone,
  decision,
  enter,
  fair,
  openJobs,
  openWaterline,
  saved,
  seedJob,
  sizedByTheCore,
  sizeView,
  stage,
  written,
} from '../support/job.ts';
import { expect, firstVisit, type Page, test } from '../support/app.ts';

const reader = readerOf({ units: 'metric' });
const figure = (page: Page, id: string) => page.getByTestId(id).locator('.figure-value');

async function sized(page: Page, name: string, typed = fair): Promise<void> {
  await seedJob(page, name, { typed, at: 'size' });
  await expect(page.getByRole('heading', { name: 'Proposed system' })).toBeVisible();
}

test('a decision is decided otherwise with a reason, shows what follows, and goes back', async ({
  page,
}) => {
  const { design, brief } = sizedByTheCore(fair);
  await sized(page, 'Otherwise');
  const card = await decision(page, 'restrictor');
  await card.getByRole('button', { name: 'Decide otherwise' }).click();
  const dialog = page.getByRole('dialog');
  const wider = partsOf(starterCatalogue, 'restrictor').find(({ id }) => id === 'pinch-420')!;
  const judged = judge({ ...design, restrictor: wider }, brief.task.waters, brief.requirements);
  const row = dialog.getByRole('row').filter({ hasText: wider.name });
  await expect(row).toContainText(reader.say('dailyVolume', judged.worst!.productionLPerDay));
  await expect(row).toContainText(reader.say('tds', judged.today!.productTdsMgL));
  await dialog.getByRole('button', { name: 'Decide so' }).click();
  await expect(dialog).toContainText('Pick another than the one in use.');
  await row.getByRole('radio').check();
  await dialog.getByRole('button', { name: 'Decide so' }).click();
  await expect(dialog).toContainText('Say in a few words why');
  await dialog.getByLabel('Reason').fill('The last element here was scaled in a year.');
  await dialog.getByRole('button', { name: 'Decide so' }).click();
  await expect(page.getByTestId('overruled-restrictor')).toContainText(
    `Decided by Wren Askeby: ${wider.name}. The last element here was scaled in a year.`,
  );
  await expect(figure(page, 'product-tds')).toHaveText(written('tds', judged.today!.productTdsMgL));
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('overruled-restrictor')).toBeVisible();
  await card.getByRole('button', { name: 'Back to the proposal' }).click();
  await expect(page.getByTestId('overruled-restrictor')).toHaveCount(0);
});

test('on a phone what each way to decide leads to stands under it, and a design compared is no wider than the screen', async ({
  page,
}) => {
  await sized(page, 'Held upright');
  await page.setViewportSize({ width: 390, height: 844 });
  const card = await decision(page, 'restrictor');
  await card.getByRole('button', { name: 'Decide otherwise' }).click();
  const ways = page.getByRole('dialog').getByRole('table', { name: 'What each leads to' });
  await expect(ways.getByRole('row').nth(1)).toContainText('L/day');
  expect(await besideThePhone(ways.getByRole('cell'))).toEqual([]);
  await page.getByRole('button', { name: 'Leave it' }).click();
  await sizeView(page, 'Compare').click();
  const compared = page.getByRole('region', { name: 'Compare' });
  await expect(compared.getByRole('columnheader', { name: /^In use/ })).toBeVisible();
  expect(await besideThePhone(compared.getByRole('columnheader'))).toEqual([]);
  expect(await besideThePhone(compared.getByRole('cell'))).toEqual([]);
});

test('a softener and a regulator change the water that everything is judged in', async ({
  page,
}) => {
  await sized(page, 'Softened', { ...fair, hardness: '22 dH', highestPressure: '6.8' });
  await expect(page.getByTestId('decision-regulator')).toContainText('fit a regulator');
  await (await decision(page, 'scaling')).getByRole('button', { name: 'Decide otherwise' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'Soften the feed' }).check();
  await dialog.getByLabel('Reason').fill('They have a softener in the cellar.');
  await dialog.getByRole('button', { name: 'Decide so' }).click();
  await expect(page.getByTestId('decision-scaling')).toContainText('below saturation');
});

test('weights put designs in order, limits leave some out, and one of them is used', async ({
  page,
}) => {
  const { recommendation } = sizedByTheCore(fair);
  await sized(page, 'Weighed');
  await sizeView(page, 'Weigh').click();
  const panel = page.getByRole('region', { name: 'Weigh' });
  await expect(panel).toContainText(
    `Of ${recommendation.considered} combinations ${recommendation.tradeOffs.length} are left`,
  );
  const rows = panel.getByTestId('weighed').getByRole('row');
  const most = Math.max(...recommendation.tradeOffs.map(({ criteria }) => criteria.january));
  await panel.getByRole('slider', { name: 'Weight: Water a day in January' }).focus();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowRight');
  await expect(rows.nth(1)).toContainText(Math.round(most).toLocaleString('en-GB'));
  await panel.getByLabel('At most: Power and hum').fill('0');
  await panel.getByLabel('At most: Power and hum').press('Tab');
  await expect(rows.nth(1)).not.toContainText('pump, Sluice');
  await panel.getByLabel('At most: Parts to buy').fill('1');
  await panel.getByLabel('At most: Parts to buy').press('Tab');
  await expect(panel.getByRole('status')).toContainText('No design keeps within these limits');
  await panel.getByRole('button', { name: 'Take the limits away' }).click();
  await rows.nth(1).getByRole('button', { name: 'Compare' }).click();
  await rows.nth(1).getByRole('button', { name: 'Use' }).click();
  await expect(page.getByRole('heading', { name: 'The chosen system' })).toBeVisible();
  await expect(rows.nth(1)).toContainText('In use');
  await sizeView(page, 'Compare').click();
  await expect(page.getByRole('region', { name: 'Compare' })).toContainText('Put beside it 1');
});

test('a system is composed part by part and judged at once', async ({ page }) => {
  const { design, brief } = sizedByTheCore(fair);
  await sized(page, 'Composed');
  await sizeView(page, 'Compose').click();
  await page.getByRole('combobox', { name: 'Booster pump' }).selectOption('heron-2');
  await page.getByRole('combobox', { name: 'Elements' }).selectOption('2 parallel');
  const pump = partsOf(starterCatalogue, 'pump').find(({ id }) => id === 'heron-2')!;
  const composed = { ...design, pump, elements: 2, arrangement: 'parallel' as const };
  const judged = judge(composed, brief.task.waters, brief.requirements);
  await expect(figure(page, 'worst')).toHaveText(
    written('dailyVolume', judged.worst!.productionLPerDay),
  );
  await openWaterline(page);
  await expect(page.getByRole('button', { name: 'Membrane, 2' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Proposed system' })).toBeVisible();
});

test('an agreed system holds still, and its proposal reads in plain words and as a PDF', async ({
  page,
}) => {
  await sized(page, 'Agreed');
  await page.getByRole('button', { name: 'Use this system' }).click();
  await stage(page, 'Size').click();
  await page.getByRole('button', { name: 'Customer agreed' }).click();
  await expect(page.getByRole('heading', { name: 'The agreed system' })).toBeVisible();
  await expect(
    (await decision(page, 'booster')).getByRole('button', { name: /Decide otherwise/ }),
  ).toBeDisabled();
  await saved(page);
  await page.getByRole('link', { name: 'Proposal' }).click();
  const sheet = page.getByRole('article', { name: 'Proposal' });
  await expect(sheet).toContainText('A reverse osmosis system for your kitchen');
  await expect(sheet).toContainText('410 mg/L of dissolved solids');
  await expect(sheet).toContainText('noted by Wren Askeby');
  await expect(sheet.getByRole('row').filter({ hasText: 'To pay' })).toContainText('€');
  const href = await page.getByRole('link', { name: 'PDF' }).getAttribute('href');
  const pdf = await page.request.get(href!);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  await page.getByRole('link', { name: 'Back to the job' }).click();
  await page.getByRole('button', { name: 'Open the agreement' }).click();
  await expect(page.getByRole('button', { name: 'Customer agreed' })).toBeVisible();
});

test('what the firm holds its systems to is kept, used, and can be taken back', async ({
  page,
}) => {
  await openJobs(page);
  await page.getByRole('button', { name: 'Account' }).click();
  await page.getByRole('link', { name: 'How the firm works' }).click();
  await page.getByLabel('Tax on proposals').fill('19');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Saved. Open jobs reckon with it')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Tax on proposals')).toHaveValue('19 %');
  await page.getByLabel('Tax on proposals').fill('20');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByLabel('Currency').fill('euro');
  await expect(page.getByLabel('Currency')).toHaveValue('EUR');
});

/** The design that the server has of the open job as the chosen one. */
async function chosenDesign(page: Page) {
  await expect(page).toHaveURL(/plumb/);
  await saved(page);
  const [, id] = /jobs\/([^/]+)/.exec(page.url())!;
  const { document } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as Job;
  return document.system!.design;
}

test('only what was found for the readings as they are can be used', async ({ page }) => {
  const low = { ...fair, pressure: '1.4' };
  expect(sizedByTheCore(low).design).not.toEqual(sizedByTheCore(fair).design);
  await sized(page, 'Outdated');
  await stage(page, 'Survey').click();
  await enter(page, 'Supply pressure', '1.4');
  await stage(page, 'Size').click();
  await page.getByRole('button', { name: 'Use this system' }).click();
  expect(await chosenDesign(page)).toEqual(sizedByTheCore(low).design);
});

test('a page that is opened again shows what was found, and computes nothing until somebody acts', async ({
  page,
}) => {
  await sized(page, 'Again');
  const use = page.getByRole('button', { name: 'Use this system' });
  const decisions = page.getByTestId(/^decision-/);
  await expect(use).toBeVisible();
  const found = await decisions.allInnerTexts();
  expect(found.length).toBeGreaterThan(3);
  await expect(async () => {
    await page.reload();
    await expect(use).toBeVisible();
    expect(await decisions.allInnerTexts()).toEqual(found);
    expect(page.workers()).toHaveLength(0);
  }).toPass();
  await page.keyboard.press('Shift');
  await expect.poll(() => page.workers().length).toBe(1);
});

test('a worker that dies is said and started anew, and its answer comes', async ({
  browser,
  app,
}) => {
  const context = await firstVisit(browser, app);
  const page = await context.newPage();
  let loads = 0;
  await context.route(/core\.worker-.*\.js$/, (route) => {
    loads += 1;
    return loads > 1 ? route.continue() : route.fulfill(madeToBreak);
  });
  await sized(page, 'Broken');
  await expect(page.getByText('A computation stopped').first()).toBeVisible();
  await page.getByRole('button', { name: 'Use this system' }).click();
  expect(await chosenDesign(page)).toEqual(sizedByTheCore(fair).design);
  expect(loads).toBeGreaterThan(1);
  await context.close();
});

/** The script of a worker that dies of the first thing it is asked. */
const madeToBreak = {
  contentType: 'text/javascript',
  body: "onmessage = () => { throw new Error('made to break'); };",
};

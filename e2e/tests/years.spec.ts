import type { Page } from '@playwright/test';
import { seedJob, saved } from '../support/job.ts';
import { expect, test } from '../support/app.ts';

/** The sample that is in its third year. */
async function openYears(page: Page): Promise<void> {
  await page.goto('/diary');
  const soon = page.getByRole('region', { name: 'This month' });
  await expect(soon).toContainText('Sediment filter, carbon filter');
  await soon.getByRole('link', { name: 'Dunstan Eskdale-Moor' }).click();
  await expect(page.getByRole('table', { name: 'Everything that is serviced' })).toBeVisible();
}

test('a system in its third year, from the diary: what is due and why, its trend, and a change-out that begins a new membrane', async ({
  page,
}) => {
  await openYears(page);
  const trend = page.getByRole('region', { name: 'Trend' });
  await expect(trend).toContainText('Salt passage drifts');
  await expect(trend).toContainText('Flow holds');
  await trend.getByText('Salt passage as a table').click();
  await expect(
    trend.getByRole('table', { name: 'Salt passage by visit' }).getByRole('row'),
  ).toHaveCount(8);
  const due = page.getByRole('table', { name: 'Everything that is serviced' });
  const membrane = due.getByRole('row', { name: /^Membrane/ });
  await expect(membrane).toContainText('by its salt passage');

  const visits = page.getByRole('region', { name: 'Visits' }).getByRole('listitem');
  const before = await visits.count();
  await page.getByRole('button', { name: 'Begin a visit' }).click();
  const visit = page.getByRole('region', { name: 'This visit' });
  // Tea is not a temperature: it is said at its field, and kept there.
  const temperature = visit.getByLabel('Water temperature');
  await temperature.fill('tea');
  await temperature.press('Enter');
  await expect(temperature).toHaveAttribute('aria-invalid', 'true');
  await temperature.fill('9,5');
  await temperature.press('Enter');
  await expect(temperature).toHaveValue('9.5 °C');
  for (const [label, value] of [
    ['Feed TDS', '430 ppm'],
    ['Product TDS', '26 ppm'],
    ['Supply pressure', '4.2 bar'],
    ['Product flow', '110 mL/min'],
    ['Drain flow', '550 mL/min'],
  ]) {
    const input = visit.getByLabel(label!, { exact: true });
    await input.fill(value!);
    await input.press('Enter');
  }
  const group = visit.getByRole('group', { name: 'What is done at this visit' });
  for (const box of await group.getByRole('checkbox').all()) await box.uncheck();
  await group.getByRole('checkbox', { name: 'Membrane' }).check();
  const steps = visit.getByRole('list').getByRole('checkbox');
  await expect(steps.first()).toHaveAccessibleName(/Close the feed, and prove it/);
  await expect(steps.last()).toHaveAccessibleName(/Throw the first tank away/);
  const count = await steps.count();
  for (let i = 0; i < count; i += 1) await steps.nth(i).check();
  await visit.getByLabel(/^Batch of/).fill('M-77');
  await expect(membrane).not.toContainText('by its salt passage');
  await expect(trend).toContainText('too few to tell');
  await visit.getByRole('button', { name: 'Close' }).click();
  await saved(page);
  await page.reload();
  await expect(visits.first()).toContainText('(batch M-77)');
  await expect(visits).toHaveCount(before + 1);
});

test('a system that another firm fitted is entered with its day, and a visit without a line arrives', async ({
  page,
  context,
}) => {
  await seedJob(page, 'Bellamy Rook', { chosen: true, at: 'keep?view=service' });
  await expect(page.getByText('With a day, what is due is reckoned from it.')).toBeVisible();
  const since = page.getByLabel('In use since');
  await since.fill('2999-01-01');
  await expect(page.getByText('This day is still to come.')).toBeVisible();
  await since.fill('2021-05-03');
  const due = page.getByRole('region', { name: 'What is due' });
  await expect(due).toContainText(/Overdue for \d+/);
  await saved(page);
  await context.setOffline(true);
  await page.getByRole('button', { name: 'Begin a visit' }).click();
  const visit = page.getByRole('region', { name: 'This visit' });
  const product = visit.getByLabel('Product TDS', { exact: true });
  await product.fill('31 ppm');
  await product.press('Enter');
  await visit.getByRole('button', { name: 'Close' }).click();
  await context.setOffline(false);
  await saved(page);
  await page.reload();
  await expect(page.getByRole('region', { name: 'Visits' })).toContainText('product TDS 31 ppm');
});

test('a household reads its page without signing in and says what is wrong; the address can be ended, and so can a calendar’s', async ({
  page,
  browser,
}) => {
  await seedJob(page, 'Isaure Penhallow', { chosen: true, at: 'keep?view=service' });
  await page.getByLabel('In use since').fill('2023-04-02');
  await saved(page);
  const panel = page.getByRole('region', { name: 'The household’s page' });
  await panel.getByRole('button', { name: 'Make its address' }).click();
  const address = (await panel.getByRole('link').getAttribute('href'))!;
  await expect(panel.getByRole('img', { name: 'Code of the household’s page' })).toBeVisible();

  // The installer's own browser, whose pages come without a line, has it from the server too.
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  const own = await page.context().newPage();
  await own.goto(address);
  await expect(own.getByRole('heading', { name: 'How to shut it off' })).toBeVisible();
  await own.close();

  const visitor = await browser.newContext({
    viewport: { width: 320, height: 560 },
    javaScriptEnabled: false,
  });
  const home = await visitor.newPage();
  await home.goto(address);
  await expect(home.getByRole('heading', { name: 'How to shut it off' })).toBeVisible();
  await expect(home.getByText('In use since 2 April 2023')).toBeVisible();
  await expect(home.getByText('Penhallow')).toHaveCount(0);
  await home.getByLabel('What it is').selectOption('runs-to-drain');
  await home.getByLabel('In your words').fill('Day and night');
  await home.getByRole('button', { name: /^Tell/ }).click();
  await expect(home.getByRole('status')).toContainText('It is told');

  await page.reload();
  await expect(panel.getByRole('list', { name: 'What the household said' })).toContainText(
    '“Day and night”',
  );
  await panel.getByRole('button', { name: 'End it' }).click();
  await expect(panel.getByRole('link')).toHaveCount(0);
  await home.goto(address);
  await expect(home.getByText('This address is not in use any more')).toBeVisible();

  await page.goto('/diary');
  const recall = page.getByRole('region', { name: 'Recall' });
  await recall.getByRole('button', { name: 'Find every household' }).click();
  await expect(recall.getByText('Say a part or a batch.')).toBeVisible();
  await recall.getByLabel('Part').fill('carbon');
  await recall.getByRole('button', { name: 'Find every household' }).click();
  const having = recall.getByRole('table', { name: 'Households that have it' });
  await expect(having).toContainText('Isaure Penhallow');
  await expect(having).toContainText('L313');
  const calendar = page.getByRole('region', { name: 'In your own calendar' });
  await calendar.getByRole('button', { name: 'Make an address' }).click();
  const feed = await calendar.getByLabel('Its address, shown this once').inputValue();
  const answer = await visitor.request.get(feed);
  expect(answer.headers()['content-type']).toContain('text/calendar');
  expect(await answer.text()).toContain('Overdue: service');
  await calendar.getByRole('button', { name: 'End it' }).click();
  await expect(calendar.getByRole('button', { name: 'Make an address' })).toBeVisible();
  expect((await visitor.request.get(feed)).status()).toBe(404);
  await visitor.close();
});

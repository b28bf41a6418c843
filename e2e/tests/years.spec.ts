import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Job } from '@katharos/contract';
import { dateOf, expectedReadings, isUltravioletLine } from '@katharos/core';
import { type JobDocument, keptOf, type Reading } from '@katharos/job';
import { readerOf, servicedName, trendSentence } from '@katharos/words';
import type { Page } from '@playwright/test';
import { seedJob, saved } from '../support/job.ts';
import { expect, signedInState, test, walkTo } from '../support/app.ts';

// What others read of the same sample would move what is due.
test.use({ ownFirm: 'years' });

/** The sample that is in its third year. */
async function openYears(page: Page): Promise<void> {
  await walkTo(page, '/diary');
  const soon = page.getByRole('region', { name: 'This month' });
  await expect(soon).toContainText('Leak stop, sediment filter, carbon filter');
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
  await expect(steps.last()).toHaveAccessibleName(/\. Verify$/);
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

  await walkTo(page, '/diary');
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

const dayMs = 86_400_000;
const monthsAgo = (months: number): string =>
  new Date(Date.now() - months * 30.4375 * dayMs).toISOString();

/** What the system of a document shows so many months after its hand-over, its salt passage growing by a fifth a year. */
function readAfter({ system }: JobDocument, months: number): Record<string, Reading> {
  if (!system || isUltravioletLine(system.design)) throw new Error('it has no membrane');
  const expected = expectedReadings(
    system.design,
    { tdsMgL: 410, temperatureC: 13, pressureBar: 4.2 },
    { flowFactor: 1, saltPassageFactor: 1.2 ** (months / 12) },
  );
  if (!expected.ok) throw new Error(expected.failure.code);
  const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = expected.value;
  const of = (value: number, unit: string): Reading => ({ value, unit, takenAt: null, by: null });
  return {
    feedTds: of(410, 'mg/L'),
    productTds: of(Number(permeateTdsMgL.toFixed(1)), 'mg/L'),
    temperature: of(13, 'C'),
    pressure: of(4.2, 'bar'),
    productFlow: of(Number(permeateFlowLPerH.toFixed(2)), 'L/h'),
    drainFlow: of(Number(concentrateFlowLPerH.toFixed(2)), 'L/h'),
  };
}

test('three years of one system, by two people, one of them without a line: diary, trend, change-out, letter, recall, calendar and household agree to the figure', async ({
  page,
  app,
  browser,
}) => {
  test.setTimeout(150_000);
  const name = 'Marlow Teasdale';
  await seedJob(page, name, {
    chosen: true,
    at: 'keep?view=service',
    alter: (document) => ({
      ...document,
      customer: {
        ...document.customer,
        address: '4 Kiln Row, Nether Fell',
        email: 'm@kiln.example',
      },
      verify: { ...document.verify, readings: readAfter(document, 0) },
      service: {
        since: monthsAgo(36).slice(0, 10),
        visits: Object.fromEntries(
          [6, 12, 18, 24, 30].map((months) => [
            `after-${months}`,
            {
              kind: 'reading' as const,
              at: monthsAgo(36 - months),
              by: 'Tove Ashdown',
              readings: readAfter(document, months),
              note: '',
            },
          ]),
        ),
      },
    }),
  });
  const jobId = /jobs\/([\w-]+)/.exec(page.url())![1]!;
  const stored = async () =>
    ((await (await page.request.get(`/api/jobs/${jobId}`)).json()) as Job).document;

  // Another person, in another browser, opens it and then loses the line.
  const context = await browser.newContext({
    baseURL: app.url,
    locale: 'en-GB',
    storageState: await signedInState(app.url),
  });
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('table', { name: 'Everything that is serviced' })).toBeVisible();
  await context.setOffline(true);
  await other.getByRole('button', { name: 'Begin a visit' }).click();
  const visit = other.getByRole('region', { name: 'This visit' });
  await visit.getByRole('button', { name: 'Begin, on the whole screen' }).click();
  const runner = other.getByRole('dialog', { name: `Change-out, ${name}` });
  for (let i = 0; i < 40; i += 1) {
    if (await runner.getByRole('heading', { name: 'Every step is done' }).isVisible()) break;
    const start = runner.getByRole('button', { name: 'Start the timer' });
    if (await start.isVisible()) await start.click();
    const batch = runner.getByLabel(/^Batch of/);
    if (await batch.isVisible()) await batch.fill('K-31');
    const title = await runner.getByRole('heading', { level: 3 }).innerText();
    await runner.getByRole('button', { name: /^(Done|Clear already)$/ }).click();
    await expect(runner.getByRole('heading', { level: 3 })).not.toHaveText(title);
  }
  await runner.getByRole('button', { name: 'Back to the visit' }).click();
  await visit.getByRole('button', { name: 'Close' }).click();

  // Meanwhile the first notes what was read half a year before.
  await page.getByRole('button', { name: 'Begin a visit' }).click();
  const mine = page.getByRole('region', { name: 'This visit' });
  await mine.getByLabel('What for').selectOption('reading');
  const product = mine.getByLabel('Product TDS', { exact: true });
  await product.fill('21 mg/L');
  await product.press('Enter');
  await mine.getByRole('button', { name: 'Close' }).click();
  await saved(page);
  await context.setOffline(false);
  await saved(other);

  const today = dateOf(Math.floor(Date.now() / dayMs));
  await expect.poll(async () => Object.keys((await stored()).service!.visits!).length).toBe(7);
  const document = await stored();
  const kept = keptOf(document, {}, today)!;
  const reader = readerOf();
  await page.reload();
  const due = page.getByRole('table', { name: 'Everything that is serviced' });
  for (const one of kept.dues) {
    const row = due.locator(`[data-due="${one.id}"]`);
    await expect(row).toContainText(servicedName(one, kept.dues));
    await expect(row).toContainText(reader.day(dateOf(one.on)));
  }
  const trend = page.getByRole('region', { name: 'Trend' });
  if (!kept.trend?.ok) throw new Error('no trend');
  for (const key of ['saltPassage', 'flow'] as const)
    await expect(trend).toContainText(trendSentence(key, kept.trend.value[key], reader));

  // The household's page, its letter, and the calendar say the same day.
  const panel = page.getByRole('region', { name: 'The household’s page' });
  await panel.getByRole('button', { name: 'Make its address' }).click();
  const address = (await panel.getByRole('link').getAttribute('href'))!;
  const home = await (await page.request.get(address)).text();
  const month = reader.day(dateOf(kept.visit!.on), 'month');
  expect(home).toContain(month);
  expect(home).not.toContain(name);
  await walkTo(page, '/diary?view=place');
  await page.getByLabel('Looking ahead').selectOption('365');
  const place = page.getByRole('region', { name: 'Nether Fell' });
  await expect(place).toContainText(reader.day(dateOf(kept.visit!.dues[0]!.on)));
  await page.getByRole('button', { name: /^Write to \d+ households?$/ }).click();
  await expect(place).toContainText('Written to on');
  const letterTo = () =>
    readdirSync(app.outbox)
      .filter((file) => /^[^.].*\.eml$/.test(file))
      .map((file) => readFileSync(join(app.outbox, file), 'utf8'))
      .find((mail) => mail.includes('m@kiln.example'));
  await expect.poll(letterTo).toContain(address.slice(-20));
  expect(letterTo()).toContain(`due for service in ${month}`);

  const recall = page.getByRole('region', { name: 'Recall' });
  await recall.getByLabel('Batch').fill('K-31');
  await recall.getByRole('button', { name: 'Find every household' }).click();
  const having = recall.getByRole('table', { name: 'Households that have it' });
  const put = Object.values(document.service!.visits!).flatMap(({ changed = {} }) =>
    Object.values(changed).filter(({ batch }) => batch === 'K-31'),
  );
  expect(put.length).toBeGreaterThan(2);
  // Two of one kind that were put in on one day are one line; all of them are counted.
  await expect(having).toBeVisible();
  const counts = await having.getByRole('row').locator('td:nth-child(3)').allTextContents();
  expect(counts.reduce((sum, text) => sum + Number(text), 0)).toBe(put.length);
  expect(counts.length).toBeLessThanOrEqual(put.length);

  const calendar = page.getByRole('region', { name: 'In your own calendar' });
  await calendar.getByRole('button', { name: 'Make an address' }).click();
  const feed = await calendar.getByLabel('Its address, shown this once').inputValue();
  const events = (await (await page.request.get(feed)).text()).replaceAll('\r\n ', '');
  const event = events.split('BEGIN:VEVENT').find((one) => one.includes(name))!;
  expect(event).toContain(`DTSTART;VALUE=DATE:${dateOf(kept.visit!.on).replaceAll('-', '')}`);
  await calendar.getByRole('button', { name: 'End it' }).click();
  await context.close();
});

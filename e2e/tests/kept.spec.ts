import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { Job } from '@katharos/contract';
import { chromium } from '@playwright/test';
import pg from 'pg';
import { type App, expect, firstVisit, type Page, signedInState, test } from '../support/app.ts';
import {
  addJob,
  beginJob,
  enter,
  field,
  goTo,
  keptForOffline,
  openJobs,
  saved,
} from '../support/job.ts';

/** Nothing that was done is lost, and nobody's work is undone by another. */

/** A second person's browser. */
async function colleague(page: Page, app: App): Promise<Page> {
  const context = await page
    .context()
    .browser()!
    .newContext({
      baseURL: app.url,
      storageState: await signedInState(app.url),
    });
  return context.newPage();
}

const stored = async (page: Page, address: string): Promise<Job['document']> =>
  ((await (await page.request.get(`/api${address}`)).json()) as Job).document;

test('two people on one job see each other at once; undo takes back one’s own alone', async ({
  page,
  app,
}) => {
  const address = await beginJob(page, 'Two people');
  const other = await colleague(page, app);
  await other.goto(page.url());
  await enter(page, 'Feed TDS', '410');
  // Nothing asks again by itself: what comes was sent.
  await expect(await field(other, 'Feed TDS')).toHaveValue('410 mg/L');
  await enter(other, 'Water temperature', '12');
  await expect(await field(page, 'Water temperature')).toHaveValue('12 °C');
  await expect(page.getByText('both changes were kept')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(await field(page, 'Feed TDS')).toHaveValue('');
  await expect(await field(page, 'Water temperature')).toHaveValue('12 °C');
  await saved(page);
  const { readings } = (await stored(page, address)).survey;
  expect(Object.keys(readings)).toEqual(['temperature']);
  await other.context().close();
});

test('the same value changed by two without a line is asked about, with both values; all else of both is kept', async ({
  page,
  app,
}) => {
  const address = await beginJob(page, 'Both changed it');
  const other = await colleague(page, app);
  await other.goto(page.url());
  await expect(other.getByRole('heading', { name: 'Survey', level: 2 })).toBeVisible();
  await page.context().setOffline(true);
  await enter(page, 'Feed TDS', '410');
  await enter(page, 'Water temperature', '11');
  await enter(other, 'Feed TDS', '90');
  await saved(other);
  await page.context().setOffline(false);
  const notice = page.getByRole('alert').filter({ hasText: 'changed the same thing' });
  await expect(notice).toContainText('Feed TDS: here 410 mg/L, there 90 mg/L');
  await notice.getByRole('button', { name: 'Take the other window’s' }).click();
  await saved(page);
  expect((await stored(page, address)).survey.readings).toMatchObject({
    feedTds: { value: 90 },
    temperature: { value: 11 },
  });
  await other.context().close();
});

test('two tabs without a line keep what both did, and it is sent from wherever the person is when the line is back', async ({
  page,
  context,
}) => {
  const address = await beginJob(page, 'Two tabs');
  await saved(page);
  await keptForOffline(page);
  const tab = await context.newPage();
  await tab.goto(page.url());
  await expect(tab.getByRole('heading', { name: 'Survey', level: 2 })).toBeVisible();
  await context.setOffline(true);
  await enter(page, 'Feed TDS', '370');
  await expect(page.getByText('The server cannot be reached')).toBeVisible();
  await enter(tab, 'Water temperature', '9');
  await expect(await field(tab, 'Feed TDS')).toHaveValue('370 mg/L');
  await page.close();
  await tab.getByRole('link', { name: 'Katharos' }).click();
  await expect(tab.getByText('2 changes kept here')).toBeVisible();
  await context.setOffline(false);
  await expect
    .poll(async () => (await stored(tab, address)).survey.readings)
    .toMatchObject({ feedTds: { value: 370 }, temperature: { value: 9 } });
});

test('a session that ended is signed into again in place, and nothing is lost', async ({
  page,
  app,
}) => {
  const address = await beginJob(page, 'Signed out meanwhile');
  await saved(page);
  const admin = new pg.Client({ connectionString: app.databaseUrl });
  await admin.connect();
  const kept = await admin.query('delete from sessions returning *');
  await enter(page, 'Feed TDS', '333');
  const dialog = page.getByRole('dialog', { name: 'Sign in again' });
  await expect(dialog).toBeVisible();
  await dialog.getByRole('button', { name: 'Sign in' }).click();
  await expect(dialog).toHaveCount(0);
  await saved(page);
  expect((await stored(page, address)).survey.readings.feedTds?.value).toBe(333);
  // The other tests of this worker go on with the session that they had.
  for (const row of kept.rows as Record<string, unknown>[]) {
    const columns = Object.keys(row);
    const places = columns.map((_, i) => `$${i + 1}`);
    await admin.query(
      `insert into sessions (${columns.join()}) values (${places.join()}) on conflict do nothing`,
      Object.values(row),
    );
  }
  await admin.end();
});

test('a browser killed right after an entry has kept it; the next start sends it', async ({
  app,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'katharos-browser-'));
  const start = () =>
    chromium.launchPersistentContext(folder, {
      executablePath: process.env.CHROMIUM_PATH!,
      args: ['--no-sandbox', '--disable-gpu'],
      baseURL: app.url,
    });
  try {
    let context = await start();
    // A browser writes its cookies down every half minute; this one is killed sooner.
    const { cookies } = await signedInState(app.url);
    await context.addCookies(cookies);
    const page = await context.newPage();
    const address = await beginJob(page, 'Killed');
    await saved(page);
    // The server hears nothing of it before the end.
    await context.setOffline(true);
    await enter(page, 'Feed TDS', '287');
    await expect(await field(page, 'Feed TDS')).toHaveValue('287 mg/L');
    const session = await context.browser()!.newBrowserCDPSession();
    const { processInfo } = await session.send('SystemInfo.getProcessInfo');
    await pause(60);
    process.kill(processInfo.find(({ type }) => type === 'browser')!.id, 'SIGKILL');
    await pause(500);
    context = await start();
    await context.addCookies(cookies);
    const again = await context.newPage();
    await openJobs(again);
    await expect
      .poll(async () => (await stored(again, address)).survey.readings.feedTds?.value)
      .toBe(287);
    await context.close();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});

test('a change that the server refuses names its field, holds up nothing else, and is taken back or corrected', async ({
  page,
}) => {
  const other = await beginJob(page, 'Not held up');
  const address = await beginJob(page, 'Refused');
  await saved(page);
  await page.context().setOffline(true);
  await enter(page, 'Water temperature', '11');
  await enter(page, 'Feed TDS', '517');
  await expect(page.getByText('Not reached; kept here')).toBeVisible();
  // As a version of the program with other limits may have kept it.
  await expect
    .poll(() => page.evaluate(keepDeedsWith, ['"value":517', '"value":-517'] as const))
    .toBe(1);
  // A try that began before may still hold what it read: one that fails now is over, and the next reads anew.
  const failed = page.waitForEvent('requestfailed', (request) => request.method() === 'PUT');
  await page.evaluate(() => window.dispatchEvent(new Event('online')));
  await failed;
  await page.context().setOffline(false);
  const notice = page.getByRole('alert').filter({ hasText: 'The server refused' });
  await expect(notice).toContainText('Feed TDS');
  const elsewhere = await page.context().newPage();
  await elsewhere.goto(`${other}/survey`);
  await enter(elsewhere, 'Feed TDS', '333');
  await saved(elsewhere);
  expect((await stored(page, other)).survey.readings.feedTds?.value).toBe(333);
  await notice.getByRole('button', { name: 'Take that change back' }).click();
  await saved(page);
  const { readings } = (await stored(page, address)).survey;
  expect(readings.feedTds).toBeUndefined();
  expect(readings.temperature?.value).toBe(11);
});

/** In the page: changes one text for another in every deed that waits, and says how many deeds held it. */
const keepDeedsWith = ([from, to]: readonly [string, string]) =>
  new Promise<number>((resolve, reject) => {
    let changed = 0;
    const opening = indexedDB.open('katharos');
    opening.onsuccess = () => {
      const deeds = opening.result.transaction('deeds', 'readwrite').objectStore('deeds');
      const all = deeds.getAll();
      all.onsuccess = () => {
        for (const deed of all.result) {
          const text = JSON.stringify(deed);
          if (!text.includes(from)) continue;
          changed += 1;
          deeds.put(JSON.parse(text.replaceAll(from, to)));
        }
      };
      deeds.transaction.oncomplete = () => {
        opening.result.close();
        resolve(changed);
      };
      deeds.transaction.onerror = () => reject(new Error('not kept'));
    };
  });

test('a page that stands needs no more code to keep and to send', async ({ browser, app }) => {
  const context = await firstVisit(browser, app);
  const page = await context.newPage();
  const line = page.waitForRequest(/\/api\/events/);
  const address = await beginJob(page, 'No more code');
  await line;
  await page.route(/assets\/.*\.js$/, (route) => route.abort());
  await enter(page, 'Feed TDS', '222');
  await saved(page);
  expect((await stored(page, address)).survey.readings.feedTds?.value).toBe(222);
  await context.close();
});

test('a page to which what sends does not come is none, and says so', async ({ browser, app }) => {
  const context = await firstVisit(browser, app);
  const page = await context.newPage();
  let isBack = false;
  await page.route(/assets\/line-.*\.js$/, (route) =>
    // The page looks by itself whether it is there again, and never finds it: a person presses.
    isBack && route.request().resourceType() === 'script' ? route.continue() : route.abort(),
  );
  await page.goto('/jobs');
  await expect(
    page.getByRole('heading', { name: 'This part of the page did not come' }),
  ).toBeVisible();
  isBack = true;
  await page.getByRole('button', { name: 'Load the page again' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
  await context.close();
});

test('a part of a stage whose code does not come is told in its place, and all else stands', async ({
  browser,
  app,
}) => {
  const context = await firstVisit(browser, app);
  const page = await context.newPage();
  await page.route(/assets\/LaboratoryPanel-.*\.js$/, (route) => route.abort());
  const address = await beginJob(page, 'In the cellar');
  await page.goto(`${address}/survey?place=chemistry`);
  const told = page.getByRole('alert').filter({ hasText: 'This part of the page did not come' });
  await expect(told).toBeVisible();
  await enter(page, 'pH', '7.2');
  await saved(page);
  await page.unroute(/assets\/LaboratoryPanel-.*\.js$/);
  await told.getByRole('button', { name: 'Load the page again' }).click();
  await expect(page.getByRole('region', { name: 'Laboratory report' })).toBeVisible();
  await expect(page.getByLabel('pH', { exact: true })).toHaveValue(/7\.2/);
  await context.close();
});

test('an answer of another version is drawn as far as it is what this page understands, and told where it is not', async ({
  browser,
  app,
}) => {
  const context = await firstVisit(browser, app);
  const page = await context.newPage();
  // Nobody tells that a job changed: the list would be asked for again before anybody does.
  await page.route(/api\/events/, () => undefined);
  let jobs: (held: object[]) => object[] = (held) => held;
  await page.route(/api\/jobs\?/, async (route) => {
    const response = await route.fetch();
    const body = (await response.json()) as { jobs: object[] };
    // An answer of before the page is drawn would be asked for again as it is.
    await page.getByRole('searchbox').waitFor();
    await route.fulfill({
      response,
      headers: { ...response.headers(), 'katharos-contract': 'another' },
      json: { ...body, jobs: jobs(body.jobs) },
    });
  });
  jobs = () => [{ id: 'of another shape' }];
  await page.goto('/jobs');
  await expect(page.getByRole('alert')).toContainText('could not be read');
  jobs = (held) => held.map((job) => ({ ...job, unheardOf: true }));
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('link', { name: /Tamsin/ })).toBeVisible();
  await context.close();
});

test('a notice whose code does not come is said plainly, and the page stands', async ({
  browser,
  app,
}) => {
  const context = await firstVisit(browser, app);
  const page = await context.newPage();
  await page.goto('/stock');
  const about = page.getByRole('region', { name: 'About The store' });
  await page.getByRole('radiogroup', { name: 'Where' }).getByText('The store').click();
  await expect(about).toBeVisible();
  await page.route(/assets\/.*\.js$/, (route) => route.abort());
  await about.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByText('Saved.', { exact: true })).toBeVisible();
  await expect(about).toBeVisible();
  await context.close();
});

test('photographs taken without a line are kept, shown and sent once', async ({
  page,
  context,
}) => {
  const { id } = await addJob(page, 'Photographed in a cellar');
  await page.goto(`/jobs/${id}/survey`);
  await goTo(page, 'Photographs');
  const panel = page.getByRole('region', { name: 'Photographs' });
  await context.setOffline(true);
  const picture = await page.screenshot({ clip: { x: 0, y: 0, width: 60, height: 40 } });
  await panel
    .getByLabel('Photograph files')
    .setInputFiles({ name: 'trap.png', mimeType: 'image/png', buffer: picture });
  await expect(panel.getByRole('listitem')).toContainText('kept here, to be sent');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(panel.getByRole('listitem')).toHaveCount(0);
  await page.getByRole('button', { name: 'Redo' }).click();
  await context.setOffline(false);
  await expect(panel.getByRole('listitem')).not.toContainText('kept here');
  const count = async () => {
    const answer = await page.request.get(`/api/jobs/${id}/photographs`);
    return ((await answer.json()) as { photographs: unknown[] }).photographs.length;
  };
  await expect.poll(count).toBe(1);
});

test('signing out says what is not sent yet, and takes it away only when told to', async ({
  browser,
  app,
}) => {
  const context = await browser.newContext({
    baseURL: app.url,
    storageState: await signedInState(app.url),
  });
  const page = await context.newPage();
  await beginJob(page, 'Left behind');
  await saved(page);
  await keptForOffline(page);
  await context.setOffline(true);
  await enter(page, 'Feed TDS', '222');
  await expect(page.getByText('Not reached; kept here')).toBeVisible();
  await page.getByRole('button', { name: 'Account' }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  const dialog = page.getByRole('dialog', { name: 'Sign out' });
  await expect(dialog).toContainText('One change that you made here has not reached the server');
  await dialog.getByRole('button', { name: 'Sign out and lose it' }).click();
  await expect(page).toHaveURL(/sign-in/);
  // The server hears of it at the next contact, and the old session is of no use then.
  const asked = new Set<string>();
  page.on('request', (request) => {
    const { pathname } = new URL(request.url());
    if (pathname.startsWith('/api/')) asked.add(`${request.method()} ${pathname}`);
  });
  await context.setOffline(false);
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await expect(page).toHaveURL(/sign-in/);
  expect((await page.request.get('/api/session')).status()).toBe(401);
  // Nothing of the firm was asked for in its name.
  const allowed = ['DELETE /api/session', 'GET /api/meta', 'GET /api/session'];
  expect([...asked].filter((each) => !allowed.includes(each))).toEqual([]);
  await context.close();
});

test('every page of this week’s work opens without a line, by its address, and what is entered there arrives', async ({
  browser,
  app,
}) => {
  const context = await browser.newContext({
    baseURL: app.url,
    storageState: await signedInState(app.url),
  });
  const page = await context.newPage();
  await openJobs(page);
  const link = page.getByRole('link', { name: /Café Millrace/ });
  const [, , id] = (await link.getAttribute('href'))!.split('/');
  // A page keeps what it shows, which is not all of a job.
  await page.goto(`/jobs/${id}/plumb`);
  await keptForOffline(page);
  const isKept = (address: string) =>
    page.evaluate(
      (key) =>
        new Promise((resolve) => {
          const opening = indexedDB.open('katharos');
          opening.onsuccess = () => {
            const asked = opening.result.transaction('answers').objectStore('answers').get(key);
            asked.onsuccess = () => {
              opening.result.close();
              resolve(asked.result !== undefined);
            };
          };
        }),
      address,
    );
  await expect.poll(() => isKept(`/jobs/${id}/papers`)).toBe(true);
  await expect.poll(() => isKept(`whole:${id}`)).toBe(true);
  // What nobody touched since is not fetched anew by the next page.
  const asked: string[] = [];
  page.on('request', (request) => asked.push(new URL(request.url()).pathname));
  const lists = () => asked.filter((path) => path === '/api/jobs').length;
  await page.clock.install();
  await page.goto('/jobs');
  await expect(link).toBeVisible();
  const before = lists();
  await page.clock.runFor(9000);
  await expect.poll(lists).toBeGreaterThan(before);
  expect(asked.filter((path) => path.includes(id!))).toEqual([]);
  await context.setOffline(true);
  for (const [path, heading] of [
    ['survey', 'Survey'],
    ['size', /system/i],
    ['plumb', 'Plumb'],
    ['flush', 'Flush'],
    ['verify', 'Verify'],
    ['keep', 'Keep'],
  ] as const) {
    await page.goto(`/jobs/${id}/${path}`);
    await expect(page.getByRole('heading', { name: heading, level: 2 }).first()).toBeVisible();
  }
  await page.goto(`/jobs/${id}/sheet`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.goto('/stock');
  await expect(page.getByRole('heading', { name: 'Vans and stores' })).toBeVisible();
  await page.goto(`/jobs/${id}/survey`);
  await enter(page, 'Feed TDS', '517');
  await expect(page.getByText('Not reached; kept here')).toBeVisible();
  await context.setOffline(false);
  await expect
    .poll(async () => (await stored(page, `/jobs/${id}`)).survey.readings.feedTds?.value)
    .toBe(517);
  await context.close();
});

import type { JobDocument } from '@katharos/job';
import type { BrowserContext } from '@playwright/test';
import { expect, type Locator, type Page } from './app.ts';

/** What a person does while flushing, as steps that tests share. */

export const card = (page: Page): Locator => page.getByRole('region', { name: 'This step' });

/** Ends the step that is shown before its time, or as it is. */
export async function endStep(page: Page, reason = 'It was plain to see'): Promise<void> {
  const shown = card(page);
  const title = await shown.getByRole('heading', { level: 3 }).textContent();
  await shown.getByRole('button', { name: /^Done/ }).click();
  const why = shown.getByRole('form', { name: 'Reason' }).getByRole('button', { name: reason });
  const next = page.getByRole('heading', { level: 3 }).filter({ hasNotText: title! }).first();
  const flushed = page.getByText('Flushed', { exact: true });
  const saw = shown.getByRole('button', { name: 'Just now, I saw it' });
  await expect(why.or(saw).or(next).or(flushed).first()).toBeVisible();
  if (await why.isVisible()) await why.click();
  if (await saw.isVisible()) await saw.click();
  await expect(shown.getByRole('heading', { level: 3, name: title!, exact: true })).toHaveCount(0);
}

/** Does the step that is shown, its timer started where it has one. */
export async function doStep(page: Page): Promise<void> {
  const start = card(page).getByRole('button', { name: 'Start the timer' });
  const done = card(page).getByRole('button', { name: /^Done/ });
  await expect(start.or(done)).toBeVisible();
  if (await start.isVisible()) await start.click();
  await endStep(page);
}

/** Goes on until the step that is called so is shown. */
export async function flushUntil(page: Page, title: string | RegExp): Promise<void> {
  const reached = card(page).getByRole('heading', { level: 3, name: title });
  for (let steps = 0; steps < 40 && !(await reached.isVisible()); steps += 1) await doStep(page);
  await expect(reached).toBeVisible();
}

/** The flush as the server has it. */
export async function storedFlush(page: Page): Promise<JobDocument['flush']> {
  const [, id] = /jobs\/([^/]+)/.exec(page.url())!;
  const answer = await page.request.get(`/api/jobs/${id}`);
  return ((await answer.json()) as { document: JobDocument }).document.flush;
}

/**
 * A server whose clock can be moved on: its answers say so, and the page goes by what they say. Only for a browser without a service
 * worker, whose own answers nobody could reach.
 */
export async function movableClock(context: BrowserContext): Promise<(ms: number) => void> {
  let ahead = 0;
  await context.route(/\/api\/(?!events)/, async (route) => {
    try {
      const response = await route.fetch();
      const date = new Date(Date.parse(response.headers().date!) + ahead).toUTCString();
      await route.fulfill({ response, headers: { ...response.headers(), date } });
    } catch {
      // The page went elsewhere meanwhile, and waits for no answer.
      await route.abort().catch(() => undefined);
    }
  });
  return (ms) => (ahead += ms);
}

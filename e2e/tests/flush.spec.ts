import { expect, type Page, signedInState, test } from '../support/app.ts';
import { plumbedJob, saved, stage } from '../support/job.ts';

/** Seconds that a page's timer shows. */
async function secondsLeft(page: Page): Promise<number> {
  const shown = (await page.getByRole('timer').textContent())!;
  return shown.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);
}

test('a timer shows the same on two devices, also where the clock of one is five minutes off', async ({
  page,
  app,
  browser,
}) => {
  await plumbedJob(page, 'Two clocks');
  await stage(page, 'Flush').click();
  const card = page.getByRole('region', { name: 'This step' });
  const start = card.getByRole('button', { name: 'Start the timer' });
  while (!(await start.isVisible())) {
    await card.getByRole('button', { name: /^Done/ }).click();
    await expect(card.getByRole('heading', { level: 3 })).toBeFocused();
  }
  await start.click();
  await saved(page);
  const context = await browser.newContext({
    baseURL: app.url,
    storageState: await signedInState(app.url),
  });
  const other = await context.newPage();
  await other.clock.setSystemTime(Date.now() + 5 * 60_000);
  await other.goto(page.url());
  await expect(other.getByRole('timer')).toBeVisible();
  await expect
    .poll(async () => Math.abs((await secondsLeft(other)) - (await secondsLeft(page))))
    .toBeLessThan(5);
  // What it records is the server's time as well.
  await other.getByRole('button', { name: 'Done already' }).click();
  await saved(other);
  await expect(card.getByRole('heading', { level: 3 })).not.toHaveText(/Leak check: filled/);
  const [, id] = /jobs\/([^/]+)/.exec(page.url())!;
  const { document } = (await (await page.request.get(`/api/jobs/${id}`)).json()) as {
    document: { flush: { steps: Record<string, { done: { at: string } | null }> } };
  };
  for (const { done } of Object.values(document.flush.steps)) {
    expect(Math.abs(Date.parse(done!.at) - Date.now())).toBeLessThan(60_000);
  }
  await context.close();
});

import { expect, signedInState, startApp, test } from '../support/app.ts';
import { beginJob, enter, field, saved } from '../support/job.ts';

test('work and sign-in survive a restart of the server, and what was typed meanwhile arrives', async ({
  browser,
}) => {
  let app = await startApp();
  const { port } = new URL(app.url);
  try {
    const context = await browser.newContext({
      baseURL: app.url,
      storageState: await signedInState(app.url),
    });
    const page = await context.newPage();
    await beginJob(page, 'Restart');
    await enter(page, 'Feed TDS', '333');
    await saved(page);
    await app.stop();
    await enter(page, 'Daily demand', '14');
    await expect(page.getByText('The server cannot be reached')).toBeVisible();
    app = await startApp(app.databaseUrl, port);
    await saved(page);
    await page.reload();
    await expect(await field(page, 'Feed TDS')).toHaveValue('333 mg/L');
    await expect(await field(page, 'Daily demand')).toHaveValue('14 L/day');
    await context.close();
  } finally {
    await app.stop();
  }
});

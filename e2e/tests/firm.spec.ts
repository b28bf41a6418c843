import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoSignIn } from '@katharos/server/demo';
import { Secret, TOTP } from 'otpauth';
import { check } from '../support/access.ts';
import { expect, inDatabase, test, walkTo } from '../support/app.ts';
import { enter, field, saved, seedJob } from '../support/job.ts';

test('what was done is read in sentences, and a job is brought back to what it was', async ({
  page,
}) => {
  await seedJob(page, 'Odo Fennimore', { chosen: false, at: 'survey' });
  const address = new URL(page.url()).pathname.replace(/\/survey$/, '');
  for (const temperature of ['11', '14', '9']) {
    await enter(page, 'Water temperature', temperature);
    await saved(page);
  }
  await walkTo(page, '/board');
  await page.getByRole('button', { name: 'Account' }).click();
  await page.getByRole('link', { name: 'What was done' }).click();
  await page.getByLabel('Find').fill('fennimore');
  const log = page.getByRole('region', { name: 'What was done' });
  await expect(log.getByText('Water temperature: 14 °C → 9 °C')).toBeVisible();
  await page.getByRole('button', { name: 'Check the log' }).click();
  await expect(page.getByText(/^All [\d,]+ entries hold\./)).toBeVisible();
  await check(page);

  await page.setViewportSize({ width: 1280, height: 800 });
  await walkTo(page, `/log?job=${address.replace('/jobs/', '')}`);
  const entry = page.getByRole('listitem').filter({ hasText: '11 °C → 14 °C' });
  await entry.getByRole('button', { name: 'As it was then' }).click();
  await entry.getByRole('button', { name: 'Bring it back' }).click();
  await expect(page.getByText('Water temperature: 9 °C → 14 °C')).toBeVisible();
  await walkTo(page, `${address}/survey`);
  await expect(await field(page, 'Water temperature')).toHaveValue(/^14/);
});

test('a household’s data are removed at their request, after the choice of the papers was explained', async ({
  page,
  app,
}) => {
  await seedJob(page, 'Quillon Tarbet', { chosen: false, at: 'survey' });
  await walkTo(page, '/jobs');
  await page.getByLabel(/^Search/).fill('quillon tarbet');
  await page.getByRole('button', { name: 'More for Quillon Tarbet' }).click();
  await page.getByRole('menuitem', { name: 'What is kept of them' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('Many countries have proposals and certificates kept');
  await check(page, '[role=dialog]');
  await page.setViewportSize({ width: 1280, height: 800 });
  // The page has stood open for a while.
  await inDatabase(app, "update sessions set proved_at = now() - interval '1 hour'");
  await dialog.getByRole('button', { name: 'Remove it for good' }).click();
  const again = page.getByRole('dialog', { name: 'Your password once more' });
  await again.getByLabel('Password', { exact: true }).fill('not this one');
  await again.getByRole('button', { name: 'Go on' }).click();
  await expect(again.getByRole('alert')).toContainText('This is not the password of now.');
  await again.getByLabel('Password', { exact: true }).fill(demoSignIn.password);
  await again.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('What was kept of this household is removed.')).toBeVisible();
  await expect(page.getByText('No job holds “quillon tarbet”')).toBeVisible();
});

test('a second factor is set up with a telephone, asked for at the next sign-in, and ended', async ({
  page,
  browser,
  app,
}) => {
  await walkTo(page, '/account');
  const panel = page.getByRole('region', { name: 'Second factor' });
  await panel.getByLabel('Your password').fill(demoSignIn.password);
  await panel.getByRole('button', { name: 'Set it up' }).click();
  const shown = await panel.getByText('Or type it in').innerText();
  const secret = shown.replace('Or type it in:', '').replace(/\s/g, '');
  const totp = new TOTP({ secret: Secret.fromBase32(secret) });
  await panel.getByLabel('The code that it shows').fill(totp.generate());
  await panel.getByRole('button', { name: 'It is set up' }).click();
  await expect(panel.getByRole('listitem')).toHaveCount(8);
  const words = await panel.getByRole('listitem').allInnerTexts();
  await check(page);

  const context = await browser.newContext({ baseURL: app.url, locale: 'en-GB' });
  const other = await context.newPage();
  await other.goto('/sign-in');
  await other.getByRole('button', { name: 'Sign in' }).click();
  await expect(other.getByRole('alert')).toContainText('Enter the code');
  await other.getByLabel('Code').fill('000000');
  await other.getByRole('button', { name: 'Sign in' }).click();
  await expect(other.getByRole('alert')).toContainText('not the one of this half minute');
  await other.getByLabel('Code').fill(words[2]!);
  await other.getByRole('button', { name: 'Sign in' }).click();
  await expect(other).toHaveURL(/\/board$/);
  await context.close();

  await page.setViewportSize({ width: 1280, height: 800 });
  await panel.getByRole('button', { name: 'I have them' }).click();
  await expect(panel).toContainText('7 of your words are left');
  await panel.getByLabel('Your password').fill(demoSignIn.password);
  await panel.getByRole('button', { name: 'End it' }).click();
  await expect(panel.getByRole('button', { name: 'Set it up' })).toBeVisible();
});

test('a forgotten password is set by the link that is mailed', async ({ page, browser, app }) => {
  await walkTo(page, '/people');
  await expect(page.getByRole('table', { name: 'Who works here' })).toBeVisible();
  const invite = page.getByRole('region', { name: 'Invite somebody' });
  await invite.getByLabel('Name').fill('Tace Bowmore');
  await invite.getByRole('button', { name: 'Make a link' }).click();
  const link = await invite.getByLabel('Its link, shown this once').inputValue();
  const context = await browser.newContext({ baseURL: app.url, locale: 'en-GB' });
  const tace = await context.newPage();
  await tace.goto(link);
  await tace.getByLabel('E-mail').fill('tace@brackenfold.example');
  await tace.getByLabel('Password', { exact: true }).fill('three herons upstream');
  await tace.getByRole('button', { name: 'Join' }).click();
  await expect(tace).toHaveURL(/\/board$/);

  const fresh = await (await browser.newContext({ baseURL: app.url, locale: 'en-GB' })).newPage();
  await fresh.goto('/sign-in');
  await fresh.getByLabel('E-mail').fill('tace@brackenfold.example');
  await fresh.getByRole('button', { name: 'The password is forgotten' }).click();
  await expect(fresh.getByText('a link for a new password is on its way')).toBeVisible();
  const letter = () =>
    readdirSync(app.outbox)
      // One that is being written has another name until it is whole.
      .filter((name) => !name.startsWith('.'))
      .map((name) => readFileSync(join(app.outbox, name), 'utf8').replace(/=\r?\n/g, ''))
      .find((text) => text.includes('tace@') && text.includes('/reset/'));
  await expect.poll(letter).toBeTruthy();
  const path = /\/reset\/[\w-]{43}/.exec(letter()!)![0];
  await fresh.goto(path);
  await expect(fresh.getByText('For Tace Bowmore.')).toBeVisible();
  await fresh.getByLabel('The new one').fill('four herons downstream');
  await fresh.getByRole('button', { name: 'Set it' }).click();
  await expect(fresh).toHaveURL(/\/sign-in$/);
  await fresh.getByLabel('E-mail').fill('tace@brackenfold.example');
  await fresh.getByLabel('Password', { exact: true }).fill('four herons downstream');
  await fresh.getByRole('button', { name: 'Sign in' }).click();
  await expect(fresh).toHaveURL(/\/board$/);
  // What was open with the old one is not any more.
  await tace.reload();
  await expect(tace).toHaveURL(/\/sign-in/);
  await fresh.context().close();
  await context.close();
});

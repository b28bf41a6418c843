import type { Job } from '@katharos/contract';
import { enter, field, saved, seedJob } from '../support/job.ts';
import { expect, inDatabase, test, walkTo } from '../support/app.ts';

test('an owner invites a helper, who records and may not issue, and is let go while typing: nothing more arrives', async ({
  page,
  app,
  browser,
}) => {
  await walkTo(page, '/board');
  await page.getByRole('button', { name: 'Account' }).click();
  await page.getByRole('link', { name: 'People' }).click();
  await expect(page.getByRole('heading', { name: 'People', level: 1 })).toBeVisible();
  // The form stands under the list, and moves down as that comes.
  await expect(page.getByRole('table', { name: 'Who works here' })).toBeVisible();
  const invite = page.getByRole('region', { name: 'Invite somebody' });
  await invite.getByRole('button', { name: 'Make a link' }).click();
  await expect(invite.getByLabel('Name')).toHaveAttribute('aria-invalid', 'true');
  await invite.getByLabel('Name').fill('Pip Harrow');
  await invite.getByLabel('Part').selectOption('helper');
  await invite.getByRole('button', { name: 'Make a link' }).click();
  const link = await invite.getByLabel('Its link, shown this once').inputValue();

  const context = await browser.newContext({ baseURL: app.url, locale: 'en-GB' });
  const helper = await context.newPage();
  await helper.goto(link);
  await expect(helper.getByRole('heading', { name: 'Join Brackenfold Water Care' })).toBeVisible();
  await expect(helper.getByLabel('Your name')).toHaveValue('Pip Harrow');
  await helper.getByLabel('E-mail').fill('pip@brackenfold.example');
  await helper.getByLabel('Password', { exact: true }).fill('passwordpassword');
  await helper.getByRole('button', { name: 'Join' }).click();
  await expect(helper.getByRole('alert')).toContainText('one of those that are tried first');
  await helper.getByLabel('Password', { exact: true }).fill('three otters upstream');
  await helper.getByRole('button', { name: 'Join' }).click();
  await expect(helper).toHaveURL(/\/board$/);
  // The link is used.
  const late = await (await browser.newContext({ baseURL: app.url })).newPage();
  await late.goto(link);
  await expect(late.getByText('This invitation is not good any more')).toBeVisible();
  await late.context().close();

  await helper.getByRole('button', { name: 'Account' }).click();
  await expect(helper.getByRole('link', { name: 'Your account' })).toBeVisible();
  await expect(helper.getByRole('link', { name: 'People' })).toHaveCount(0);
  await helper.goto('/people');
  await expect(helper.getByText('The people of the firm are its owner’s')).toBeVisible();

  await seedJob(page, 'Ottilie Carr', { chosen: true, at: 'size' });
  const address = new URL(page.url()).pathname.replace(/\/size$/, '');
  await helper.goto(`${address}/size`);
  await expect(helper.getByRole('button', { name: 'Customer agreed' })).toBeDisabled();
  await expect(page.getByRole('button', { name: 'Customer agreed' })).toBeEnabled();
  await helper.goto(`${address}/survey`);
  await enter(helper, 'Water temperature', '11');
  await saved(helper);

  await walkTo(page, '/people');
  await page.getByRole('button', { name: 'Let Pip Harrow go' }).click();
  const tds = await field(helper, 'Feed TDS');
  await tds.fill('777');
  await page.getByRole('button', { name: 'Yes, Pip Harrow goes' }).click();
  await expect(page.getByRole('button', { name: 'Let Pip Harrow go' })).toHaveCount(0);
  await tds.press('Enter');
  await expect(helper).toHaveURL(/\/sign-in\?gone/);
  await expect(helper.getByText('You do not work in this firm any more')).toBeVisible();
  // What the browser kept for pages without a line is gone with it.
  const kept = await helper.evaluate(async () => {
    const named = await indexedDB.databases();
    const counts = named.map(
      ({ name }) =>
        new Promise<number>((resolve) => {
          const opening = indexedDB.open(name!);
          opening.onsuccess = () => {
            const { objectStoreNames } = opening.result;
            if (!objectStoreNames.contains('jobs')) return resolve(0);
            const reading = opening.result.transaction(['jobs', 'deeds']);
            const [jobs, deeds] = ['jobs', 'deeds'].map((store) =>
              reading.objectStore(store).count(),
            );
            reading.oncomplete = () => resolve(jobs!.result + deeds!.result);
          };
        }),
    );
    return (await Promise.all(counts)).reduce((sum, count) => sum + count, 0);
  });
  expect(kept).toBe(0);
  const { document } = (await (await page.request.get(`/api${address}`)).json()) as Job;
  expect(document.survey.readings.temperature!.value).toBe(11);
  expect(document.survey.readings.feedTds!.value).not.toBe(777);
  await context.close();
});

test('one’s own account: a new password ends what is open elsewhere', async ({
  page,
  app,
  browser,
}) => {
  await walkTo(page, '/people');
  const invite = page.getByRole('region', { name: 'Invite somebody' });
  await invite.getByLabel('Name').fill('Enid Vole');
  await invite.getByRole('button', { name: 'Make a link' }).click();
  const link = await invite.getByLabel('Its link, shown this once').inputValue();
  const open = async () =>
    (await browser.newContext({ baseURL: app.url, locale: 'en-GB' })).newPage();
  const [here, there] = [await open(), await open()];
  await here.goto(link);
  await here.getByLabel('E-mail').fill('enid@brackenfold.example');
  await here.getByLabel('Password', { exact: true }).fill('three otters upstream');
  await here.getByRole('button', { name: 'Join' }).click();
  await expect(here).toHaveURL(/\/board$/);
  await there.request.post('/api/session', {
    data: { email: 'enid@brackenfold.example', password: 'three otters upstream' },
  });
  await there.goto('/jobs');
  await expect(there.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();

  await here.goto('/account');
  const where = here.getByRole('region', { name: 'Where you are signed in' });
  await expect(where.getByRole('listitem')).toHaveCount(2);
  const password = here.getByRole('region', { name: 'Password' });
  await password.getByLabel('The one of now').fill('three otters upstream');
  await password.getByLabel('The new one').fill('short');
  await password.getByRole('button', { name: 'Change it' }).click();
  await expect(password.getByText('Use at least twelve characters.')).toBeVisible();
  await password.getByLabel('The new one').fill('four herons downstream');
  await password.getByRole('button', { name: 'Change it' }).click();
  await expect(here.getByText('The new password holds.')).toBeVisible();
  expect((await there.request.get('/api/jobs')).status()).toBe(401);
  expect((await here.request.get('/api/jobs')).status()).toBe(200);
  await here.context().close();
  await there.context().close();
});

test.describe('a passkey', () => {
  test.use({ alone: true });

  test('is made by who is signed in, lets them in without typing, and is nothing for a locked device', async ({
    page,
    app,
  }) => {
    // Devices keep passkeys by name: an address that is a number has none.
    const named = app.url.replace('127.0.0.1', 'localhost');
    const devices = await page.context().newCDPSession(page);
    await devices.send('WebAuthn.enable');
    const { authenticatorId } = await devices.send('WebAuthn.addVirtualAuthenticator', {
      options: {
        protocol: 'ctap2',
        transport: 'internal',
        hasResidentKey: true,
        hasUserVerification: true,
        isUserVerified: true,
        automaticPresenceSimulation: true,
      },
    });
    await page.goto(`${named}/`);
    const byPasskey = page.getByRole('button', { name: 'Sign in with a passkey' });
    const refused = page.getByRole('alert').filter({ hasText: 'The device gave no passkey' });
    await byPasskey.click();
    await expect(refused).toBeVisible();
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page).toHaveURL(/\/board$/);

    await page.goto(`${named}/account`);
    const passkeys = page.getByRole('region', { name: 'Passkeys' });
    const make = passkeys.getByRole('button', { name: 'Make a passkey' });
    await passkeys.getByLabel('What you call this device').fill('');
    await make.click();
    await expect(passkeys.getByLabel('What you call this device')).toHaveAttribute(
      'aria-invalid',
      'true',
    );
    await passkeys.getByLabel('What you call this device').fill('Van telephone');
    await make.click();
    await expect(passkeys.getByText('not used yet')).toBeVisible();
    await make.click();
    await expect(passkeys.getByRole('alert')).toContainText('holds a passkey of yours already');

    await page.getByRole('button', { name: 'Account' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await devices.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: false });
    await byPasskey.click();
    await expect(refused).toBeVisible();
    await devices.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: true });
    await byPasskey.click();
    await expect(page).toHaveURL(/\/board$/);

    // Ten minutes later it stands for the password.
    await inDatabase(app, "update sessions set proved_at = now() - interval '11 minutes'");
    await page.goto(`${named}/account`);
    await passkeys.getByRole('button', { name: 'Remove the passkey of Van telephone' }).click();
    await page.getByRole('button', { name: 'With a passkey instead' }).click();
    await expect(passkeys.getByText('Van telephone')).toHaveCount(0);
  });
});

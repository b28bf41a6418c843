import { check, desk, phone, settled, tooSmall } from '../support/access.ts';
import { expect, type Page, test, walkTo } from '../support/app.ts';
import { addJob, openJobs } from '../support/job.ts';
import { views } from '../support/views.ts';

/** Address of a sample job, found by the API. */
async function addressOf(page: Page, job: string): Promise<string> {
  const { jobs } = (await (await page.request.get('/api/jobs')).json()) as {
    jobs: { id: string; name: string }[];
  };
  const found = jobs.find(({ name }) => name === job);
  if (!found) throw new Error(`there is no sample job ${job}`);
  return `/jobs/${found.id}`;
}

/** Every view of one job in one page, as a person walks through it. */
for (const job of new Set(views.map((view) => view.job))) {
  test(`nothing is in the way of anybody in the job of ${job}`, async ({ page }) => {
    test.setTimeout(180_000);
    const address = await addressOf(page, job);
    for (const view of views.filter((one) => one.job === job)) {
      await test.step(view.name, async () => {
        await page.setViewportSize(desk);
        await walkTo(page, `${address}/${view.path}`);
        await expect(page.getByRole('heading', { name: view.heading }).first()).toBeAttached();
        await settled(page);
        await view.open?.(page);
        // What opens may have to be fetched first.
        if (view.part) await expect(page.locator(view.part).first()).toBeVisible();
        await check(page, view.part);
        if (view.thumbs) {
          await page.setViewportSize(phone);
          expect.soft(await tooSmall(page), 'smaller than a thumb').toEqual([]);
        }
        if (!view.open) return;
        await view.close?.(page);
        // What else was opened goes with its page.
        await walkTo(page, '/nothing');
        await expect(page.getByText('Nothing is kept under this address')).toBeVisible();
      });
    }
  });
}

for (const [name, path, heading] of [
  ['the board', '/board', 'Waiting for water'],
  ['the jobs', '/jobs', 'Jobs'],
  ['the firm', '/firm', 'How the firm works'],
  ['vans and stores', '/stock', 'Vans and stores'],
  ['the instruments', '/instruments', 'Instruments'],
  ['the people', '/people', 'What each part may'],
  ['one’s account', '/account', 'Where you are signed in'],
  ['the diary', '/diary', 'Due for service'],
  ['the diary by place', '/diary?view=place', 'Low Marram'],
  ['all systems', '/diary?view=systems', 'Due for service'],
  ['an address of nothing', '/nothing/here', 'Nothing is kept under this address'],
] as const) {
  test(`nothing is in the way of anybody: ${name}`, async ({ page }) => {
    await walkTo(page, path);
    await expect(page.getByRole('heading', { name: heading })).toBeVisible();
    await check(page);
  });
}

test('nothing is in the way of anybody: a new job, the account, the keyboard', async ({ page }) => {
  await openJobs(page);
  await page.keyboard.press('n');
  await expect(page.getByRole('dialog', { name: 'New job' })).toBeVisible();
  await check(page);
  await page.keyboard.press('Escape');
  await page.setViewportSize(desk);
  await page.getByRole('button', { name: 'Account' }).click();
  await expect(page.getByRole('button', { name: 'Sign out' })).toBeVisible();
  await check(page);
  await page.keyboard.press('Escape');
  await page.setViewportSize(desk);
  await page.getByRole('button', { name: 'Keyboard shortcuts' }).click();
  const list = page.getByRole('dialog', { name: 'Keyboard' });
  await expect(list).toBeVisible();
  await check(page);
  // Whoever goes back wants the page, not the list over it.
  await walkTo(page, '/board');
  await expect(list).toHaveCount(0);
});

test('nothing is in the way of anybody: a notice with its way back', async ({ page }) => {
  await addJob(page, 'Put away');
  await openJobs(page);
  await page.setViewportSize(phone);
  await page.getByRole('button', { name: 'More for Put away' }).click();
  await page.getByRole('menuitem', { name: 'Put away' }).click();
  const notice = page.getByRole('alert').filter({ hasText: 'was put away' });
  await expect(notice).toBeVisible();
  const buttons = await notice.getByRole('button').all();
  expect(buttons).toHaveLength(2);
  for (const button of buttons)
    expect((await button.boundingBox())!.height).toBeGreaterThanOrEqual(44);
  await check(page, '[role=alert]');
});

test('what was opened goes by Escape, and whatever opened it has the focus again', async ({
  page,
}) => {
  await openJobs(page);
  const begin = page.getByRole('button', { name: 'New job' });
  await begin.press('Enter');
  const form = page.getByRole('dialog', { name: 'New job' });
  await expect(form.getByLabel('Customer or place')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(form).toHaveCount(0);
  await expect(begin).toBeFocused();

  await walkTo(page, `${await addressOf(page, 'Tamsin Orrell')}/survey?place=at-the-tap`);
  const taken = page.getByTitle('Feed TDS: by whom, when and with what');
  await taken.press('Enter');
  const box = page.getByRole('dialog', { name: 'Feed TDS: by whom, when and with what' });
  await expect(box.getByRole('combobox', { name: 'Taken with' })).toBeFocused();
  await expect(box.getByText('taken by Wren Askeby')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(box).toHaveCount(0);
  await expect(taken).toBeFocused();
  // Whoever goes on past its last button goes on in the page.
  await taken.press('Enter');
  await box.getByRole('button', { name: 'Keep' }).focus();
  await page.keyboard.press('Tab');
  await expect(box).toHaveCount(0);
  await expect(page.getByLabel('Water temperature', { exact: true })).toBeFocused();
});

test('shortcuts of a single key can be turned off, and stay off', async ({ page }) => {
  await openJobs(page);
  await page.keyboard.press('?');
  await page.getByRole('switch').click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('n');
  await page.reload();
  await expect(page.getByRole('list', { name: 'Jobs' })).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Keyboard shortcuts' }).click();
  await page.getByRole('switch').click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('n');
  await expect(page.getByRole('dialog', { name: 'New job' })).toBeVisible();
});

test('a job can be opened, sized and read by keyboard alone', async ({ page }) => {
  await openJobs(page);
  await page.keyboard.press('/');
  await page.keyboard.type('quenby');
  await expect(page.getByRole('list', { name: 'Jobs' }).getByRole('link')).toHaveCount(1);
  // Past which jobs are shown.
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: /system/, level: 2 })).toBeVisible();
  await page.keyboard.press('1');
  await expect(page.getByRole('heading', { name: 'Survey', level: 2 })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('2');
  await page.getByTestId('worst').getByRole('button').focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Ageing is a default.')).toBeVisible();
});

test('no request leaves the machine', async ({ page, baseURL }) => {
  const elsewhere: string[] = [];
  page.on('request', (request) => {
    const { protocol, host } = new URL(request.url());
    const own = host === new URL(baseURL!).host || protocol === 'data:' || protocol === 'blob:';
    if (!own) elsewhere.push(request.url());
  });
  const faults: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error') faults.push(message.text());
  });
  page.on('pageerror', (error) => faults.push(error.message));
  await openJobs(page);
  await page.getByRole('link', { name: /Ilario Quenby/ }).click();
  await expect(page.getByTestId('production')).toBeVisible();
  expect(elsewhere).toEqual([]);
  // Being asked who is there, before signing in, is answered 401 and shown by the browser as an error.
  expect(faults.filter((text) => !text.includes('401'))).toEqual([]);
});

test.describe('signed out', () => {
  test.use({ alone: true });

  test('nothing is in the way of anybody who signs in', async ({ page }) => {
    await page.goto('/sign-in');
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await check(page);
  });

  test('a wrong password is said, a strange address is a page, and signing out closes the door', async ({
    page,
  }) => {
    await page.goto('/sign-in');
    const email = page.getByLabel('E-mail');
    await email.fill('wren');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(email).toHaveAccessibleDescription(/such as name@firm.example/);
    await email.fill('wren@brackenfold.example');
    await expect(email).not.toHaveAttribute('aria-invalid', 'true');
    await page.getByLabel('Password', { exact: true }).fill('not the one');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toContainText('do not belong together');
    await expect(email).toHaveValue('wren@brackenfold.example');
    await page.goto('/jobs/00000000-0000-4000-8000-000000000000/size');
    await expect(page).toHaveURL(/sign-in\?to=/);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: /Nothing is kept/ })).toBeVisible();
    await page.getByRole('link', { name: 'Go to your jobs' }).click();
    await page.getByRole('button', { name: 'Account' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    // Whoever signs in next does not find what somebody else left.
    await expect(page).toHaveURL(/\/sign-in$/);
    await page.goto('/jobs');
    await expect(page).toHaveURL(/sign-in/);
  });
});

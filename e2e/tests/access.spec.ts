import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page, test } from '@playwright/test';
import { signIn } from '../support/job.ts';

/** What axe calls serious or worse, with the element it found it on. */
async function seriousIssues(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .flatMap(({ id, nodes }) => nodes.map((node) => `${id}: ${node.target.join(' ')}`));
}

/** Scrolling sideways on a phone is a fault of layout. */
const overflow = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

type View = [name: string, job: RegExp, stage: string, landmark: string];

const views: View[] = [
  ['a survey', /Hob Farrendale/, 'survey', 'Survey'],
  ['a sizing with a warning', /Ilario Quenby/, 'size', 'Proposed system'],
  ['an agreed system', /Odalys Brightwen/, 'size', 'The agreed system'],
  ['plumbing', /Odalys Brightwen/, 'plumb', 'Plumb'],
  ['flushing', /Per Hathersage-Lunn/, 'flush', 'Flush'],
  ['a failed verification', /Senna Vauclair/, 'verify', 'Verify'],
  ['a certificate', /Dunstan Eskdale-Moor/, 'keep', 'Keep'],
  ['a stage without a system', /Tamsin Orrell/, 'flush', 'Flush'],
];

/** Views of size and plumbing share their frames: each is looked at light at the desk and dark on the phone. */
const deeperViews: View[] = [
  ['days', /Odalys Brightwen/, 'size?view=days', 'The agreed system'],
  ['conditions', /Odalys Brightwen/, 'size?view=conditions', 'The agreed system'],
  ['water and pressure', /Ilario Quenby/, 'size?view=water', 'Proposed system'],
  ['weighing', /Ilario Quenby/, 'size?view=weigh', 'Proposed system'],
  ['comparing', /Ilario Quenby/, 'size?view=compare', 'Proposed system'],
  ['composing', /Ilario Quenby/, 'size?view=compose', 'Proposed system'],
  ['the cabinet', /Odalys Brightwen/, 'plumb?view=fit', 'Plumb'],
  ['connections', /Odalys Brightwen/, 'plumb?view=connections', 'Plumb'],
  ['tubes', /Odalys Brightwen/, 'plumb?view=tubes', 'Plumb'],
  ['parts', /Odalys Brightwen/, 'plumb?view=parts', 'Plumb'],
];

/** Opens one view of one sample job. */
async function open(page: Page, [, job, stage, heading]: View): Promise<void> {
  await page.goto('/jobs');
  const href = await page.getByRole('link', { name: job }).getAttribute('href');
  await page.goto(href!.replace(/\/\w+$/, `/${stage}`));
  await expect(page.getByRole('heading', { name: heading, level: 2 })).toBeVisible();
  if (stage !== 'flush') await expect(page.getByText('Judging')).toHaveCount(0);
}

async function check(page: Page, name: string): Promise<void> {
  await test.step(name, async () => {
    expect.soft(await seriousIssues(page), name).toEqual([]);
    expect.soft(await overflow(page), `${name} scrolls sideways`).toBeLessThanOrEqual(0);
  });
}

for (const [colorScheme, viewport] of [
  ['light', { width: 1280, height: 800 }],
  ['dark', { width: 390, height: 844 }],
] as const) {
  test(`no serious issue on any deeper view, ${colorScheme}, ${viewport.width} wide`, async ({
    page,
  }) => {
    test.setTimeout(300_000);
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    await page.setViewportSize(viewport);
    await signIn(page);
    for (const view of deeperViews) {
      await open(page, view);
      await check(page, view[0]);
    }
    const job = new URL(page.url()).pathname.replace(/\/\w+$/, '');
    await page.goto(`${job}/proposal`);
    await expect(page.getByRole('article', { name: 'Proposal' })).toBeVisible();
    await check(page, 'proposal');
    await page.goto(`${job}/sheet`);
    await expect(page.getByRole('article', { name: 'Job sheet' })).toBeVisible();
    await check(page, 'job sheet');
    await page.goto('/firm');
    await expect(page.getByRole('heading', { name: 'How the firm works' })).toBeVisible();
    await check(page, 'firm');
  });
}

for (const colorScheme of ['light', 'dark'] as const) {
  for (const [size, viewport] of [
    ['desk', { width: 1280, height: 800 }],
    ['phone', { width: 390, height: 844 }],
  ] as const) {
    test(`no serious issue on any screen, ${colorScheme}, ${size}`, async ({ page }) => {
      test.setTimeout(300_000);
      await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
      await page.setViewportSize(viewport);
      await page.goto('/sign-in');
      await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
      await check(page, 'sign in');
      await signIn(page);
      await expect(page.getByRole('list', { name: 'Jobs' })).toBeVisible();
      await check(page, 'jobs');
      for (const view of views) {
        await open(page, view);
        await check(page, view[0]);
      }
      await open(page, ['', /Dunstan Eskdale-Moor/, 'keep', 'Keep']);
      const keep = new URL(page.url()).pathname.replace(/\/\w+$/, '');
      await page.goto(`${keep}/certificate`);
      await expect(page.getByRole('article', { name: 'Certificate' })).toBeVisible();
      await check(page, 'print page');
      await page.goto('/nothing/here');
      await expect(page.getByRole('heading', { name: /Nothing is kept/ })).toBeVisible();
      await check(page, 'missing page');
    });
  }
}

test('a job can be opened, sized and read by keyboard alone', async ({ page }) => {
  await signIn(page);
  await page.keyboard.press('/');
  await page.keyboard.type('quenby');
  await expect(page.getByRole('list', { name: 'Jobs' }).getByRole('link')).toHaveCount(1);
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

test('a wrong password is said, a strange address is a page, and signing out closes the door', async ({
  page,
}) => {
  await page.goto('/sign-in');
  await page.getByLabel('Password', { exact: true }).fill('not the one');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('alert')).toContainText('do not belong together');
  await expect(page.getByLabel('E-mail')).toHaveValue('wren@brackenfold.example');
  await page.goto('/jobs/00000000-0000-4000-8000-000000000000/size');
  await expect(page).toHaveURL(/sign-in\?to=/);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: /Nothing is kept/ })).toBeVisible();
  await page.getByRole('link', { name: 'Go to your jobs' }).click();
  await page.getByRole('button', { name: 'Account' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
  await page.goto('/jobs');
  await expect(page).toHaveURL(/sign-in/);
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
  await signIn(page);
  await page.getByRole('link', { name: /Ilario Quenby/ }).click();
  await expect(page.getByTestId('production')).toBeVisible();
  expect(elsewhere).toEqual([]);
  // Being asked who is there, before signing in, is answered 401 and shown by the browser as an error.
  expect(faults.filter((text) => !text.includes('401'))).toEqual([]);
});

import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page, test } from '../support/app.ts';
import { openJobs } from '../support/job.ts';

const desk = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };
/** The narrowest screen that is served, as WCAG's reflow asks. */
const narrow = { width: 320, height: 700 };

const axeSource = readFileSync(
  createRequire(import.meta.url).resolve('axe-core/axe.min.js'),
  'utf8',
);

/** Rules whose answer hangs on colours, or on what a narrow screen shows and hides. */
const changedByThemeOrSize = [
  'color-contrast',
  'link-in-text-block',
  'target-size',
  'scrollable-region-focusable',
  'aria-hidden-focus',
  'heading-order',
  'button-name',
  'link-name',
];

interface Found {
  violations: { id: string; nodes: { target: unknown[] }[] }[];
  passes: unknown[];
}
declare const axe: { run: (context: Document | Element, options: object) => Promise<Found> };

interface Looked {
  /** Rules that are looked at; all where left out. */
  only?: readonly string[] | undefined;
  /** The part of the page that is looked at; all of it where left out. */
  part?: string | undefined;
}

/** Everything that axe finds wrong, with the element it found it on. */
async function issues(page: Page, { only, part }: Looked): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axeSource);
  const { found, passed } = await page.evaluate(
    async ([rules, selector]) => {
      // Only what is wrong is described in full: describing all that is right takes most of the time.
      const { violations, passes } = await axe.run(
        selector ? document.querySelector(selector)! : document,
        {
          resultTypes: ['violations'],
          ...(rules && { runOnly: { type: 'rule', values: rules } }),
        },
      );
      const lines = violations.flatMap(({ id, nodes }) =>
        nodes.map((node) => `${id}: ${node.target.join(' ')}`),
      );
      return { found: lines, passed: passes.length };
    },
    [only, part] as const,
  );
  // A page that holds nothing yet breaks no rule: one that is ready has much to judge.
  expect(passed, 'axe found hardly anything to look at').toBeGreaterThan(only ? 0 : 10);
  return found;
}

/** Whether everything has come and stands: nothing stands in for what is still to come, nothing changes its colour. */
async function settled(page: Page): Promise<void> {
  await expect(
    page.locator('.mantine-Skeleton-root:visible, .mantine-Loader-root:visible'),
  ).toHaveCount(0);
  await expect(page.getByText('Judging')).toHaveCount(0);
  await page.evaluate(() =>
    Promise.allSettled(document.getAnimations().map(({ finished }) => finished)),
  );
}

/** Scrolling sideways is a fault of layout. */
const overflow = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/**
 * All rules at a desk in the light; on a phone in the dark again those that theme and size can change. No sideways scroll down to the
 * narrowest.
 */
async function check(page: Page, part?: string): Promise<void> {
  for (const [colorScheme, viewport, rules] of [
    ['light', desk, undefined],
    ['dark', phone, changedByThemeOrSize],
  ] as const) {
    await page.setViewportSize(viewport);
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    // The page follows the system's theme a moment later.
    await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', colorScheme);
    await settled(page);
    expect
      .soft(await issues(page, { only: rules, part }), `${colorScheme}, ${viewport.width} wide`)
      .toEqual([]);
  }
  await page.setViewportSize(narrow);
  // What follows its frame's width does so a moment later.
  await expect.poll(() => overflow(page), 'scrolls sideways at 320 px').toBeLessThanOrEqual(0);
}

interface View {
  name: string;
  job: string;
  path: string;
  /** A heading of the view, so that it is the view that is looked at. */
  heading: string | RegExp;
  /** What is opened first: a dialog, a menu, a popover, a fold. */
  open?: (page: Page) => Promise<unknown>;
  /** What is opened, where the rest of the page is looked at as a view of its own. */
  part?: string;
  /** Work is done standing or kneeling here: nothing smaller than a thumb. */
  thumbs?: boolean;
}

const proposed = 'Proposed system';
const agreed = 'The agreed system';
const [ilario, odalys, tamsin] = ['Ilario Quenby', 'Odalys Brightwen', 'Tamsin Orrell'];
const [per, senna] = ['Per Hathersage-Lunn', 'Senna Vauclair'];

const views: View[] = [
  { name: 'survey', job: 'Hob Farrendale', path: 'survey', heading: 'Survey', thumbs: true },
  {
    name: 'survey, demand',
    job: tamsin,
    path: 'survey?place=demand',
    heading: 'Demand',
    thumbs: true,
  },
  {
    name: 'survey, chemistry',
    job: tamsin,
    path: 'survey?place=chemistry',
    heading: 'Chemistry',
    thumbs: true,
  },
  {
    name: 'survey, sink',
    job: per,
    path: 'survey?place=under-the-sink',
    heading: 'Under the sink',
    thumbs: true,
  },
  {
    name: 'survey, photographs',
    job: per,
    path: 'survey?place=photographs',
    heading: 'Photographs',
    thumbs: true,
  },
  {
    name: 'who took a reading',
    job: tamsin,
    path: 'survey?place=at-the-tap',
    heading: 'At the tap',
    open: (page) => page.getByTitle('Feed TDS: by whom, when and with what').click(),
    part: '[role=dialog]',
  },
  { name: 'sizing with a warning', job: ilario, path: 'size', heading: proposed },
  { name: 'agreed system', job: senna, path: 'size', heading: agreed },
  {
    name: 'why a figure is what it is',
    job: ilario,
    path: 'size',
    heading: proposed,
    open: (page) => page.getByRole('button', { name: 'Product TDS' }).click(),
    part: '[role=dialog]',
  },
  {
    name: 'deciding otherwise',
    job: ilario,
    path: 'size',
    heading: proposed,
    open: (page) =>
      page
        .getByTestId('decision-regulator')
        .getByRole('button', { name: 'Decide otherwise' })
        .click(),
    part: '[role=dialog]',
  },
  { name: 'days', job: senna, path: 'size?view=days', heading: agreed },
  { name: 'conditions', job: senna, path: 'size?view=conditions', heading: agreed },
  { name: 'water and pressure', job: ilario, path: 'size?view=water', heading: proposed },
  { name: 'weighing', job: ilario, path: 'size?view=weigh', heading: proposed },
  { name: 'comparing', job: ilario, path: 'size?view=compare', heading: proposed },
  { name: 'composing', job: ilario, path: 'size?view=compose', heading: proposed },
  {
    name: 'waterline with a component picked',
    job: odalys,
    path: 'plumb',
    heading: 'Order of work',
    open: async (page) => {
      await page.getByRole('button', { name: /open the waterline/ }).click();
      await page.getByRole('button', { name: 'Membrane', exact: true }).click();
    },
    part: '[aria-label=Waterline]',
  },
  { name: 'order of work', job: odalys, path: 'plumb', heading: 'Order of work', thumbs: true },
  {
    name: 'changing the order',
    job: odalys,
    path: 'plumb',
    heading: 'Order of work',
    open: (page) => page.getByRole('button', { name: 'Change the order' }).click(),
    part: '[data-next=true]',
    thumbs: true,
  },
  { name: 'the cabinet', job: odalys, path: 'plumb?view=fit', heading: 'Does it fit' },
  { name: 'connections', job: odalys, path: 'plumb?view=connections', heading: 'Drain' },
  { name: 'tubes', job: odalys, path: 'plumb?view=tubes', heading: 'Tubes' },
  { name: 'parts', job: odalys, path: 'plumb?view=parts', heading: 'Parts' },
  { name: 'flushing', job: per, path: 'flush', heading: 'Flush', thumbs: true },
  {
    name: 'the runner',
    job: per,
    path: 'flush?whole',
    heading: /^Tank fill/,
    part: '[role=dialog]',
    open: (page) => page.getByRole('button', { name: 'Drain has stopped by itself' }).click(),
  },
  {
    name: 'what is likely behind a sign',
    job: per,
    path: 'flush?whole',
    heading: /^Tank fill/,
    open: async (page) => {
      await page.getByRole('button', { name: 'Not right' }).click();
      await page.getByRole('button', { name: 'The drain does not stop' }).click();
      await page.getByRole('list', { name: 'Likely causes' }).waitFor();
    },
    part: '[role=dialog]:has([aria-label="Likely causes"])',
  },
  { name: 'the household’s card', job: per, path: 'card', heading: 'For the household' },
  {
    name: 'a failed verification',
    job: senna,
    path: 'verify',
    heading: 'Verify',
    thumbs: true,
  },
  { name: 'keeping', job: 'Dunstan Eskdale-Moor', path: 'keep', heading: 'Keep' },
  {
    name: 'in service',
    job: 'Dunstan Eskdale-Moor',
    path: 'keep?view=service',
    heading: 'The membrane’s trend',
    thumbs: true,
  },
  {
    name: 'a visit',
    job: 'Dunstan Eskdale-Moor',
    path: 'keep?view=service',
    heading: 'The membrane’s trend',
    open: (page) => page.getByRole('button', { name: 'Begin a visit' }).click(),
    part: '[aria-label="This visit"]',
    thumbs: true,
  },
  {
    name: 'a complaint, weighed',
    job: 'Dunstan Eskdale-Moor',
    path: 'keep?view=service',
    heading: 'The membrane’s trend',
    open: async (page) => {
      await page.getByRole('button', { name: 'Begin a visit' }).click();
      const visit = page.getByRole('region', { name: 'This visit' });
      await visit.getByLabel('What for').selectOption('complaint');
      for (const [label, value] of [
        ['Feed TDS', '430 ppm'],
        ['Product TDS', '80 ppm'],
      ]) {
        await visit.getByLabel(label!, { exact: true }).fill(value!);
        await visit.getByLabel(label!, { exact: true }).press('Enter');
      }
      await visit.getByLabel('Taste or smell').check();
      await visit.getByRole('list', { name: 'Likely causes' }).waitFor();
    },
    part: '[aria-label="This visit"]',
    thumbs: true,
  },
  {
    name: 'a change-out on the whole screen',
    job: 'Dunstan Eskdale-Moor',
    path: 'keep?view=service',
    heading: 'The membrane’s trend',
    open: async (page) => {
      await page.getByRole('button', { name: 'Begin a visit' }).click();
      await page.getByRole('button', { name: 'Begin, on the whole screen' }).click();
    },
    part: '[role=dialog]',
  },
  { name: 'a stage without a system', job: tamsin, path: 'flush', heading: 'Flush' },
  { name: 'proposal', job: odalys, path: 'proposal', heading: /reverse osmosis/ },
  { name: 'job sheet', job: odalys, path: 'sheet', heading: /Odalys Brightwen/ },
  {
    name: 'certificate',
    job: 'Dunstan Eskdale-Moor',
    path: 'certificate',
    heading: /dissolved solids held back/,
  },
];

/** Address of a sample job, found by the API. */
async function addressOf(page: Page, job: string): Promise<string> {
  const { jobs } = (await (await page.request.get('/api/jobs')).json()) as {
    jobs: { id: string; name: string }[];
  };
  const found = jobs.find(({ name }) => name === job);
  if (!found) throw new Error(`there is no sample job ${job}`);
  return `/jobs/${found.id}`;
}

/** Goes to another view as a link does: within the page that is open. */
const follow = (page: Page, address: string): Promise<void> =>
  page.evaluate((to) => {
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: {} }));
  }, address);

/** Every view of one job in one page, as a person walks through it. */
for (const job of new Set(views.map((view) => view.job))) {
  test(`nothing is in the way of anybody in the job of ${job}`, async ({ page }) => {
    test.setTimeout(180_000);
    const address = await addressOf(page, job);
    await page.goto(address);
    await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
    for (const view of views.filter((one) => one.job === job)) {
      await test.step(view.name, async () => {
        await page.setViewportSize(desk);
        await follow(page, `${address}/${view.path}`);
        await expect(page.getByRole('heading', { name: view.heading }).first()).toBeAttached();
        await settled(page);
        await view.open?.(page);
        await check(page, view.part);
        if (view.thumbs) {
          await page.setViewportSize(phone);
          expect.soft(await tooSmall(page), 'smaller than a thumb').toEqual([]);
        }
        if (view.open) await page.reload();
      });
    }
  });
}

/**
 * What can be pressed and is smaller than 44 pixels, by what lies under the finger: a point 21 pixels off the middle must still hit it.
 * Links within a sentence are as high as their line.
 */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const all = document.querySelectorAll<HTMLElement>(
      'main :is(a[href], button, input, select, textarea, summary, [role=button], [role=slider])',
    );
    const shown = [...all].filter(
      (it) => it.checkVisibility() && !(it as HTMLInputElement).disabled,
    );
    const inSentence = (it: HTMLElement) =>
      it.tagName === 'A' &&
      /^(P|LI|DIV|SPAN)$/.test(it.parentElement!.tagName) &&
      getComputedStyle(it).display === 'inline';
    const hits = (it: HTMLElement, dx: number, dy: number): boolean => {
      const box = it.getBoundingClientRect();
      const x = Math.min(Math.max(box.left + box.width / 2 + dx, 1), innerWidth - 2);
      const y = box.top + box.height / 2 + dy;
      const under = document.elementFromPoint(x, y);
      const label = (it as HTMLInputElement).labels?.[0];
      return (
        !!under &&
        (it.contains(under) ||
          (under.contains(it) && under.getBoundingClientRect().height < 120) ||
          !!label?.contains(under) ||
          under === label)
      );
    };
    return shown
      .filter((it) => it.getBoundingClientRect().width > 1 && !inSentence(it))
      .filter((it) => {
        it.scrollIntoView({ block: 'center', inline: 'center' });
        return (
          ![
            [0, -21],
            [0, 21],
          ].every(([dx, dy]) => hits(it, dx!, dy!)) ||
          (it.getBoundingClientRect().width < 44 &&
            ![
              [-21, 0],
              [21, 0],
            ].every(([dx, dy]) => hits(it, dx!, dy!)))
        );
      })
      .map(
        (it) =>
          `${it.tagName.toLowerCase()} ${it.getAttribute('aria-label') ?? it.textContent?.trim().slice(0, 40) ?? ''} ${Math.round(it.getBoundingClientRect().width)}x${Math.round(it.getBoundingClientRect().height)}`,
      );
  });

for (const [name, path, heading] of [
  ['the board', '/board', 'Waiting for water'],
  ['the jobs', '/jobs', 'Jobs'],
  ['the firm', '/firm', 'How the firm works'],
  ['the van', '/van', 'What the van holds'],
  ['the instruments', '/instruments', 'Instruments'],
  ['the people', '/people', 'What each part may'],
  ['one’s account', '/account', 'Where you are signed in'],
  ['the diary', '/diary', 'Due for service'],
  ['the diary by place', '/diary?view=place', 'Low Marram'],
  ['all systems', '/diary?view=systems', 'Due for service'],
  ['an address of nothing', '/nothing/here', 'Nothing is kept under this address'],
] as const) {
  test(`nothing is in the way of anybody: ${name}`, async ({ page }) => {
    await page.goto(path);
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
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible();
  await check(page);
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
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    await page.goto('/jobs');
    await expect(page).toHaveURL(/sign-in/);
  });
});

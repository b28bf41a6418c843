import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { jobAddress, signIn, withShownApplication } from './shownApplication.ts';

const root = join(import.meta.dirname, '../..');
const folder = join(root, 'docs/screenshots');

interface View {
  file: string;
  /** Part of a sample customer's name, and the stage; or an address. */
  job?: string;
  path: string;
  phone?: boolean;
  dark?: boolean;
  /** The whole page rather than the window. */
  whole?: boolean;
  before?: (page: Page) => Promise<unknown>;
}

const views: View[] = [
  { file: 'board', path: '/board' },
  { file: 'jobs', path: '/jobs' },
  { file: 'survey', job: 'Tamsin', path: 'survey' },
  { file: 'survey-phone', job: 'Tamsin', path: 'survey', phone: true },
  { file: 'size', job: 'Tamsin', path: 'size', whole: true },
  { file: 'proposal', job: 'Odalys', path: 'proposal', whole: true },
  { file: 'plumb-phone', job: 'Odalys', path: 'plumb', phone: true },
  { file: 'plumb-fit', job: 'Odalys', path: 'plumb?view=fit', whole: true },
  { file: 'plumb-parts', job: 'Odalys', path: 'plumb?view=parts', whole: true },
  { file: 'flush-phone', job: 'Hathersage', path: 'flush?whole', phone: true },
  { file: 'verify', job: 'Senna', path: 'verify', whole: true },
  { file: 'keep', job: 'Dunstan', path: 'keep', whole: true },
  { file: 'service', job: 'Dunstan', path: 'keep?view=service', whole: true },
  { file: 'diary', path: '/diary' },
  { file: 'firm', path: '/firm', whole: true },
  { file: 'instruments', path: '/instruments' },
  {
    file: 'stock',
    path: '/stock/load?days=7',
    before: (page) =>
      page
        .getByRole('checkbox', { name: /agreed installation/ })
        .first()
        .check(),
  },
  { file: 'part', path: '/catalogue/part/heron-2' },
  // Last: the waterline stays open once it was opened.
  {
    file: 'size-dark',
    job: 'Ilario',
    path: 'size',
    dark: true,
    before: (page) => page.getByRole('button', { name: /open the waterline/ }).click(),
  },
];

async function takeView(page: Page, base: string, view: View): Promise<void> {
  const address = view.job ? `${await jobAddress(page, base, view.job)}/${view.path}` : view.path;
  await page.setViewportSize(
    view.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
  );
  await page.emulateMedia({ colorScheme: view.dark ? 'dark' : 'light', reducedMotion: 'reduce' });
  await page.goto(base + address);
  await page.getByRole('heading').first().waitFor();
  await page.waitForFunction(() => !/Judging|Weighing/.test(document.body.innerText));
  await page.waitForTimeout(1200);
  await view.before?.(page);
  // What is opened may have to be fetched first.
  await page.locator('.mantine-Skeleton-root:visible').first().waitFor({ state: 'detached' });
  await page.screenshot({ path: join(folder, `${view.file}.png`), fullPage: view.whole ?? false });
  process.stdout.write(`docs/screenshots/${view.file}.png\n`);
}

/** `npm run screenshots`: one picture of each main view, from the sample data. Options name the views to take; none takes all. */
export async function run(options: string[]): Promise<void> {
  const unknown = options.find((option) => !views.some(({ file }) => file === option));
  if (unknown) throw new Error(`There is no view ${unknown}.`);
  mkdirSync(folder, { recursive: true });
  await withShownApplication(async ({ browser, base }) => {
    const page = await browser.newPage({ locale: 'en-GB' });
    await signIn(page, base);
    for (const view of views) {
      if (options.length === 0 || options.includes(view.file)) await takeView(page, base, view);
    }
  });
}

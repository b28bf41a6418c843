import type { Browser, BrowserContext, CDPSession, Page } from '@playwright/test';
import {
  jobAddress,
  signIn,
  type ShownApplication,
  withShownApplication,
} from './shownApplication.ts';

/** A phone in a basement: a processor four times slower, and a line of 1.6 Mbit/s and 150 ms. */
const slowdown = 4;
const line = { latency: 150, downloadThroughput: 1.6e6 / 8, uploadThroughput: 0.75e6 / 8 };
const runs = 3;

/** What one visit of a page came to. */
interface Visit {
  scriptKb: number;
  contentMs: number;
  blockedMs: number;
  longestTaskMs: number;
  shift: number;
}

interface Place {
  name: string;
  path: string;
  /** Customer of the sample job that is opened. */
  job?: string;
  signedOut?: boolean;
  /** What shows that the page's own matter is there: an element, by what it says where there are several. */
  content: Sign;
}

interface Sign {
  selector: string;
  text?: string;
}

const stage: Sign = { selector: 'h2' };

/** Waits for it frame by frame: whoever asks from outside asks twice a second, and says half a second more. */
const appears = (page: Page, sign: Sign): Promise<unknown> =>
  page.waitForFunction(
    ({ selector, text = '' }) =>
      [...document.querySelectorAll(selector)].some(
        (it) => it.textContent.includes(text) && it.getClientRects().length > 0,
      ),
    sign,
    { polling: 'raf' },
  );

const places: readonly Place[] = [
  {
    name: 'sign-in',
    path: '/sign-in',
    signedOut: true,
    content: { selector: 'button', text: 'Sign in' },
  },
  {
    name: 'jobs',
    path: '/jobs',
    content: { selector: 'a', text: 'Tamsin' },
  },
  { name: 'survey', job: 'Tamsin', path: 'survey', content: stage },
  {
    name: 'size',
    job: 'Tamsin',
    path: 'size',
    content: { selector: '[data-testid=verdict]' },
  },
  {
    name: 'plumb',
    job: 'Odalys',
    path: 'plumb',
    content: { selector: '[aria-label="Order of work"]' },
  },
  { name: 'flush', job: 'Hathersage', path: 'flush', content: stage },
  { name: 'verify', job: 'Senna', path: 'verify', content: stage },
  { name: 'keep', job: 'Dunstan', path: 'keep', content: stage },
];

/** Runs in the page before anything else: counts what the browser reports of itself. */
function observe(): void {
  const seen = { blocked: 0, longest: 0, shift: 0 };
  Object.assign(window, { pagespeed: seen });
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) {
      seen.blocked += duration - 50;
      seen.longest = Math.max(seen.longest, duration);
    }
  }).observe({ type: 'longtask', buffered: true });
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries() as (PerformanceEntry & {
      value: number;
      hadRecentInput: boolean;
    })[])
      if (!entry.hadRecentInput) seen.shift += entry.value;
  }).observe({ type: 'layout-shift', buffered: true });
}

async function throttled(context: BrowserContext): Promise<[Page, CDPSession]> {
  const page = await context.newPage();
  await page.addInitScript(observe);
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', { offline: false, ...line });
  await session.send('Emulation.setCPUThrottlingRate', { rate: slowdown });
  return [page, session];
}

/** Opens an address, waits for its content and three seconds more, for what still runs and moves. */
async function visit(context: BrowserContext, address: string, place: Place): Promise<Visit> {
  const [page, session] = await throttled(context);
  let scriptBytes = 0;
  const scripts = new Set<string>();
  session.on('Network.responseReceived', ({ requestId, type }) => {
    if (type === 'Script') scripts.add(requestId);
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) scriptBytes += encodedDataLength;
  });
  const began = performance.now();
  await page.goto(address, { waitUntil: 'commit' });
  await appears(page, place.content);
  const contentMs = performance.now() - began;
  await page.waitForTimeout(3000);
  const seen = await page.evaluate(
    () =>
      (window as unknown as { pagespeed: { blocked: number; longest: number; shift: number } })
        .pagespeed,
  );
  await page.close();
  return {
    scriptKb: scriptBytes / 1000,
    contentMs,
    blockedMs: seen.blocked,
    longestTaskMs: seen.longest,
    shift: seen.shift,
  };
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** The median of each figure over visits. */
function middle(visits: readonly Visit[]): Visit {
  const of = (key: keyof Visit) => median(visits.map((it) => it[key]));
  return {
    scriptKb: of('scriptKb'),
    contentMs: of('contentMs'),
    blockedMs: of('blockedMs'),
    longestTaskMs: of('longestTaskMs'),
    shift: of('shift'),
  };
}

type State = Awaited<ReturnType<BrowserContext['storageState']>>;
const phone = { viewport: { width: 390, height: 844 }, locale: 'en-GB' };

async function measure({ browser, base }: ShownApplication, state: State, place: Place) {
  const cold: Visit[] = [];
  const warm: Visit[] = [];
  for (let run = 0; run < runs; run += 1) {
    const context = await browser.newContext(
      place.signedOut ? phone : { ...phone, storageState: state },
    );
    const address = place.job ? await addressOf(browser, base, state, place) : base + place.path;
    cold.push(await visit(context, address, place));
    warm.push(await visit(context, address, place));
    await context.close();
  }
  return { cold: middle(cold), warm: middle(warm) };
}

const addresses = new Map<string, string>();

/** Address of a place in a sample job, looked up once, without the slow line. */
async function addressOf(browser: Browser, base: string, state: State, { job, path }: Place) {
  const known = addresses.get(job!);
  if (known) return `${base}${known}/${path}`;
  const page = await browser.newPage({ storageState: state });
  const found = await jobAddress(page, base, job!);
  await page.close();
  addresses.set(job!, found);
  return `${base}${found}/${path}`;
}

/** From the Enter key in a survey field to the waterline that shows the new figures, as the page itself sees it. */
async function enterToWaterline(
  { browser, base }: ShownApplication,
  state: State,
): Promise<number> {
  const times: number[] = [];
  const context = await browser.newContext({ ...phone, storageState: state });
  const survey = places.find(({ name }) => name === 'survey')!;
  const address = await addressOf(browser, base, state, survey);
  const [page] = await throttled(context);
  await page.goto(`${address}?place=tap`);
  await appears(page, survey.content);
  await page.waitForTimeout(4000);
  for (let run = 0; run < runs; run += 1) {
    const input = page.getByLabel('Supply pressure', { exact: true });
    await input.fill(`3.${3 + run}`);
    const elapsed = page.evaluate(
      () =>
        new Promise<number>((resolve) => {
          let pressed = 0;
          addEventListener('keydown', () => (pressed = performance.now()), {
            once: true,
            capture: true,
          });
          const line = document.querySelector('[aria-label="Waterline"]')!;
          const before = line.innerHTML;
          new MutationObserver((_list, observer) => {
            if (line.innerHTML === before) return;
            observer.disconnect();
            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - pressed)));
          }).observe(line, {
            subtree: true,
            childList: true,
            attributes: true,
            characterData: true,
          });
        }),
    );
    await input.press('Enter');
    times.push(await elapsed);
    await page.waitForTimeout(3000);
  }
  await context.close();
  return median(times);
}

/** Share of one core that a page's main thread takes while nobody acts, in percent. */
async function atRest({ browser, base }: ShownApplication, state: State): Promise<number> {
  const context = await browser.newContext({ ...phone, storageState: state });
  const survey = places.find(({ name }) => name === 'survey')!;
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await page.goto(await addressOf(browser, base, state, survey));
  await appears(page, survey.content);
  await page.getByRole('button', { name: /open the waterline/ }).click();
  // Until this week's jobs are kept, which begins after eight seconds.
  await page.waitForTimeout(15_000);
  await session.send('Performance.enable');
  const busy = async () => {
    const { metrics } = await session.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'TaskDuration')!.value;
  };
  const before = await busy();
  await page.waitForTimeout(5000);
  const share = ((await busy()) - before) / 5;
  await context.close();
  return share * 100;
}

const row = (name: string, how: string, it: Visit): string =>
  `| ${name} | ${how} | ${it.scriptKb.toFixed(0)} | ${(it.contentMs / 1000).toFixed(1)} | ` +
  `${(it.blockedMs / 1000).toFixed(2)} | ${it.longestTaskMs.toFixed(0)} | ${it.shift.toFixed(3)} |\n`;

/** `npm run pagespeed`: what a page costs on a slow phone and line, as a table. Options name the pages; none takes all. */
export async function run(options: string[]): Promise<void> {
  const unknown = options.find((option) => !places.some(({ name }) => name === option));
  if (unknown) throw new Error(`There is no page ${unknown}.`);
  await withShownApplication(async (shown) => {
    const page = await shown.browser.newPage();
    await signIn(page, shown.base);
    const state = await page.context().storageState();
    await page.close();
    process.stdout.write(
      '| page | visit | script kB | content s | blocked s | longest task ms | layout shift |\n' +
        '| --- | --- | --: | --: | --: | --: | --: |\n',
    );
    for (const place of places) {
      if (options.length > 0 && !options.includes(place.name)) continue;
      const { cold, warm } = await measure(shown, state, place);
      process.stdout.write(row(place.name, 'first', cold) + row(place.name, 'again', warm));
    }
    if (options.length > 0) return;
    process.stdout.write(
      `\nEnter to the new waterline: ${(await enterToWaterline(shown, state)).toFixed(0)} ms\n` +
        `A page at rest, waterline open: ${(await atRest(shown, state)).toFixed(1)} % of a core\n`,
    );
  });
}

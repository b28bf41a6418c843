import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page } from './app.ts';

export const desk = { width: 1280, height: 800 };
export const phone = { width: 390, height: 844 };
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
  expect(passed, 'axe found hardly anything to look at').toBeGreaterThan(only ? 0 : part ? 5 : 10);
  return found;
}

/** Whether everything has come and stands: nothing stands in for what is still to come, nothing changes its colour. */
export async function settled(page: Page): Promise<void> {
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

/** Choices of which a part of the words is not to be seen. */
const cutChoices = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('[role=radiogroup] > label')]
      .filter((it) => it.checkVisibility() && it.scrollWidth > it.clientWidth)
      .map((it) => it.innerText),
  );

/**
 * All rules at a desk in the light; on a phone in the dark again those that theme and size can change. No word of a choice is cut, and
 * there is no sideways scroll down to the narrowest.
 */
export async function check(page: Page, part?: string): Promise<void> {
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
    expect.soft(await cutChoices(page), `cut, ${viewport.width} wide`).toEqual([]);
  }
  await page.setViewportSize(narrow);
  // What follows its frame's width does so a moment later.
  await expect.poll(() => overflow(page), 'scrolls sideways at 320 px').toBeLessThanOrEqual(0);
}

/**
 * What can be pressed and is smaller than 44 pixels, by what lies under the finger: a point 21 pixels off the middle must still hit it.
 * Links within a sentence are as high as their line.
 */
export const tooSmall = (page: Page): Promise<string[]> =>
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

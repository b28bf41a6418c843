import { setTimeout as pause } from 'node:timers/promises';
import { demoSignIn } from '@katharos/server/demo';
import type { BrowserContext, Locator, Page, Response } from '@playwright/test';

/** A field of the survey that a person enters figures into, and where the document keeps it. */
export interface OwnField {
  label: string;
  place: string;
  path: readonly ['readings' | 'details', string];
  /** Figures that it takes, from one to the next. */
  from: number;
  step: number;
}

/** Everything of the survey that takes a figure and that nothing else contradicts. */
export const ownFields: OwnField[] = [
  { label: 'Feed TDS', place: 'Tap', path: ['readings', 'feedTds'], from: 101, step: 1 },
  { label: 'pH', place: 'Chemistry', path: ['readings', 'pH'], from: 6.5, step: 0.01 },
  { label: 'Alkalinity', place: 'Chemistry', path: ['readings', 'alkalinity'], from: 40, step: 1 },
  { label: 'Iron', place: 'Chemistry', path: ['details', 'iron'], from: 0.1, step: 0.01 },
  { label: 'Manganese', place: 'Chemistry', path: ['details', 'manganese'], from: 0.1, step: 0.01 },
  { label: 'Turbidity', place: 'Chemistry', path: ['details', 'turbidity'], from: 1, step: 0.1 },
  {
    label: 'Cabinet width inside',
    place: 'Sink',
    path: ['details', 'cabinetWidth'],
    from: 40,
    step: 1,
  },
  {
    label: 'Cabinet height inside',
    place: 'Sink',
    path: ['details', 'cabinetHeight'],
    from: 40,
    step: 1,
  },
  {
    label: 'Cabinet depth inside',
    place: 'Sink',
    path: ['details', 'cabinetDepth'],
    from: 40,
    step: 1,
  },
];

/** What people enter at the same time as others: the last one wins, or somebody is asked. */
export const sharedField: OwnField = {
  label: 'Hardness',
  place: 'Chemistry',
  path: ['readings', 'hardness'],
  from: 50,
  step: 1,
};

const patienceMs = 8000;
const timeout = 2000;

/** Where a person works: a browser of theirs, the address of a job, and how one signs in. */
export interface Place {
  context: BrowserContext;
  address: string;
  cookies: () => Promise<{ name: string; value: string; url: string }[]>;
}

/** A deed that undo takes back: how the account follows where it was seen to, and where it was not. */
interface Change {
  takeBack: () => void;
  doubt: () => void;
}

/** One person at one browser, who works on a job and remembers what they did. */
export class Person {
  /** What they entered, by their own account: what stands in a field of theirs is the last. */
  readonly entered = new Map<OwnField, number[]>();
  /** What they tried to enter or to take back since, without seeing what came of it. */
  readonly unsure = new Map<OwnField, (number | undefined)[]>();
  /** How often they began to enter something into a field. */
  private readonly tried = new Map<OwnField, number>();
  /** Steps of the order of work that they ticked. */
  readonly ticked = new Set<string>();
  photographs = 0;
  /** What they did, one thing after the other, as they would tell it. */
  readonly account: string[] = [];
  /** Photographs that they chose without seeing them arrive. */
  unsurePhotographs = 0;
  readonly fields: readonly OwnField[];
  private readonly place: Place;
  /** What the page can still take back, newest last: how the account goes back with it; null for what is not only theirs. */
  private history: (Change | null)[] = [];
  private page!: Page;

  constructor(fields: readonly OwnField[], place: Place) {
    this.fields = fields;
    this.place = place;
  }

  async arrive(): Promise<void> {
    await this.context.addCookies(await this.place.cookies());
    await this.open();
  }

  private get context(): BrowserContext {
    return this.place.context;
  }

  private async open(): Promise<void> {
    this.page = await this.context.newPage();
    this.page.on('response', (response) => this.hear(response));
    this.history = [];
    await this.page
      .goto(`${this.place.address}/survey`, { waitUntil: 'commit' })
      .catch(() => undefined);
    await this.stages.waitFor({ timeout: patienceMs }).catch(() => undefined);
  }

  /** What the server said to signing in, and what it said no to. */
  private hear(response: Response): void {
    const { pathname } = new URL(response.url());
    const method = response.request().method();
    const isSignIn = pathname === '/api/session' && method === 'POST';
    if (!isSignIn && response.status() < 400) return;
    this.tell(`was answered ${response.status()} to ${method} ${pathname}`);
  }

  private get stages(): Locator {
    return this.page.getByRole('navigation', { name: 'Stages' });
  }

  offline = (is: boolean): Promise<void> => {
    this.tell(is ? 'has no line' : 'has a line');
    return this.context.setOffline(is);
  };

  tell(what: string): void {
    this.account.push(`${new Date().toISOString().slice(14, 23)} ${what}`);
  }

  /** The page dies without a word and is opened anew. */
  async killPage(): Promise<void> {
    this.tell('page killed');
    const session = await this.context.newCDPSession(this.page);
    await Promise.race([session.send('Page.crash').catch(() => undefined), pause(500)]);
    await this.page.close().catch(() => undefined);
    await this.open();
  }

  /** Types what is not filled in: where the server could not be asked, the page does not know that it is the demonstration. */
  private async signIn(button: Locator): Promise<void> {
    const password = this.page.getByLabel('Password', { exact: true });
    if ((await password.inputValue({ timeout })) === '') {
      await this.page.getByLabel('E-mail', { exact: true }).fill(demoSignIn.email, { timeout });
      await password.fill(demoSignIn.password, { timeout });
    }
    await button.click({ timeout });
  }

  /** Answers what the page asks: a session that ended, a choice between two values. */
  async answer(): Promise<void> {
    // In place, or on a page of its own where the browser was started again meanwhile.
    const signIn = this.page.getByRole('button', { name: 'Sign in', exact: true });
    const isAsked = () => signIn.isVisible().catch(() => false);
    if (await isAsked()) {
      this.tell('signs in');
      await this.signIn(signIn).catch(() => undefined);
    }
    const mine = this.page.getByRole('button', { name: 'Keep what I entered' });
    if (await mine.isVisible().catch(() => false)) {
      this.tell('keeps their own of two values');
      await mine.click({ timeout: 2000 }).catch(() => undefined);
    }
    // A page that could not be opened while nothing answered.
    if (!(await this.stages.isVisible().catch(() => false)) && !(await isAsked())) {
      this.tell('opens the page again');
      await this.page.close().catch(() => undefined);
      await this.open();
    }
  }

  /** Enters a figure; it counts once the page shows it as entered. */
  async enter(field: OwnField): Promise<void> {
    const entered = this.entered.get(field) ?? [];
    // Never the same twice: what stands there already is no deed, and undo would take back another.
    const tried = (this.tried.get(field) ?? 0) + 1;
    this.tried.set(field, tried);
    const value = Number((field.from + field.step * tried).toFixed(3));
    await this.doing(`enters ${field.label} ${value}`, async () => {
      await this.goToPlace(field.place);
      const input = this.page.getByLabel(field.label, { exact: true });
      await input.waitFor({ timeout });
      // What may have come to stand here without being seen is what undo would bring back.
      const unseen = this.unsure.get(field) ?? [];
      // Typed is as good as entered: what stands half typed is entered when the field is left.
      this.doubt(field, value);
      await input.fill(String(value), { timeout });
      await input.press('Enter', { timeout });
      await this.page.waitForFunction(showsFigure, [field.label, String(value)] as const, {
        timeout,
        polling: 50,
      });
      this.entered.set(field, [...entered, value]);
      this.unsure.delete(field);
      this.history.push(
        field === sharedField
          ? null
          : {
              takeBack: () => {
                this.entered.get(field)!.pop();
                if (unseen.length > 0) this.unsure.set(field, unseen);
              },
              doubt: () => {
                for (const value of [entered.at(-1), ...unseen]) this.doubt(field, value);
              },
            },
      );
    });
  }

  /** Ticks a step of the order of work that is left to this person. */
  async tick(isTheirs: (step: number) => boolean): Promise<void> {
    await this.doing('ticks', async () => {
      await this.goToStage('Plumb');
      const steps = this.page.getByTestId(/^step-/).filter({ visible: true });
      await steps.first().waitFor({ timeout });
      for (let at = 0; at < (await steps.count()); at += 1) {
        const id = (await steps.nth(at).getAttribute('data-testid', { timeout }))!.slice(5);
        if (!isTheirs(at) || this.ticked.has(id)) continue;
        const box = this.page.getByTestId(`step-${id}`).getByRole('checkbox');
        await box.click({ timeout });
        await checked(box).waitFor({ timeout });
        this.ticked.add(id);
        const takeBack = () => this.ticked.delete(id);
        this.history.push({ takeBack, doubt: takeBack });
        return;
      }
    });
  }

  /** Takes the last deed back, where the page still can. */
  async undo(): Promise<void> {
    const last = this.history.at(-1);
    if (!last) return;
    await this.doing('takes back', async () => {
      await this.page
        .getByRole('button', { name: 'Undo' })
        .click({ timeout })
        .catch((error: unknown) => {
          last.doubt();
          throw error;
        });
      // Nothing shows that an undo is kept. The store does one thing after the other: once it answers, it is.
      await this.waiting();
      this.history.pop();
      last.takeBack();
    });
  }

  async photograph(picture: Buffer): Promise<void> {
    await this.doing('photographs', async () => {
      await this.goToPlace('Photographs');
      const panel = this.page.getByRole('region', { name: 'Photographs' });
      const before = await panel.getByRole('listitem').count();
      this.unsurePhotographs += 1;
      await panel
        .getByLabel('Photograph files')
        .setInputFiles({ name: 'p.png', mimeType: 'image/png', buffer: picture }, { timeout });
      await panel.getByRole('listitem').nth(before).waitFor({ timeout });
      this.unsurePhotographs -= 1;
      this.photographs += 1;
      const takeBack = () => {
        this.photographs -= 1;
      };
      const doubt = () => {
        takeBack();
        this.unsurePhotographs += 1;
      };
      this.history.push({ takeBack, doubt });
    });
  }

  private doubt(field: OwnField, value: number | undefined): void {
    this.unsure.set(field, [...(this.unsure.get(field) ?? []), value]);
  }

  /** Does something as far as the page lets them: what did not come to stand there was not done. */
  private async doing(what: string, deed: () => Promise<void>): Promise<void> {
    await this.answer();
    this.tell(what);
    const done = deed().then(() => this.tell('sees it done'));
    await done.catch((error: Error) => {
      this.tell(`does not see it done: ${error.message.split('\n')[0]}`);
      // Whoever does not know what came of it does not know what undo would take back.
      this.history = [];
    });
    // Less than this a person does not take for anything.
    await pause(60);
  }

  private async goToStage(stage: string): Promise<void> {
    await this.stages.getByRole('link', { name: new RegExp(stage) }).click({ timeout });
  }

  private async goToPlace(place: string): Promise<void> {
    const places = this.page.getByRole('navigation', { name: 'Places of the survey' });
    if (!(await places.isVisible())) await this.goToStage('Survey');
    await places.getByRole('link', { name: new RegExp(`^${place}\\b`) }).click({ timeout });
  }

  /** Deeds that this browser still holds; null while it cannot be asked. */
  waiting = (): Promise<number | null> => this.page.evaluate(countDeeds).catch(() => null);

  /** What their page says of itself, for whoever looks for what went wrong. */
  async describe(): Promise<void> {
    const header = await this.page
      .getByRole('banner')
      .innerText({ timeout })
      .catch(() => 'nothing');
    this.tell(`the page says at the end: ${header.replaceAll(/\s+/g, ' ')}`);
    this.tell(`it holds ${await this.waiting()} deeds, at ${this.page.url()}`);
  }

  /** The browser stays, with all that it keeps. */
  leave = (): Promise<void> => this.page.close();
}

const checked = (box: Locator): Locator => box.and(box.page().locator(':checked'));

/** In the page: whether a figure was entered into a field; one that is still being typed only looks like it. */
function showsFigure([label, text]: readonly [string, string]): boolean {
  const labelled = [...document.querySelectorAll('label')].find((one) => one.textContent === label);
  const held = labelled && document.getElementById(labelled.htmlFor);
  if (!(held instanceof HTMLInputElement) || held.dataset.typing !== 'false') return false;
  return held.value === text || held.value.startsWith(`${text} `);
}

/** In the page: how many deeds its store holds. */
const countDeeds = () =>
  new Promise<number>((resolve, reject) => {
    const opening = indexedDB.open('katharos');
    opening.onerror = () => reject(new Error('no store'));
    opening.onsuccess = () => {
      const count = opening.result.transaction('deeds').objectStore('deeds').count();
      count.onsuccess = () => {
        opening.result.close();
        resolve(count.result);
      };
    };
  });

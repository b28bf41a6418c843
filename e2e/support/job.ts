import { fieldWords, type Reader, readerOf, siteQuestionWords } from '@katharos/words';
import {
  briefOf,
  detailFields,
  type DetailKey,
  type JobDocument,
  newJobDocument,
  type QuantityField,
  type Reading,
  starterCatalogue,
  type Survey,
  surveyFields,
} from '@katharos/job';
import {
  parseQuantity,
  recommend,
  type SurveyKey,
  type SystemDesign,
  unitSystems,
} from '@katharos/core';
import { choiceFields } from '../../web/src/job/survey/choiceFields.ts';
import { surveyGroups } from '../../web/src/job/survey/surveyGroups.ts';
import { expect, type Locator, type Page, walkTo } from './app.ts';

/** What a person does with a job, as steps that tests share. */

/** The list of jobs, where everybody begins. */
export async function openJobs(page: Page): Promise<void> {
  await walkTo(page, '/jobs');
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
}

/** Waits until it is this job that is shown, and no longer the one before. */
const stands = (page: Page, name: string): Promise<void> =>
  expect(page.getByRole('heading', { level: 1, name, exact: true })).toBeVisible();

/** A new job, standing in its survey; returns its address without the stage. */
export async function beginJob(page: Page, name: string): Promise<string> {
  const { id } = await addJob(page, name);
  await walkTo(page, `/jobs/${id}/survey`);
  await stands(page, name);
  await expect(page.getByRole('heading', { name: 'Survey', level: 2 })).toBeVisible();
  return `/jobs/${id}`;
}

/** Begins a job as a person does, and stands in its survey; returns its address without the stage. */
export async function beginJobByHand(page: Page, name: string): Promise<string> {
  await openJobs(page);
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Customer or place').fill(name);
  await dialog.getByRole('button', { name: 'Begin the survey' }).click();
  await expect(page.getByRole('heading', { name: 'Survey', level: 2 })).toBeVisible();
  return new URL(page.url()).pathname.replace('/survey', '');
}

/** Short name of the place where each field of the survey stands, by its label. */
const placeOfLabel = new Map(
  surveyGroups.flatMap(({ short, readings, details, questions, choices }) => [
    ...readings.map((key) => [fieldWords[key].label, short] as const),
    ...details.map((key) => [fieldWords[key].label, short] as const),
    ...questions.map((key) => [siteQuestionWords[key].label, short] as const),
    ...choices.map((key) => [choiceFields[key].label, short] as const),
  ]),
);

/** Goes to a place of the survey by its name in the row. */
export async function goTo(page: Page, short: string): Promise<void> {
  const places = page.getByRole('navigation', { name: 'Places of the survey' });
  await places.getByRole('link', { name: new RegExp(`^${short}\\b`) }).click();
}

/** A field by its label; in the survey, after going to where it is asked. */
export async function field(page: Page, label: string): Promise<Locator> {
  const place = placeOfLabel.get(label);
  if (place && /\/survey\b/.test(page.url())) await goTo(page, place);
  return page.getByLabel(label, { exact: true });
}

export async function enter(page: Page, label: string, text: string): Promise<void> {
  const input = await field(page, label);
  await input.fill(text);
  await input.press('Enter');
}

/** Waits until the browser holds the application. */
export const keptForOffline = (page: Page): Promise<void> =>
  expect
    .poll(() =>
      page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.active?.state),
    )
    .toBe('activated');

/** Waits until the server has what is on screen. */
export const saved = (page: Page): Promise<void> =>
  expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

export const stage = (page: Page, name: string): Locator =>
  page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name });

/** One view of the Size stage. */
export const sizeView = (page: Page, name: string): Locator =>
  page.getByRole('radiogroup', { name: 'View of the size' }).getByText(name, { exact: true });

/** One view of the Plumb stage. */
export const plumbView = (page: Page, name: string): Locator =>
  page.getByRole('radiogroup', { name: 'View of the plumbing' }).getByText(name, { exact: true });

/** Opens the waterline, which stays open from then on. */
export async function openWaterline(page: Page): Promise<Locator> {
  const waterline = page.getByRole('region', { name: 'Waterline' });
  await waterline.getByRole('button', { name: /open the waterline/ }).click();
  await expect(waterline.getByRole('group', { name: /from street to glass/ })).toBeVisible();
  return waterline;
}

/** A decision's card; one that merely confirms is a line that is opened first. */
export async function decision(page: Page, topic: string): Promise<Locator> {
  const card = page.getByTestId(`decision-${topic}`);
  await expect(card).toBeVisible();
  const folded = await card.evaluate((it) => it instanceof HTMLDetailsElement && !it.open);
  if (folded) await card.locator('summary').click();
  return card;
}

export type Typed = Partial<Record<SurveyKey, string>>;
export type TypedDetails = Partial<Record<DetailKey, string>>;

export async function takeSurvey(page: Page, typed: Typed): Promise<void> {
  for (const [key, text] of Object.entries(typed)) {
    await enter(page, fieldWords[key as SurveyKey].label, text);
  }
}

/** A reading as it would be stored after somebody typed it into a metric page. */
function read({ dimension }: QuantityField, text: string): Reading {
  const parsed = parseQuantity(text, dimension, unitSystems.metric[dimension]);
  if (!parsed.ok) throw new Error(`${text} is no ${dimension}`);
  return { ...parsed.quantity, takenAt: null, by: null };
}

/** A survey as it would be after this was typed, and the rest answered. */
function surveyOf(typed: Typed, details: TypedDetails = {}, rest: Partial<Survey> = {}): Survey {
  const { survey } = newJobDocument('x');
  for (const [key, text] of Object.entries(typed) as [SurveyKey, string][])
    survey.readings[key] = read(surveyFields[key], text);
  for (const [key, text] of Object.entries(details) as [DetailKey, string][])
    survey.details[key] = read(detailFields[key], text);
  return { ...survey, ...rest };
}

/** Searches that were made, by what was asked: tests ask for the same few waters again and again. */
const searched = new Map<string, ReturnType<typeof search>>();

function search(survey: Survey) {
  const brief = briefOf(survey, starterCatalogue);
  if (!brief.ok) throw new Error(brief.failure.code);
  const recommendation = recommend(brief.value.task);
  if (!recommendation?.best.today || !recommendation.best.worst) throw new Error('no system');
  const { today, worst, design } = recommendation.best;
  return { brief: brief.value, recommendation, design, today, worst };
}

/** What the core says to readings as they were typed, computed here without the browser. */
export function sizedByTheCore(
  typed: Typed,
  rest: Partial<Survey> = {},
  details: TypedDetails = {},
) {
  const survey = surveyOf(typed, details, rest);
  const key = JSON.stringify(survey);
  const found = searched.get(key) ?? search(survey);
  searched.set(key, found);
  return found;
}

interface Seed {
  typed?: Typed;
  details?: TypedDetails;
  rest?: Partial<Survey>;
  /** The system that was chosen: the proposed one, or another. */
  chosen?: boolean | SystemDesign;
  /** Where the page stands afterwards. */
  at: string;
  /** What else was done on it. */
  alter?: (document: JobDocument) => JobDocument;
}

export async function addJob(page: Page, name: string) {
  const made = await page.request.post('/api/jobs', { data: { name } });
  expect(made.status()).toBe(201);
  return (await made.json()) as { id: string; version: number; document: JobDocument };
}

const same = (document: JobDocument): JobDocument => document;

/** A job that is there already, put in by the API where how it came to be is not what is tested. */
export async function seedJob(page: Page, name: string, seed: Seed): Promise<void> {
  const { typed = fair, details = {}, rest = {}, chosen = false, at, alter = same } = seed;
  const job = await addJob(page, name);
  const survey = surveyOf(typed, details, rest);
  const design = chosen === true ? sizedByTheCore(typed, rest, details).design : chosen;
  const chosenAt = new Date().toISOString();
  const document: JobDocument = {
    ...job.document,
    survey,
    system: design ? { design, chosenAt, chosenBy: 'Wren Askeby', agreed: null } : null,
  };
  const put = await page.request.put(`/api/jobs/${job.id}`, {
    data: { version: job.version, document: alter(document) },
  });
  expect(put.status(), await put.text()).toBe(200);
  await walkTo(page, `/jobs/${job.id}/${at}`);
  await stands(page, name);
}

/** A job with the fair survey and more, and the proposed system chosen: it stands at Plumb. */
export async function plumbedJob(
  page: Page,
  name: string,
  details: TypedDetails = {},
  rest: Partial<Survey> = {},
): Promise<void> {
  await seedJob(page, name, { details, rest, chosen: true, at: 'plumb' });
  await expect(page.getByRole('region', { name: 'Order of work' })).toBeVisible();
}

/** A figure as the page writes it: number and unit without a blank between. */
export function written(...given: Parameters<Reader['apart']>): string {
  const { text, symbol } = readerOf().apart(...given);
  return text + symbol;
}

/** A water that most tests begin with. */
export const fair: Typed = { feedTds: '410', temperature: '13', pressure: '4.2', demand: '12' };

/** A cabinet with room enough. */
export const cabinet: TypedDetails = {
  cabinetWidth: '80 cm',
  cabinetHeight: '70 cm',
  cabinetDepth: '50 cm',
};

/** How much of each of these lies beside a phone's screen, px; nothing where all can be seen without moving it. */
export async function besideThePhone(shown: Locator): Promise<number[]> {
  const boxes = await Promise.all((await shown.all()).map((one) => one.boundingBox()));
  expect(boxes.length).toBeGreaterThan(0);
  return boxes.map((box) => Math.max(0, -box!.x, box!.x + box!.width - 390)).filter(Boolean);
}

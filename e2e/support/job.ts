import {
  briefOf,
  newJobDocument,
  type Survey,
  starterCatalogue,
  surveyFields,
} from '@katharos/job';
import { inUnits } from '@katharos/words';
import { parseQuantity, recommend, type SurveyKey, unitSystems } from '@katharos/core';
import { expect, type Locator, type Page } from '@playwright/test';

/** What a person does with a job, as steps that tests share. */

export async function signIn(page: Page): Promise<void> {
  await page.goto('/sign-in');
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { name: 'Jobs', level: 1 })).toBeVisible();
}

/** Begins a job and stands in its survey; returns its address without the stage. */
export async function beginJob(page: Page, name: string): Promise<string> {
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Customer or place').fill(name);
  await dialog.getByRole('button', { name: 'Begin the survey' }).click();
  await expect(page.getByRole('heading', { name: 'Survey', level: 2 })).toBeVisible();
  return new URL(page.url()).pathname.replace('/survey', '');
}

export async function enter(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

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

export type Typed = Partial<Record<SurveyKey, string>>;

export async function takeSurvey(page: Page, typed: Typed): Promise<void> {
  for (const [key, text] of Object.entries(typed)) {
    await enter(page, surveyFields[key as SurveyKey].label, text);
  }
}

/** What the core says to readings as they were typed, computed here without the browser. */
export function sizedByTheCore(typed: Typed, site: Partial<Survey> = {}) {
  const { survey } = newJobDocument('x');
  Object.assign(survey, site);
  for (const [key, text] of Object.entries(typed) as [SurveyKey, string][]) {
    const { dimension } = surveyFields[key];
    const parsed = parseQuantity(text, dimension, unitSystems.metric[dimension]);
    if (!parsed.ok) throw new Error(`${text} is no ${dimension}`);
    survey.readings[key] = { ...parsed.quantity, takenAt: null, by: null };
  }
  const brief = briefOf(survey, starterCatalogue);
  if (!brief.ok) throw new Error(brief.failure.code);
  const recommendation = recommend(brief.value.task);
  if (!recommendation?.best.today || !recommendation.best.worst) throw new Error('no system');
  const { today, worst, design } = recommendation.best;
  return { brief: brief.value, recommendation, design, today, worst };
}

/** A figure as the page writes it: number and unit without a blank between. */
export function written(...given: Parameters<typeof inUnits>): string {
  const { text, symbol } = inUnits(...given);
  return text + symbol;
}

/** A water that most tests begin with. */
export const fair: Typed = { feedTds: '410', temperature: '13', pressure: '4.2', demand: '12' };

/** A cabinet with room enough. */
export const cabinet: [label: string, typed: string][] = [
  ['Cabinet width inside', '80 cm'],
  ['Cabinet height inside', '70 cm'],
  ['Cabinet depth inside', '50 cm'],
];

/** A job with the fair survey and more, and the proposed system chosen: it stands at Plumb. */
export async function plumbedJob(
  page: Page,
  name: string,
  more: typeof cabinet = [],
): Promise<void> {
  await beginJob(page, name);
  await takeSurvey(page, fair);
  for (const [label, typed] of more) await enter(page, label, typed);
  await stage(page, 'Size').click();
  await page.getByRole('button', { name: 'Use this system' }).click();
}

import {
  type Decision,
  decide,
  type FlushStep,
  type JudgedDesign,
  nothingFits,
  type Plumbing,
  recommend,
  type Recommendation,
} from '@katharos/core';
import {
  briefOf,
  flushOf,
  type JobBrief,
  type JobDocument,
  plumbingOf,
  starterCatalogue,
} from '@katharos/job';
import {
  decisionSentence,
  type FlushWords,
  flushWords,
  readerOf,
  waySentence,
  type WorkWords,
  workWords,
} from '@katharos/words';

/** What is proposed for a house, with what is said about it. */
export interface ProposedHouse {
  document: JobDocument;
  brief: JobBrief;
  recommendation: Recommendation;
  /** Nothing of the catalogue fits: then the best only shows why. */
  misfit: boolean;
  best: JudgedDesign;
  decisions: Decision[];
  plumbing: Plumbing;
  /** Null where the system cannot run. */
  flush: FlushStep[] | null;
  sentences: string[];
}

/** Composes the proposal for a house as the page does. Throws on a house whose readings contradict each other: the generator makes none. */
export function proposeFor(document: JobDocument): ProposedHouse {
  const brief = briefOf(document.survey, starterCatalogue);
  if (!brief.ok) throw new Error(`${brief.failure.code} at ${brief.failure.path}`);
  const { task, requirements, facts, settings } = brief.value;
  const recommendation = recommend(task)!;
  const { best, ways } = recommendation;
  const decisions = decide(best, {
    waters: task.waters,
    requirements,
    facts,
    leakStop: settings.leakStop,
    recommendation,
  });
  const plumbing = plumbingOf(document, best.design, brief.value);
  const flush = flushOf(document, best.design, brief.value, plumbing);
  const metric = readerOf({ units: 'metric' });
  const us = readerOf({ units: 'us', currency: 'USD', locale: 'en-US' });
  return {
    document,
    brief: brief.value,
    recommendation,
    misfit: nothingFits(recommendation),
    best,
    decisions,
    plumbing,
    flush: flush.ok ? flush.value : null,
    sentences: [metric, us].flatMap((reader) => [
      ...decisions.map((decision) => decisionSentence(decision, reader)),
      ...ways.map((way) => waySentence(way, reader)),
      ...plumbing.steps.flatMap((step) => texts(workWords(step, reader))),
      ...(flush.ok ? flush.value : []).flatMap((step) => texts(flushWords(step, reader))),
    ]),
  };
}

const texts = (words: Readonly<WorkWords | FlushWords>): string[] =>
  Object.values<string | null>({ ...words }).filter((text) => text !== null);

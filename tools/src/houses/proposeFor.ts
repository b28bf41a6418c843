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
import { householdCardOf, jobSheetOf, proposalOf } from '@katharos/papers';
import {
  briefOf,
  flushOf,
  type JobBrief,
  type JobDocument,
  plumbingOf,
  starterCatalogue,
  usualFirmSettings,
} from '@katharos/job';
import {
  decisionSentence,
  endWords,
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
  /** What the household is handed that tells of drinking: proposal and card. */
  papers: string[];
  /** Proposal, sheet and card as a reader in US units has them. */
  usPapers: string[];
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
    catalogue: task.catalogue,
    branches: task.site.branches,
    recommendation,
  });
  const plumbing = plumbingOf(document, best.design, brief.value);
  const flush = flushOf(document, best.design, brief.value, plumbing);
  const metric = readerOf({ units: 'metric' });
  const papersFor = (units: 'metric' | 'us') =>
    papersOf(document, best, plumbing, flush.ok ? flush.value : [], units);
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
    ...((): Pick<ProposedHouse, 'papers' | 'usPapers'> => {
      const [plain, american] = [papersFor('metric'), papersFor('us')];
      return {
        papers: [plain.proposal, plain.card],
        usPapers: Object.values(american),
      };
    })(),
    sentences: [metric, us].flatMap((reader) => [
      ...decisions.map((decision) => decisionSentence(decision, reader)),
      ...ways.map((way) => waySentence(way, reader)),
      ...plumbing.steps.flatMap((step) => texts(workWords(step, reader))),
      ...(flush.ok ? flush.value : []).flatMap((step) => [
        ...texts(flushWords(step, reader)),
        ...step.ends.map((end) => endWords(end, reader)),
      ]),
    ]),
  };
}

const texts = (words: Readonly<WorkWords | FlushWords>): string[] =>
  Object.values<string | null>({ ...words }).filter((text) => text !== null);

/** The papers of a house as text, in one reader's units. */
function papersOf(
  document: JobDocument,
  best: JudgedDesign,
  plumbing: Plumbing,
  steps: readonly FlushStep[],
  units: 'metric' | 'us',
): { proposal: string; sheet: string; card: string } {
  const firm = { name: 'Fell Water', settings: { ...usualFirmSettings, units } };
  const at = '2026-03-02T09:00:00Z';
  const system = { design: best.design, chosenAt: at, chosenBy: 'Wren', agreed: null };
  const chosen: JobDocument = { ...document, system };
  const proposal = proposalOf({ number: 1, document: chosen, catalogue: starterCatalogue, firm });
  const sheet = jobSheetOf({
    number: 1,
    id: 'a',
    document: chosen,
    firm,
    system: best.design,
    plumbing,
    van: null,
  });
  const card = householdCardOf({
    number: 1,
    document: chosen,
    firm,
    steps,
    now: Date.parse(at),
    timeZone: 'UTC',
  });
  return { proposal: linesOf(proposal), sheet: linesOf(sheet), card: linesOf(card) };
}

/** Every text in a paper's content, a line each; names of parts are theirs, and drawings are looked at elsewhere. */
function linesOf(content: unknown): string {
  if (typeof content === 'string') return content.startsWith('<svg') ? '' : `${content}\n`;
  if (Array.isArray(content)) return content.map(linesOf).join('');
  if (typeof content !== 'object' || content === null) return '';
  return Object.entries(content)
    .filter(([key]) => !['name', 'load', 'takes', 'prices', 'id'].includes(key))
    .map(([, value]) => linesOf(value))
    .join('');
}

import { briefOf, optionsOf, type Survey } from '@katharos/job';
import { useCatalogueQuery } from '../../data/openingApi.ts';
import { useSession } from '../../data/session.ts';
import { remembered } from '../open/remembered.ts';
import { useDocument } from '../open/useJob.ts';
import { isUltravioletLine, overruleDesign, type Part, type Recommendation } from '@katharos/core';
import { SearchContext, type SearchState, SizingContext } from '../open/sizingContext.ts';
import { type Computed, newest, useComputed } from '../../workers/useComputed.ts';
import { type ReactNode, useEffect, useMemo } from 'react';
import { warmWhenTouched } from '../../workers/pool.ts';

/** Quiet time after an edit before the search begins, ms: several readings in a row are one question. */
const searchAfterMs = 150;

type BriefOptions = NonNullable<Parameters<typeof briefOf>[2]>;

const optionsIn = remembered(optionsOf);
const briefBy = remembered(
  (
    survey: Survey,
    catalogue: readonly Part[],
    standards: BriefOptions['standards'],
    overruled: BriefOptions['overruled'],
  ) => briefOf(survey, catalogue, { standards, overruled }),
);
const overruledDesign = remembered(overruleDesign);

/** Searches for a system whenever the survey changes, in a worker, and gives the stages what it found. */
export function SizingProvider({ children }: { children: ReactNode }) {
  const document = useDocument();
  const { data } = useCatalogueQuery();
  const catalogue = data?.parts;
  const session = useSession();
  const standards = session?.firm.settings.standards;
  const overruled = optionsIn(document.size.overruled);
  const brief = catalogue ? briefBy(document.survey, catalogue, standards, overruled) : null;
  useEffect(warmWhenTouched, []);
  const task = brief?.ok ? brief.value.task : null;
  const [found, { cancel, again }] = useComputed('recommend', task, { settleMs: searchAfterMs });
  const search = useSearchState(found);
  const best = search.kind === 'found' ? search.recommendation.best.design : null;
  const proposed =
    best && brief?.ok && catalogue
      ? overruledDesign(best, overruled, brief.value.settings, catalogue)
      : null;
  const installed = document.system?.design ?? null;
  const value = useMemo(() => {
    const ultraviolet = installed && isUltravioletLine(installed) ? installed : null;
    return {
      brief,
      catalogue: catalogue ?? [],
      best,
      design:
        installed && !isUltravioletLine(installed) ? installed : ultraviolet ? null : proposed,
      ultraviolet,
      chosen: installed !== null,
      cancel,
      again,
    };
  }, [brief, catalogue, best, installed, proposed, cancel, again]);
  return (
    <SizingContext value={value}>
      <SearchContext value={search}>{children}</SearchContext>
    </SizingContext>
  );
}

/** What the search says to the stages; an older proposal stays in sight while a new one is looked for. */
function useSearchState(found: Computed<Recommendation | null>): SearchState {
  const { kind } = found;
  const recommendation = newest(found);
  const message = kind === 'failed' ? found.message : null;
  const headway = kind === 'running' ? found.headway : null;
  // The same again as long as it says the same: what is drawn with it is much.
  return useMemo(() => {
    if (kind === 'idle') return { kind };
    if (message !== null) return { kind: 'failed', message };
    if (recommendation) return { kind: 'found', recommendation, isCurrent: kind === 'done' };
    return headway ? { kind: 'searching', headway } : { kind: 'nothing' };
  }, [kind, recommendation, message, headway]);
}

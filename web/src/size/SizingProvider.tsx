import { briefOf, optionsOf } from '@katharos/contract';
import { proxy, type Remote, wrap } from 'comlink';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { useCatalogueQuery, useSessionQuery } from '../app/api.ts';
import { useJob } from '../job/useJob.ts';
import { isUltravioletLine, overruleDesign, type SizingTask } from '@katharos/core';
import { type SearchState, SizingContext } from './sizingContext.ts';
import type { SizingWorker } from './sizing.worker.ts';

/** Searches for a system whenever the survey changes, in a worker, and gives the stages what it found. */
export function SizingProvider({ children }: { children: ReactNode }) {
  const { document } = useJob();
  const { data } = useCatalogueQuery();
  const catalogue = data?.parts;
  const { data: session } = useSessionQuery();
  const standards = session?.firm.settings.standards;
  const overruled = useMemo(() => optionsOf(document.size.overruled), [document.size.overruled]);
  const brief = useMemo(
    () => (catalogue ? briefOf(document.survey, catalogue, { standards, overruled }) : null),
    [document.survey, catalogue, standards, overruled],
  );
  const task = brief?.ok ? brief.value.task : null;
  const { search, cancel, again } = useSearch(task);
  const best = search.kind === 'found' ? search.recommendation.best.design : null;
  const proposed = useMemo(
    () =>
      best && brief?.ok
        ? overruleDesign(best, overruled, brief.value.settings, catalogue ?? [])
        : null,
    [best, brief, overruled, catalogue],
  );
  const installed = document.system?.design ?? null;
  const value = useMemo(() => {
    const ultraviolet = installed && isUltravioletLine(installed) ? installed : null;
    return {
      brief,
      catalogue: catalogue ?? [],
      search,
      best,
      design:
        installed && !isUltravioletLine(installed) ? installed : ultraviolet ? null : proposed,
      ultraviolet,
      chosen: installed !== null,
      cancel,
      again,
    };
  }, [brief, catalogue, search, best, installed, proposed, cancel, again]);
  return <SizingContext value={value}>{children}</SizingContext>;
}

interface RunningWorker {
  worker: Worker;
  remote: Remote<SizingWorker>;
}

function startWorker(): RunningWorker {
  const worker = new Worker(new URL('./sizing.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<SizingWorker>(worker) };
}

/** One search at a time; a new task or a cancel ends the worker that is still at the old one. */
function useSearch(task: SizingTask | null) {
  const [search, setSearch] = useState<SearchState>({ kind: 'idle' });
  const [round, setRound] = useState(0);
  const running = useRef<RunningWorker | null>(null);
  const taskKey = useMemo(() => (task ? JSON.stringify(task) : null), [task]);

  useEffect(() => {
    if (taskKey === null) {
      setSearch({ kind: 'idle' });
      return undefined;
    }
    const mine = startWorker();
    running.current = mine;
    setSearch((before) => (before.kind === 'found' ? before : { kind: 'searching', share: 0 }));
    const onProgress = (share: number) =>
      setSearch((before) => (before.kind === 'found' ? before : { kind: 'searching', share }));
    mine.worker.addEventListener('error', (event) =>
      setSearch({ kind: 'failed', message: event.message }),
    );
    mine.remote
      .recommend(JSON.parse(taskKey) as SizingTask, proxy(onProgress))
      .then((recommendation) => {
        if (running.current !== mine) return;
        setSearch(recommendation ? { kind: 'found', recommendation } : { kind: 'nothing' });
        mine.worker.terminate();
      })
      .catch((error: unknown) => setSearch({ kind: 'failed', message: String(error) }));
    return () => mine.worker.terminate();
  }, [taskKey, round]);

  return useMemo(
    () => ({
      search,
      cancel: () => {
        running.current?.worker.terminate();
        running.current = null;
        setSearch({ kind: 'idle' });
      },
      again: () => setRound((before) => before + 1),
    }),
    [search],
  );
}

import { briefOf } from '@katharos/contract';
import { proxy, type Remote, wrap } from 'comlink';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { useCatalogueQuery } from '../app/api.ts';
import { useJob } from '../job/useJob.ts';
import type { SizingTask } from '@katharos/core';
import { type SearchState, SizingContext } from './sizingContext.ts';
import type { SizingWorker } from './sizing.worker.ts';

/** Searches for a system whenever the survey changes, in a worker, and gives the stages what it found. */
export function SizingProvider({ children }: { children: ReactNode }) {
  const { document } = useJob();
  const { data } = useCatalogueQuery();
  const catalogue = data?.parts;
  const brief = useMemo(
    () => (catalogue ? briefOf(document.survey, catalogue) : null),
    [document.survey, catalogue],
  );
  const task = brief?.ok ? brief.value.task : null;
  const { search, cancel, again } = useSearch(task);
  const proposed = search.kind === 'found' ? search.recommendation.best.design : null;
  const value = useMemo(
    () => ({
      brief,
      catalogue: catalogue ?? [],
      search,
      design: document.system?.design ?? proposed,
      chosen: document.system !== null,
      cancel,
      again,
    }),
    [brief, catalogue, search, document.system, proposed, cancel, again],
  );
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

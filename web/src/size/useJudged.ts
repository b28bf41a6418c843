import type { JudgedDesign } from '@katharos/core';
import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { SizingWorker } from './sizing.worker.ts';

let remote: Remote<SizingWorker> | undefined;

/** One worker for the small questions beside the search. */
function sizingWorker(): Remote<SizingWorker> {
  remote ??= wrap<SizingWorker>(
    new Worker(new URL('./sizing.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}

/**
 * Judges a few designs in the worker; null until the answer is there.
 * @param ask must keep its identity while the question is the same
 */
export function useJudged(
  ask: ((worker: Remote<SizingWorker>) => Promise<JudgedDesign[]>) | null,
): JudgedDesign[] | null {
  const [state, setState] = useState<{ ask: typeof ask; judged: JudgedDesign[] } | null>(null);
  useEffect(() => {
    if (!ask) return undefined;
    let wanted = true;
    void ask(sizingWorker()).then((judged) => {
      if (wanted) setState({ ask, judged });
    });
    return () => {
      wanted = false;
    };
  }, [ask]);
  return state?.ask === ask ? state.judged : null;
}

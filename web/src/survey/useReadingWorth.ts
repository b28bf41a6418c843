import type { OpenQuestion, ReadingWorth } from '@katharos/core';
import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { WorthWorker } from './worth.worker.ts';

/** Quiet time after the last edit before the surveys are tried out, ms: nobody waits for it while typing, and it takes a core. */
const settleMs = 1200;

export interface WorthState {
  worth: ReadingWorth | null;
  /** Share done of the one under way; null when none is. */
  progress: number | null;
}

/** What is still open about a survey; a new question ends the worker that is still at the old one. */
export function useReadingWorth(question: OpenQuestion | null): WorthState {
  const [state, setState] = useState<WorthState>({ worth: null, progress: null });
  const key = question ? JSON.stringify(question) : null;
  useEffect(() => {
    if (key === null) return undefined;
    let worker: Worker | undefined;
    const timer = setTimeout(() => {
      worker = new Worker(new URL('./worth.worker.ts', import.meta.url), { type: 'module' });
      void wrap<WorthWorker>(worker)
        .of(
          JSON.parse(key) as OpenQuestion,
          proxy((progress: number) => setState((before) => ({ ...before, progress }))),
        )
        .then((worth) => {
          setState({ worth, progress: null });
          worker?.terminate();
        });
    }, settleMs);
    return () => {
      clearTimeout(timer);
      worker?.terminate();
    };
  }, [key]);
  return state;
}

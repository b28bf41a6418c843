import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { CabinetWorker, NoFit, NoFitTask } from './cabinet.worker.ts';

let remote: Remote<CabinetWorker> | undefined;

/** One worker serves all; it is started when the first system does not fit. */
function cabinetWorker(): Remote<CabinetWorker> {
  remote ??= wrap<CabinetWorker>(
    new Worker(new URL('./cabinet.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}

/** How much is missing and what could be done; null while that is worked out. @param task of one identity while it is the same */
export function useNoFit(task: NoFitTask): NoFit | null {
  const [answer, setAnswer] = useState<{ task: NoFitTask; found: NoFit } | null>(null);
  useEffect(() => {
    let wanted = true;
    void cabinetWorker()
      .noFit(task)
      .then((found) => {
        if (wanted) setAnswer({ task, found });
      });
    return () => {
      wanted = false;
    };
  }, [task]);
  return answer?.task === task ? answer.found : null;
}

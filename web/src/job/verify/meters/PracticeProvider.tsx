import { testedOf } from '@katharos/job';
import { type ReactNode, useEffect, useMemo } from 'react';
import { useComputed } from '../../../workers/useComputed.ts';
import { useJob } from '../../open/useJob.ts';
import { holdTruths, PractisedContext, usePractice } from './practice.ts';

/** Has the simulated copy of this job's system computed while somebody practises on it. */
export function PracticeProvider({ children }: { children: ReactNode }) {
  const { document, jobId } = useJob();
  const practice = usePractice(jobId);
  const { verify } = document;
  const system = useMemo(() => (practice ? testedOf(document) : undefined), [practice, document]);
  const mended = Object.values(verify.earlier ?? {}).flatMap(({ cause }) => cause ?? []);
  const [state] = useComputed(
    'practise',
    practice && system
      ? {
          system,
          samplePoint: verify.samplePoint ?? 'membrane-outlet',
          practice,
          mended,
        }
      : null,
  );
  const answer = state.kind === 'done' ? state.value : state.before;
  const readings = answer?.ok ? answer.value.readings : undefined;
  useEffect(() => {
    holdTruths(readings);
    return () => holdTruths(undefined);
  }, [readings]);
  const seed = practice?.seed;
  const practised = useMemo(
    () => (readings && seed !== undefined ? { readings, seed } : undefined),
    [readings, seed],
  );
  return <PractisedContext value={practised}>{children}</PractisedContext>;
}

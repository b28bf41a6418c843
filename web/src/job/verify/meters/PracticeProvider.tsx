import type { FeedWater, SystemDesign } from '@katharos/core';
import { testedOf } from '@katharos/job';
import { type ReactNode, useEffect, useMemo } from 'react';
import { useComputed } from '../../../workers/useComputed.ts';
import { useJob } from '../../open/useJob.ts';
import { holdTruths, PractisedContext, usePractice } from './practice.ts';

interface Props {
  design: SystemDesign;
  today: FeedWater | null;
  children: ReactNode;
}

/** Has the simulated copy of this job's system computed while somebody practises on it. */
export function PracticeProvider({ design, today, children }: Props) {
  const { document, jobId } = useJob();
  const practice = usePractice(jobId);
  const { survey, verify } = document;
  const mended = Object.values(verify.earlier ?? {}).flatMap(({ cause }) => cause ?? []);
  const [state] = useComputed(
    'practise',
    practice &&
      today && {
        system: testedOf(survey, design, today),
        samplePoint: verify.samplePoint ?? 'membrane-outlet',
        practice,
        mended,
      },
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

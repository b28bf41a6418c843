import { type Stage, stages } from '@katharos/job';
import { Skeleton } from '@mantine/core';
import { type ComponentType, lazy, Suspense, useEffect } from 'react';
import { TypedScope } from '../../ui/typed/halfTyped.ts';
import { useJobId } from '../open/useJob.ts';
import { loadLateParts } from '../../ui/late.tsx';
import { stageModules } from './stageModules.ts';

const views = Object.fromEntries(
  stages.map((stage) => [stage, lazy(async () => ({ default: await stageModules[stage]() }))]),
) as unknown as Record<Stage, ComponentType>;

/** What stands in for a stage. */
export const StageToCome = () => (
  <Skeleton height="70vh" radius="lg" aria-label="Opening the stage" />
);

/** Quiet time after a stage is there until the others are fetched too, ms. */
const othersAfterMs = 4000;

/** Whether the browser keeps the application for this page: no part of it is missing where there is no line. */
const isKept = (): boolean =>
  'serviceWorker' in navigator && navigator.serviceWorker.controller !== null;

/**
 * The stage that is worked in. Once it stands, what it left for later is fetched, then the others and what they left, so that none is missing where there is no
 * line; a page for which the browser keeps them all leaves them where they are, for what is fetched so is also run, a second's work on a slow phone.
 */
export function StageView({ stage }: { stage: Stage }) {
  const View = views[stage];
  const jobId = useJobId();
  useEffect(() => {
    if (isKept()) return undefined;
    const timer = setTimeout(() => {
      void loadLateParts()
        .then(() => Promise.allSettled(stages.map((other) => stageModules[other]())))
        .then(loadLateParts);
    }, othersAfterMs);
    return () => clearTimeout(timer);
  }, []);
  return (
    <Suspense fallback={<StageToCome />}>
      <TypedScope value={`${jobId}:${stage}`}>
        <View />
      </TypedScope>
    </Suspense>
  );
}

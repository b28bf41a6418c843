import type { Cabinet } from '@katharos/core';
import { useJob } from '../../open/useJob.ts';

type Remote = NonNullable<ReturnType<typeof useJob>['document']['plumb']['remote']>;

/** Where unit and tank stand, each change one step that undo takes back. */
export function usePlaces() {
  const { document, edit } = useJob();
  const { remote, nextCupboard } = document.plumb;
  return {
    remote: remote ?? null,
    nextCupboard: nextCupboard ?? null,
    setRemote: (next: Remote | null) =>
      edit(({ plumb: { remote: _old, ...plumb } }) => ({
        plumb: next ? { ...plumb, remote: next } : plumb,
      })),
    setNextCupboard: (next: Cabinet | null) =>
      edit(({ plumb: { nextCupboard: _old, ...plumb } }) => ({
        plumb: next ? { ...plumb, nextCupboard: next } : plumb,
      })),
  };
}

/** A cupboard as they usually are, until it is measured: as high and deep as the one beside it. Width in m, a default. */
export const usualCupboard = (cabinet: Cabinet | null): Cabinet => ({
  width: 0.4,
  height: cabinet?.height ?? 0.65,
  depth: cabinet?.depth ?? 0.5,
});

/** A cellar below a kitchen, until the way is measured. Defaults. */
export const usualRemote: Remote = { through: 'floor', lengthM: 5, riseM: 2.8 };

import type { InstalledSystem, WaterlineNode } from '@katharos/core';
import { useDocument } from '../open/useJob.ts';
import { usePlumbing } from '../open/usePlumbing.ts';
import { useSizing } from '../open/sizingContext.ts';
import { pipesOf } from './layout.ts';
import { lineTubes, type StretchTubes } from './lineTubes.ts';
import { useMemo } from 'react';

/** The job's tubes on its line; none for a line without components. */
export function useLineTubes(
  nodes: readonly WaterlineNode[],
  design: InstalledSystem,
): StretchTubes[] {
  const document = useDocument();
  const { brief } = useSizing();
  const plumbing = usePlumbing(design, nodes.length > 0 && brief?.ok ? brief.value : null);
  return useMemo(() => {
    if (!plumbing) return [];
    const done = document.plumb.done ?? {};
    const laid = new Set(
      plumbing.steps
        .filter(({ id, mark }) => id.startsWith('tube:') && done[id]?.mark === mark)
        .map(({ id }) => id.slice('tube:'.length)),
    );
    return lineTubes(plumbing.tubes, pipesOf(nodes), laid);
  }, [plumbing, nodes, document]);
}

import type { Plumbing } from '@katharos/core';
import { CuttingPanel } from './CuttingPanel.tsx';
import { TubeTable } from './TubeTable.tsx';

/** Every tube with its length, and what they are cut from. */
export const TubesPanel = ({ tubes }: Pick<Plumbing, 'tubes'>) => (
  <>
    <TubeTable tubes={tubes} />
    <CuttingPanel tubes={tubes} />
  </>
);

import type { JobBrief } from '@katharos/job';
import type { Outcome, Part, Recommendation, SystemDesign, UltravioletLine } from '@katharos/core';
import { createContext, useContext } from 'react';
import type { Headway } from '../../workers/headway.ts';

/** Where the search for a system stands. */
export type SearchState =
  | { kind: 'idle' }
  | { kind: 'searching'; headway: Headway }
  /** `isCurrent` says whether it was found for the survey as it is, or for an earlier one. */
  | { kind: 'found'; recommendation: Recommendation; isCurrent: boolean }
  | { kind: 'nothing' }
  | { kind: 'failed'; message: string };

export interface Sizing {
  brief: Outcome<JobBrief> | null;
  catalogue: readonly Part[];
  /** What the search likes best, before anybody decided otherwise. */
  best: SystemDesign | null;
  /** The chosen system, else the one proposed; null while there is neither, or where a line without a membrane was chosen. */
  design: SystemDesign | null;
  /** The chosen line without a membrane. */
  ultraviolet: UltravioletLine | null;
  chosen: boolean;
  cancel: () => void;
  again: () => void;
}

export const SizingContext = createContext<Sizing | null>(null);

/** Apart from the rest: it changes while one looks, and few want to know. */
export const SearchContext = createContext<SearchState>({ kind: 'idle' });
export const useSearch = (): SearchState => useContext(SearchContext);

export function useSizing(): Sizing {
  const sizing = useContext(SizingContext);
  if (!sizing) throw new Error('useSizing is for the stages of an open job');
  return sizing;
}

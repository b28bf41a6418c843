import type { PaperKind } from '@katharos/contract';
import { useCallback } from 'react';
import { useReader } from '../ui/useReader.ts';
import { keep } from '../data/line/keep.ts';

/** The calendar that the person stands in: the house's. */
export const timeZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

interface Issuing {
  reason?: string;
  regardless?: boolean;
  /** Of which visit a service report is. */
  visit?: string;
}

/** A way to make a record of a paper of a job as it stands; kept here first, like everything that is done. */
export function useIssue(jobId: string) {
  const { units } = useReader();
  return useCallback(
    (paper: PaperKind, { reason = '', regardless = false, visit }: Issuing = {}): Promise<void> =>
      keep(jobId, {
        kind: 'paper',
        paper,
        units,
        timeZone: timeZone(),
        reason,
        regardless,
        ...(visit ? { visit } : {}),
      }),
    [jobId, units],
  );
}

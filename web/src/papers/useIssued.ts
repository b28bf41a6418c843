import type { IssuedPaper, PaperKind, PaperRecord } from '@katharos/contract';
import { usePaperQuery, usePapersQuery } from '../data/jobApi.ts';

const none: readonly PaperRecord[] = [];

/** The versions of a paper that were issued, the newest first, and one of them with what stands on it. */
export function useIssued(jobId: string, kind: PaperKind, version?: number) {
  const { data, isLoading } = usePapersQuery(jobId);
  const records = data?.papers.filter((paper) => paper.kind === kind) ?? none;
  const record = records.find((one) => version === undefined || one.version === version) ?? null;
  const {
    data: paper,
    error,
    refetch,
  } = usePaperQuery({ jobId, id: record?.id ?? '' }, { skip: record === null });
  const shown: IssuedPaper | null = paper && paper.id === record?.id ? paper : null;
  return { records, record, paper: shown, isLoading, error: shown ? undefined : error, refetch };
}

import type { PaperKind } from '@katharos/contract';
import { useSearchParams } from 'react-router';
import { useIssued } from './useIssued.ts';

/** The version of a paper that the address asks for: `?draft`, `?version=2`, or the newest that was issued. */
export function useVersion(jobId: string, kind: PaperKind) {
  const [params] = useSearchParams();
  const wanted = Number(params.get('version')) || undefined;
  const { record, paper, isLoading } = useIssued(jobId, kind, wanted);
  return params.has('draft')
    ? { record: null, paper: null, isLoading: false }
    : { record, paper, isLoading };
}

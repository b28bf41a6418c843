import type { Session } from '@katharos/contract';
import { examinationOf, type JobDocument } from '@katharos/job';
import { type Certificate, certificateOf } from '@katharos/papers';
import { useMemo } from 'react';
import { useComputed } from '../workers/useComputed.ts';

interface Draft {
  /** Nothing while something for it is missing, or is still being weighed. */
  certificate: Certificate | undefined;
  weighing: boolean;
}

/** The certificate as it would be now: what is behind its readings is weighed in a worker. */
export function useDraftCertificate(
  { number, document }: { number: number; document: JobDocument },
  firm: Session['firm'] | undefined,
): Draft {
  const examination = useMemo(
    () => examinationOf(document, firm?.settings) ?? null,
    [document, firm?.settings],
  );
  const [state] = useComputed('examine', examination);
  const weighing = examination !== null && state.kind !== 'done' && state.kind !== 'failed';
  const diagnosis = (state.kind === 'done' && state.value?.diagnosis) || null;
  const certificate = useMemo(
    () => (firm && !weighing ? certificateOf({ number, document, firm, diagnosis }) : undefined),
    [number, document, firm, diagnosis, weighing],
  );
  return { certificate, weighing };
}

import type { Photograph } from '@katharos/contract';
import { photographSubjects } from '@katharos/job';
import { photographWords } from '@katharos/words';

export const photographAddress = (jobId: string, id: string): string =>
  `/api/jobs/${jobId}/photographs/${id}`;

/** Pictures that are truly read; a phone that keeps others turns them into one of these when it is asked for them. */
export const photographKinds = 'image/jpeg,image/png,image/webp';

export const nameOf = ({ about, caption }: Photograph): string => caption || photographWords[about];

export const subjects = photographSubjects.map((value) => ({
  value,
  label: photographWords[value],
}));

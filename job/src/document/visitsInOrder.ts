import type { JobDocument } from './job.ts';
import type { ServiceVisitRecord } from './serviceRecord.ts';

/** Visits in the order of their days. */
export const visitsInOrder = ({
  service,
}: Pick<JobDocument, 'service'>): [string, ServiceVisitRecord][] =>
  Object.entries(service?.visits ?? {}).sort(([, a], [, b]) => a.at.localeCompare(b.at));

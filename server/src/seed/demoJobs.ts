import type { JobDocument } from '@katharos/job';
import composed from './demoJobs.json' with { type: 'json' };

/** A sample job with the moment it was last touched. */
export interface DemoJob {
  document: JobDocument;
  updatedAt: Date;
}

/** When the committed sample jobs were composed for. */
export const composedFor = new Date('2026-03-01T09:00:00.000Z');

const instant = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}\.\d{3}Z$/;

/** A document with every moment in it moved on. */
const moved = <T>(value: T, ms: number): T =>
  JSON.parse(JSON.stringify(value), (_key, one: unknown) =>
    typeof one === 'string' && instant.test(one)
      ? new Date(Date.parse(one) + ms).toISOString()
      : one,
  ) as T;

/** The sample jobs, oldest first, as if they had been worked on in the days before now. `npm run samples` composes them anew. */
export function demoJobs(now: Date): DemoJob[] {
  const ms = now.getTime() - composedFor.getTime();
  return composed.map(({ document, updatedAt }) => ({
    // The committed file is held to the schema, and to what the core composes, by a test.
    document: moved(document, ms) as unknown as JobDocument,
    updatedAt: new Date(Date.parse(updatedAt) + ms),
  }));
}

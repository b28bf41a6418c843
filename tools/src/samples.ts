import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { composeDemoJobs, composedFor } from '@katharos/server/demo';

/** `npm run samples`: composes the sample jobs anew, after a change of the core or of the samples that a test has found. */
writeFileSync(
  join(import.meta.dirname, '../../server/src/seed/demoJobs.json'),
  `${JSON.stringify(composeDemoJobs(composedFor), null, 1)}\n`,
);

import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { jobFileJsonSchema } from '@katharos/job';

/** `npm run schema`: writes the job file's JSON Schema as it is published; a test holds the two to each other. */
writeFileSync(
  join(import.meta.dirname, '../../docs/job-file.schema.json'),
  `${JSON.stringify(jobFileJsonSchema(), null, 2)}\n`,
);

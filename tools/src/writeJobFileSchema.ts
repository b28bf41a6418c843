import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { jobDocumentSchema, jobFileJsonSchema, writtenPlaceOf } from '@katharos/job';

const root = join(import.meta.dirname, '../..');
const json = (value: object) => JSON.stringify(value, null, 2);

/**
 * `npm run schema`: writes what follows from a document's schema as those read it who have none: the job file's JSON Schema as it is
 * published, and the places by which edits are told and brought together. Tests hold both to the schema.
 */
writeFileSync(join(root, 'docs/job-file.schema.json'), `${json(jobFileJsonSchema())}\n`);
writeFileSync(
  join(root, 'job/src/document/documentPlaces.ts'),
  `import type { WrittenPlace } from './writtenPlace.ts';

/** Written by \`npm run schema\` from the document's schema; nobody changes it by hand. */
export const documentPlaces: WrittenPlace = ${json(writtenPlaceOf(jobDocumentSchema))};
`,
);

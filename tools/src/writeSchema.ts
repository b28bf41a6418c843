import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { jobDocumentSchema, jobFileJsonSchema, writtenPlaceOf } from '@katharos/job';

const root = join(import.meta.dirname, '../..');
type Written = ReturnType<typeof writtenPlaceOf>;

/** A place as code, every place that occurs again under a name of its own before it. */
function placesAsCode(whole: Written): string {
  const insideOf = ({ fields = [], each }: Written): Written[] => [
    ...fields.map(({ place }) => place),
    ...(each ? [each] : []),
  ];
  const times = new Map<string, number>();
  const count = (place: Written): void => {
    const key = JSON.stringify(place);
    times.set(key, (times.get(key) ?? 0) + 1);
    insideOf(place).forEach(count);
  };
  count(whole);
  const names = new Map<string, string>();
  const lines: string[] = [];
  const write = (place: Written): string => {
    const key = JSON.stringify(place);
    const known = names.get(key);
    if (known) return known;
    const { fields, each, ...rest } = place;
    const parts = [
      ...Object.keys(rest).map((name) => `${name}: true`),
      ...(each ? [`each: ${write(each)}`] : []),
      ...(fields
        ? [
            `fields: [${fields.map((one) => `{ of: words('${one.of.join(' ')}'), place: ${write(one.place)} }`).join(',')}]`,
          ]
        : []),
    ];
    const code = `{ ${parts.join(', ')} }`;
    if (times.get(key) === 1) return code;
    const name = `place${names.size + 1}`;
    names.set(key, name);
    lines.push(`const ${name}: WrittenPlace = ${code};`);
    return name;
  };
  const document = write(whole);
  return [...lines, `export const documentPlaces: WrittenPlace = ${document};`].join('\n');
}

/**
 * `npm run schema`: writes what follows from a document's schema as those read it who have none: the job file's JSON Schema as it is
 * published, and the places by which edits are told and brought together. Tests hold both to the schema.
 */
writeFileSync(
  join(root, 'docs/job-file.schema.json'),
  `${JSON.stringify(jobFileJsonSchema(), null, 2)}\n`,
);
writeFileSync(
  join(root, 'job/src/document/documentPlaces.ts'),
  `import type { WrittenPlace } from './writtenPlace.ts';

/** Written by \`npm run schema\` from the document's schema; nobody changes it by hand. */

const words = (text: string): string[] => text.split(' ');

${placesAsCode(writtenPlaceOf(jobDocumentSchema))}
`,
);

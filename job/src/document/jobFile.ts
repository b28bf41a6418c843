import { z } from 'zod';
import { fault } from '../fields/schemaFault.ts';
import { type FiledPhotograph, filedPhotographSchema, photographLimits } from './photographs.ts';
import { type JobDocument, jobDocumentSchema } from './job.ts';
import { upgradeDocument1, upgradeDocument2, upgradeDocument3 } from './upgrade.ts';

/** Version of the file that is written. A change that older readers would not understand raises it and adds an upgrade below. */
export const jobFileVersion = 4;

/** A job as a file: all of it, readable without this program. Published as docs/job-file.schema.json. */
export const jobFileSchema = z.strictObject({
  format: z.literal('katharos-job', fault('no-job-file')),
  version: z.literal(jobFileVersion),
  /** Number of the job where it was written; a reader gives its own. */
  number: z.int().min(1),
  exportedAt: z.iso.datetime(),
  document: jobDocumentSchema,
  photographs: z.array(filedPhotographSchema).max(photographLimits.perJob),
});
export type JobFile = z.infer<typeof jobFileSchema>;

export const jobFileOf = (
  job: { number: number; document: JobDocument },
  photographs: FiledPhotograph[],
  at: Date,
): JobFile => ({
  format: 'katharos-job',
  version: jobFileVersion,
  number: job.number,
  exportedAt: at.toISOString(),
  document: job.document,
  photographs,
});

/** What brings each older version to the next, by that version. */
const upgrades: Readonly<Record<number, (file: Record<string, unknown>) => object>> = {
  1: (file) => ({
    photographs: [],
    ...file,
    version: 2,
    document: upgradeDocument1(file.document),
  }),
  2: (file) => ({ ...file, version: 3, document: upgradeDocument2(file.document) }),
  3: (file) => ({ ...file, version: 4, document: upgradeDocument3(file.document) }),
};

/**
 * A file of any version up to this one, brought to this one; anything else is returned as it came, for the schema to refuse.
 * A file of a later version gets a sentence of its own.
 */
export function upgradeJobFile(input: unknown): { file: unknown } | { tooNew: number } {
  let file = input;
  for (;;) {
    const { version } = (file ?? {}) as { version?: unknown };
    if (typeof version !== 'number') return { file };
    if (version > jobFileVersion) return { tooNew: version };
    const upgrade = upgrades[version];
    if (!upgrade) return { file };
    file = upgrade(file as Record<string, unknown>);
  }
}

/** The file's JSON Schema, as published. */
export const jobFileJsonSchema = (): object => ({
  title: 'Katharos job file',
  description:
    'One installation of a reverse osmosis system, from survey to certificate, in the units in which it was entered.',
  ...z.toJSONSchema(jobFileSchema, { io: 'input' }),
});

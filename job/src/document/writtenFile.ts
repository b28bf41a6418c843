import type { JobDocument } from './job.ts';
import type { JobFile } from './jobFile.ts';
import { jobFileVersion } from './jobFileVersion.ts';
import type { FiledPhotograph } from './photographs.ts';
import { upgradeDocument1, upgradeDocument2, upgradeDocument3 } from './upgrade.ts';

/** A job as it is written into a file. */
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

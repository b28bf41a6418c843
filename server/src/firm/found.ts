import type { Found } from '@katharos/core';
import { isPractice, type JobDocument } from '@katharos/job';
import { literal } from 'sequelize';
import { JobRow } from '../db/models.ts';

/** Newest jobs that are looked at: what a firm found years ago says little of its parts of today. */
const most = 1000;

/**
 * What the firm's verifications ended with, by its certificates: each mend that led to one counts for its fault, one without a mend as sound.
 * Practice counts for nothing.
 */
export async function foundBy(firmId: string): Promise<Found> {
  const rows = await JobRow.findAll({
    where: {
      firmId,
      removedAt: null,
      finished: true,
    },
    attributes: [
      [
        // A system that another firm handed over says nothing of this one's.
        literal(
          "case when jsonb_typeof(document #> '{keep,issued}') = 'object' then document->'verify' end",
        ),
        'verify',
      ],
    ],
    order: [['updatedAt', 'DESC']],
    limit: most,
  });
  const found: Found = {};
  for (const row of rows) {
    const verify = row.get('verify') as JobDocument['verify'] | null;
    if (!verify || isPractice(verify)) continue;
    const mended = Object.values(verify.earlier ?? {}).flatMap(({ cause, also }) => [
      ...(cause ? [cause] : []),
      ...(also ? [also] : []),
    ]);
    for (const fault of mended.length > 0 ? mended : (['healthy'] as const))
      found[fault] = (found[fault] ?? 0) + 1;
  }
  return found;
}

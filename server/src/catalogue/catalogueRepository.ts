import type { Part } from '@katharos/core';
import { PartRow } from '../db/models.ts';

/** A firm's parts in the order of its catalogue. */
export async function firmParts(firmId: string): Promise<Part[]> {
  const rows = await PartRow.findAll({ where: { firmId }, order: [['position', 'ASC']] });
  return rows.map((row) => row.part);
}

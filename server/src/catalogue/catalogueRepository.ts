import type { CataloguePart, NewPrice } from '@katharos/contract';
import type { Part } from '@katharos/core';
import { heldIds } from '@katharos/job';
import { checkPart, mayHold } from '@katharos/words';
import type { Transaction } from 'sequelize';
import { PartPriceRow, PartRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';

/** A firm's parts that are in use, in the order of its catalogue. */
export async function firmParts(firmId: string): Promise<Part[]> {
  const rows = await PartRow.findAll({
    where: { firmId, retiredAt: null },
    order: [['position', 'ASC']],
  });
  return rows.map((row) => row.part);
}

/** All parts of a firm, retired ones too. */
export async function wholeCatalogue(firmId: string): Promise<CataloguePart[]> {
  const rows = await PartRow.findAll({ where: { firmId }, order: [['position', 'ASC']] });
  return rows.map(({ part, version, retiredAt }) => ({
    part,
    version,
    retiredAt: retiredAt?.toISOString() ?? null,
  }));
}

export interface PartChange {
  part: unknown;
  version: number | null;
}

/** What came of changes, for the log. */
export interface ChangedPart {
  before: Part | null;
  part: Part;
}

/**
 * Changes parts, all or none. Each is held against what a part must be, against the core, and against the catalogue as it is with all
 * of the changes. Errors: 'invalid-input' with the part and its field; 'part-changed' where somebody was there first.
 */
export async function changeParts(
  firmId: string,
  changes: readonly PartChange[],
  transaction: Transaction,
): Promise<ChangedPart[]> {
  const rows = await PartRow.findAll({
    where: { firmId },
    order: [['partId', 'ASC']],
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  const byId = new Map(rows.map((row) => [row.partId, row]));
  const sentIds = changes.map(({ part }) => String((part as { id?: unknown } | null)?.id));
  const inUse = rows.filter(({ retiredAt }) => retiredAt === null).map(({ partId }) => partId);
  const available = new Set([...inUse, ...sentIds]);
  let position = Math.max(-1, ...rows.map((row) => row.position));
  const changed: ChangedPart[] = [];
  const seen = new Set<string>();
  for (const [i, { part: candidate, version }] of changes.entries()) {
    const row = byId.get(sentIds[i]!);
    const checked = checkPart(candidate, mayHold(available, row?.part));
    if (!checked.ok) {
      const [{ path, sentence } = { path: '', sentence: '' }] = checked.faults;
      throw new ApiError('invalid-input', {
        path: `changes.${i}.part.${path}`,
        message: `${sentenceName(candidate)}${sentence}`,
      });
    }
    const { part } = checked;
    const isStale = (row?.version ?? null) !== version;
    if (isStale || seen.has(part.id) || (row && row.part.kind !== part.kind)) {
      throw new ApiError('part-changed', { path: `changes.${i}` });
    }
    seen.add(part.id);
    changed.push({ before: row?.part ?? null, part });
    if (row) await row.update({ part, version: row.version + 1 }, { transaction });
    else {
      position += 1;
      await PartRow.create({ firmId, partId: part.id, position, part }, { transaction });
    }
  }
  return changed;
}

const sentenceName = (candidate: unknown): string => {
  const name = (candidate as { name?: unknown } | null)?.name;
  return typeof name === 'string' && name ? `${name}: ` : '';
};

/** Takes a part out of what is proposed, or back; returns it as it is. Errors: 'part-held' where one in use holds it. */
export async function retirePart(
  firmId: string,
  partId: string,
  retiredAt: Date | null,
  transaction: Transaction,
): Promise<Part> {
  const lock = transaction.LOCK.UPDATE;
  const order: [string, string][] = [['partId', 'ASC']];
  const rows = await PartRow.findAll({ where: { firmId }, order, lock, transaction });
  const row = rows.find((one) => one.partId === partId);
  if (!row) throw new ApiError('not-found');
  const inUse = new Set(rows.filter((one) => !one.retiredAt).map((one) => one.partId));
  const holder = rows.find(
    (one) => one.retiredAt === null && one.partId !== partId && heldIds(one.part).includes(partId),
  );
  if (retiredAt && holder) {
    throw new ApiError('part-held', {
      message: `${holder.part.name} holds this part. Change or retire that first.`,
    });
  }
  const missing = retiredAt ? undefined : heldIds(row.part).find((id) => !inUse.has(id));
  if (missing !== undefined) {
    const name = rows.find((one) => one.partId === missing)?.part.name ?? missing;
    throw new ApiError('part-held', {
      message: `It holds ${name}, which is retired. Take that back first.`,
    });
  }
  await row.update({ retiredAt }, { transaction });
  return row.part;
}

export const findPart = async (firmId: string, partId: string): Promise<Part | undefined> =>
  (await PartRow.findOne({ where: { firmId, partId } }))?.part;

/** What suppliers asked for a part, the newest first. */
export async function pricesOf(firmId: string, partId: string) {
  const rows = await PartPriceRow.findAll({
    where: { firmId, partId },
    order: [
      ['since', 'DESC'],
      ['supplier', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return rows.map(({ id, supplier, since, price }) => ({ id, supplier, since, price }));
}

export const notePrice = async (
  firmId: string,
  partId: string,
  price: NewPrice,
  transaction: Transaction,
): Promise<void> => {
  await PartPriceRow.create({ firmId, partId, ...price }, { transaction });
};

export async function dropPrice(
  firmId: string,
  partId: string,
  id: string,
  transaction: Transaction,
): Promise<void> {
  if ((await PartPriceRow.destroy({ where: { firmId, partId, id }, transaction })) === 0)
    throw new ApiError('not-found');
}

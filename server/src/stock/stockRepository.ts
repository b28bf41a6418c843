import { sumByPart, type Taking, type Van, type VanLine } from '@katharos/core';
import type { Transaction } from 'sequelize';
import { StockPlaceRow, StockRow, VanTakingRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';
import { vanFor } from './placeRepository.ts';

const plain = ({ jobId, lines, takenAt, takenBy }: VanTakingRow): Taking => ({
  jobId,
  lines,
  takenAt: takenAt.toISOString(),
  takenBy,
});

/** The van that somebody loads from, with what it holds, and what was taken for jobs out of any. @param userId null for nobody's */
export async function findVan(firmId: string, userId: string | null): Promise<Van> {
  const placeId = await vanFor(firmId, userId);
  const [stock, takings] = await Promise.all([
    StockRow.findAll({ where: { firmId, placeId }, order: [['partId', 'ASC']] }),
    VanTakingRow.findAll({ where: { firmId }, order: [['takenAt', 'DESC']] }),
  ]);
  return {
    stock: stock.map(({ partId, quantity }) => ({ partId, quantity })),
    takings: takings.map(plain),
  };
}

/** Of a part at a place. */
export interface StockKey {
  firmId: string;
  placeId: string;
  partId: string;
}

/** Sets what a place holds of a part. */
export async function setStock(
  key: StockKey,
  quantity: number,
  transaction: Transaction,
): Promise<void> {
  await StockRow.bulkCreate([{ ...key, quantity }], {
    transaction,
    updateOnDuplicate: ['quantity'],
  });
}

/** Sets what a place should never hold less of. */
export async function setMinimum(
  key: StockKey,
  minimum: number,
  transaction: Transaction,
): Promise<void> {
  const row = { ...key, quantity: 0, minimum };
  await StockRow.bulkCreate([row], { transaction, updateOnDuplicate: ['minimum'] });
}

export const findTaking = async (
  firmId: string,
  jobId: string,
  transaction: Transaction,
): Promise<VanTakingRow | null> =>
  VanTakingRow.findOne({ where: { firmId, jobId }, transaction, lock: transaction.LOCK.UPDATE });

/**
 * Takes out of a place what it holds of the wanted parts, and returns that. Rows are locked in the order of their parts, so that two
 * people who load at once wait for each other.
 */
export async function takeFromStock(
  firmId: string,
  placeId: string,
  wanted: readonly VanLine[],
  transaction: Transaction,
): Promise<VanLine[]> {
  const sums = sumByPart(wanted);
  const rows = await StockRow.findAll({
    where: { firmId, placeId, partId: [...sums.keys()] },
    order: [['partId', 'ASC']],
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  const taken: VanLine[] = [];
  for (const row of rows) {
    const quantity = Math.min(row.quantity, sums.get(row.partId)!);
    if (quantity <= 0) continue;
    await row.update({ quantity: row.quantity - quantity }, { transaction });
    taken.push({ partId: row.partId, quantity });
  }
  return taken;
}

/** Puts parts into a place, in the order of the parts, which is the order of every lock. */
async function putInto(
  firmId: string,
  placeId: string,
  lines: readonly VanLine[],
  transaction: Transaction,
): Promise<void> {
  for (const { partId, quantity } of [...lines].sort((a, b) => (a.partId < b.partId ? -1 : 1))) {
    await StockRow.findOrCreate({
      where: { firmId, placeId, partId },
      defaults: { firmId, placeId, partId, quantity: 0 },
      transaction,
    });
    await StockRow.increment({ quantity }, { where: { firmId, placeId, partId }, transaction });
  }
}

/**
 * Takes parts from one place to another, all that was asked for or nothing. Errors: 'not-enough' where the place holds less.
 * @param move between places that the transaction holds; no part twice
 */
export async function moveStock(
  firmId: string,
  { from, to, lines }: { from: string; to: string; lines: readonly VanLine[] },
  transaction: Transaction,
): Promise<void> {
  const taken = await takeFromStock(firmId, from, lines, transaction);
  const got = new Map(taken.map(({ partId, quantity }) => [partId, quantity]));
  const short = lines.findIndex(({ partId, quantity }) => (got.get(partId) ?? 0) < quantity);
  if (short >= 0) throw new ApiError('not-enough', { path: `lines.${short}.quantity` });
  await putInto(firmId, to, taken, transaction);
}

export async function recordTaking(
  taking: Taking,
  firmId: string,
  placeId: string,
  transaction: Transaction,
): Promise<void> {
  await VanTakingRow.create(
    { ...taking, firmId, placeId, takenAt: new Date(taking.takenAt) },
    { transaction },
  );
}

/** Puts what a job took back where it came from, or into the first van where that is gone, and forgets the taking. */
export async function putBack(
  firmId: string,
  taking: VanTakingRow,
  transaction: Transaction,
): Promise<void> {
  const { placeId } = taking;
  const isThere = await StockPlaceRow.count({ where: { firmId, id: placeId }, transaction });
  const into = isThere ? placeId : await vanFor(firmId, null);
  await putInto(firmId, into, taking.lines, transaction);
  await taking.destroy({ transaction });
}

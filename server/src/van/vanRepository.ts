import type { Taking, Van, VanLine } from '@katharos/core';
import { VanStockRow, VanTakingRow } from '../db/models.ts';
import type { Transaction } from 'sequelize';

const plain = ({ jobId, lines, takenAt, takenBy }: VanTakingRow): Taking => ({
  jobId,
  lines,
  takenAt: takenAt.toISOString(),
  takenBy,
});

/** A firm's van: what it holds, and what was taken out of it. */
export async function findVan(firmId: string): Promise<Van> {
  const stock = await VanStockRow.findAll({ where: { firmId }, order: [['partId', 'ASC']] });
  const takings = await VanTakingRow.findAll({ where: { firmId }, order: [['takenAt', 'DESC']] });
  return {
    stock: stock.map(({ partId, quantity }) => ({ partId, quantity })),
    takings: takings.map(plain),
  };
}

/** Sets what the van holds of a part. */
export async function setStock(
  firmId: string,
  { partId, quantity }: VanLine,
  transaction: Transaction,
): Promise<void> {
  await VanStockRow.upsert({ firmId, partId, quantity }, { transaction });
}

export const findTaking = async (
  firmId: string,
  jobId: string,
  transaction: Transaction,
): Promise<VanTakingRow | null> =>
  VanTakingRow.findOne({ where: { firmId, jobId }, transaction, lock: transaction.LOCK.UPDATE });

/**
 * Takes out of the van what it holds of the wanted parts, and returns that. Rows are locked in the order of their parts, so that two
 * people who load at once wait for each other.
 */
export async function takeFromStock(
  firmId: string,
  wanted: readonly VanLine[],
  transaction: Transaction,
): Promise<VanLine[]> {
  const sums = new Map<string, number>();
  for (const { partId, quantity } of wanted) sums.set(partId, (sums.get(partId) ?? 0) + quantity);
  const rows = await VanStockRow.findAll({
    where: { firmId, partId: [...sums.keys()] },
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

export async function recordTaking(taking: Taking, firmId: string, transaction: Transaction) {
  await VanTakingRow.create(
    { ...taking, firmId, takenAt: new Date(taking.takenAt) },
    { transaction },
  );
}

/** Puts what a job took back and forgets the taking. */
export async function putBack(
  firmId: string,
  taking: VanTakingRow,
  transaction: Transaction,
): Promise<void> {
  const lines = [...taking.lines].sort((a, b) => a.partId.localeCompare(b.partId));
  for (const { partId, quantity } of lines) {
    await VanStockRow.increment({ quantity }, { where: { firmId, partId }, transaction });
  }
  await taking.destroy({ transaction });
}

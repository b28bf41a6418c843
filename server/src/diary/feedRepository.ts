import type { Transaction } from 'sequelize';
import { FeedRow, FirmRow } from '../db/models.ts';
import { hashToken, newToken } from '../sealing/token.ts';

/** When a person's feed was made; null where there is none. */
export async function feedOf(firmId: string, userId: string): Promise<Date | null> {
  const row = await FeedRow.findOne({ where: { firmId, userId } });
  return row?.madeAt ?? null;
}

/** Makes a person's feed anew and returns its token, which is nowhere kept: the address of before ends. */
export async function makeFeed(
  firmId: string,
  userId: string,
  now: Date,
  transaction: Transaction,
): Promise<string> {
  const token = newToken();
  await FeedRow.upsert(
    { firmId, userId, tokenHash: hashToken(token), madeAt: now },
    { transaction },
  );
  return token;
}

export async function endFeed(
  firmId: string,
  userId: string,
  transaction: Transaction,
): Promise<void> {
  await FeedRow.destroy({ where: { firmId, userId }, transaction });
}

/** Whose feed a token is; it is the one query that no firm scopes, as signing in is. */
export async function findFeed(token: string) {
  const row = await FeedRow.findOne({ where: { tokenHash: hashToken(token) } });
  const firm = row && (await FirmRow.findByPk(row.firmId));
  return row && firm ? { userId: row.userId, firm } : undefined;
}

import { Op, type Transaction } from 'sequelize';
import { PasswordResetRow, SessionRow, UserRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';
import { hashToken, newToken } from '../sealing/token.ts';

/** Minutes for which a link is good. */
export const resetMinutes = 60;

/** Makes a link's token, which is nowhere kept; the one before is good no more. */
export async function makeReset(
  firmId: string,
  userId: string,
  now: Date,
  transaction: Transaction,
): Promise<string> {
  await PasswordResetRow.destroy({ where: { firmId, userId }, transaction });
  const token = newToken();
  const expiresAt = new Date(now.getTime() + resetMinutes * 60_000);
  await PasswordResetRow.create(
    { firmId, userId, tokenHash: hashToken(token), expiresAt },
    { transaction },
  );
  return token;
}

const good = (token: string, now: Date) => ({
  tokenHash: hashToken(token),
  expiresAt: { [Op.gt]: now },
});

/** Whose link it is; like signing in, it is asked before any firm is known. */
export async function findReset(token: string, now: Date): Promise<UserRow | undefined> {
  const row = await PasswordResetRow.findOne({ where: good(token, now) });
  const user =
    row &&
    (await UserRow.findOne({ where: { firmId: row.firmId, id: row.userId, removedAt: null } }));
  return user ?? undefined;
}

/** Sets the password by a link, once, and ends every session. The second factor stays. */
export async function takeReset(
  token: string,
  passwordHash: string,
  now: Date,
  transaction: Transaction,
): Promise<UserRow> {
  const row = await PasswordResetRow.findOne({
    where: good(token, now),
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  const where = row && { firmId: row.firmId, id: row.userId, removedAt: null };
  const user = where && (await UserRow.findOne({ where, transaction }));
  if (!row || !user) throw new ApiError('not-found');
  await row.destroy({ transaction });
  await user.update({ passwordHash }, { transaction });
  await SessionRow.destroy({
    where: { firmId: user.firmId, userId: user.id },
    transaction,
  });
  return user;
}

import { createHash, randomBytes } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import { FirmRow, SessionRow, UserRow } from '../db/models.ts';
import type { Session } from '@katharos/contract';

/** Days that a sign-in lasts without being used. */
export const sessionDays = 30;

/** Days after which even a session in use ends. */
const oldestDays = 180;
/** How exactly it is known when a session was used last, ms. */
const seenEveryMs = 5 * 60_000;

/** Only the hash of a token is stored: who reads the table cannot sign in with it. */
const hashToken = (token: string): string => createHash('sha256').update(token).digest('base64url');

const expiry = (now: Date): Date => new Date(now.getTime() + sessionDays * 86400e3);

export interface UserForSignIn {
  id: string;
  firmId: string;
  passwordHash: string;
}

/** A person by e-mail, for signing in only: this is the one query that no firm scopes. */
export async function findUserByEmail(email: string): Promise<UserForSignIn | undefined> {
  const row = await UserRow.findOne({
    where: { email: email.trim().toLowerCase(), removedAt: null },
  });
  return row ? { id: row.id, firmId: row.firmId, passwordHash: row.passwordHash } : undefined;
}

/** Opens a session and returns its token, which is nowhere kept. Sessions past their time are swept on the way. */
export async function openSession(user: UserForSignIn, device: string, now: Date): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await SessionRow.destroy({ where: { expiresAt: { [Op.lt]: now } } });
  await SessionRow.create({
    tokenHash: hashToken(token),
    firmId: user.firmId,
    userId: user.id,
    expiresAt: expiry(now),
    openedAt: now,
    seenAt: now,
    device: device.slice(0, 300),
  });
  return token;
}

/** The session of a token, if it is still good, and whether it was prolonged just now. */
export async function findSession(
  token: string,
  now: Date,
): Promise<{ session: Session; prolonged: boolean } | undefined> {
  const row = await SessionRow.findOne({
    where: {
      tokenHash: hashToken(token),
      expiresAt: { [Op.gt]: now },
      // Used every day or not: after this it is signed in anew.
      openedAt: { [Op.gt]: new Date(now.getTime() - oldestDays * 86400e3) },
    },
  });
  if (!row) return undefined;
  const [user, firm] = await Promise.all([
    UserRow.findOne({ where: { id: row.userId, firmId: row.firmId, removedAt: null } }),
    FirmRow.findByPk(row.firmId),
  ]);
  if (!user || !firm) return undefined;
  // A session in use is prolonged, once a day at the most.
  const prolonged = row.expiresAt.getTime() < expiry(now).getTime() - 86400e3;
  if (prolonged) await row.update({ expiresAt: expiry(now) });
  if (now.getTime() - row.seenAt.getTime() > seenEveryMs) await row.update({ seenAt: now });
  return {
    session: {
      user: { id: user.id, name: user.name, email: user.email, role: user.role },
      firm: { id: firm.id, name: firm.name, settings: firm.settings },
    },
    prolonged,
  };
}

export async function closeSession(token: string): Promise<void> {
  await SessionRow.destroy({ where: { tokenHash: hashToken(token) } });
}

/** Where a person is signed in, the newest first. */
export async function sessionsOf(
  { firmId, userId }: { firmId: string; userId: string },
  token: string,
  now: Date,
) {
  const rows = await SessionRow.findAll({
    where: { firmId, userId, expiresAt: { [Op.gt]: now } },
    order: [['seenAt', 'DESC']],
  });
  const own = hashToken(token);
  return rows.map(({ id, device, openedAt, seenAt, tokenHash }) => ({
    id,
    device,
    openedAt: openedAt.toISOString(),
    seenAt: seenAt.toISOString(),
    own: tokenHash === own,
  }));
}

/** Ends one of a person's sessions, or all but the one that asks. */
export async function endSessions(
  { firmId, userId }: { firmId: string; userId: string },
  which: { id: string } | { allBut: string },
  transaction: Transaction,
): Promise<boolean> {
  const where = { firmId, userId };
  const ended = await SessionRow.destroy({
    where:
      'id' in which
        ? { ...where, id: which.id }
        : { ...where, tokenHash: { [Op.ne]: hashToken(which.allBut) } },
    transaction,
  });
  return ended > 0;
}

export async function findHash(firmId: string, userId: string): Promise<string> {
  const row = await UserRow.findOne({ where: { firmId, id: userId }, rejectOnEmpty: true });
  return row.passwordHash;
}

export async function setHash(
  firmId: string,
  userId: string,
  hash: string,
  transaction: Transaction,
): Promise<void> {
  await UserRow.update({ passwordHash: hash }, { where: { firmId, id: userId }, transaction });
}

import { createHash, randomBytes } from 'node:crypto';
import { Op } from 'sequelize';
import { FirmRow, SessionRow, UserRow } from '../db/models.ts';
import type { Session } from '@katharos/contract';

/** Days that a sign-in lasts without being used. */
export const sessionDays = 30;

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
  const row = await UserRow.findOne({ where: { email: email.trim().toLowerCase() } });
  return row ? { id: row.id, firmId: row.firmId, passwordHash: row.passwordHash } : undefined;
}

/** Opens a session and returns its token, which is nowhere kept. Sessions past their time are swept on the way. */
export async function openSession(user: UserForSignIn, now: Date): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await SessionRow.destroy({ where: { expiresAt: { [Op.lt]: now } } });
  await SessionRow.create({
    tokenHash: hashToken(token),
    firmId: user.firmId,
    userId: user.id,
    expiresAt: expiry(now),
  });
  return token;
}

/** The session of a token, if it is still good, and whether it was prolonged just now. */
export async function findSession(
  token: string,
  now: Date,
): Promise<{ session: Session; prolonged: boolean } | undefined> {
  const row = await SessionRow.findOne({
    where: { tokenHash: hashToken(token), expiresAt: { [Op.gt]: now } },
  });
  if (!row) return undefined;
  const [user, firm] = await Promise.all([
    UserRow.findOne({ where: { id: row.userId, firmId: row.firmId } }),
    FirmRow.findByPk(row.firmId),
  ]);
  if (!user || !firm) return undefined;
  // A session in use is prolonged, once a day at the most.
  const prolonged = row.expiresAt.getTime() < expiry(now).getTime() - 86400e3;
  if (prolonged) await row.update({ expiresAt: expiry(now) });
  return {
    session: {
      user: { id: user.id, name: user.name, email: user.email },
      firm: { id: firm.id, name: firm.name, settings: firm.settings },
    },
    prolonged,
  };
}

export async function closeSession(token: string): Promise<void> {
  await SessionRow.destroy({ where: { tokenHash: hashToken(token) } });
}

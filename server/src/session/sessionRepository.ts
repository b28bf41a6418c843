import type { Role, Session } from '@katharos/contract';
import type { FirmSettings } from '@katharos/job';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { SessionRow, UserRow } from '../db/models.ts';
import { hashToken, newToken } from '../sealing/token.ts';

/** Days that a sign-in lasts without being used. */
export const sessionDays = 30;

/** Days after which even a session in use ends. */
const oldestDays = 180;
/** How exactly it is known when a session was used last, ms. */
const seenEveryMs = 5 * 60_000;

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
export async function openSession(
  user: Pick<UserForSignIn, 'id' | 'firmId'>,
  device: string,
  now: Date,
): Promise<string> {
  const token = newToken();
  await SessionRow.destroy({ where: { expiresAt: { [Op.lt]: now } } });
  await SessionRow.create({
    tokenHash: hashToken(token),
    firmId: user.firmId,
    userId: user.id,
    expiresAt: expiry(now),
    openedAt: now,
    seenAt: now,
    provedAt: now,
    device: device.slice(0, 300),
  });
  return token;
}

/** The session of a token, if it is still good, and whether it was prolonged just now. */
export async function findSession(
  token: string,
  now: Date,
): Promise<{ session: Session; prolonged: boolean; provedAt: Date } | undefined> {
  const sequelize = SessionRow.sequelize!;
  // Asked with every request, so all of it at once.
  const [row] = await sequelize.query<SessionFound>(
    `select users.id as "userId", users.name, users.email, users.role, firms.id as "firmId", firms.name as firm, firms.settings,
       expires_at as "expiresAt", seen_at as "seenAt", proved_at as "provedAt"
     from sessions join users on users.firm_id = sessions.firm_id and users.id = sessions.user_id
       join firms on firms.id = sessions.firm_id
     where token_hash = :tokenHash and expires_at > :now and opened_at > :oldest and removed_at is null and not let_go`,
    {
      replacements: {
        tokenHash: hashToken(token),
        now,
        // Used every day or not: after this it is signed in anew.
        oldest: new Date(now.getTime() - oldestDays * 86400e3),
      },
      type: QueryTypes.SELECT,
    },
  );
  if (!row) return undefined;
  const { userId, firmId } = row;
  // A session in use is prolonged, once a day at the most.
  const prolonged = row.expiresAt.getTime() < expiry(now).getTime() - 86400e3;
  const isSeen = now.getTime() - row.seenAt.getTime() > seenEveryMs;
  if (prolonged || isSeen) {
    await SessionRow.update(
      { ...(prolonged ? { expiresAt: expiry(now) } : {}), ...(isSeen ? { seenAt: now } : {}) },
      { where: { firmId, tokenHash: hashToken(token) } },
    );
  }
  return {
    session: {
      user: { id: userId, name: row.name, email: row.email, role: row.role },
      firm: { id: firmId, name: row.firm, settings: row.settings },
    },
    prolonged,
    provedAt: row.provedAt,
  };
}

interface SessionFound {
  userId: string;
  name: string;
  email: string;
  role: Role;
  firmId: string;
  firm: string;
  settings: FirmSettings;
  expiresAt: Date;
  seenAt: Date;
  provedAt: Date;
}

/** Notes that a session's person gave the password once more. */
export async function noteProof(firmId: string, token: string, now: Date): Promise<void> {
  await SessionRow.update({ provedAt: now }, { where: { firmId, tokenHash: hashToken(token) } });
}

/** Whether a token was of somebody who is gone. */
export const isLetGo = async (token: string): Promise<boolean> =>
  (await SessionRow.count({ where: { tokenHash: hashToken(token), letGo: true } })) > 0;

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

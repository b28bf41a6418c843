import type { Person, Role } from '@katharos/contract';
import { Op, type Transaction } from 'sequelize';
import { FirmRow, InvitationRow, PasskeyRow, SessionRow, UserRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';
import type { UserForSignIn } from '../session/sessionRepository.ts';
import { freeVanOf } from '../stock/placeRepository.ts';
import { hashToken, newToken } from '../sealing/token.ts';

/** Days for which a link of an invitation can be used. */
const invitationDays = 7;

export async function peopleOf(firmId: string): Promise<Person[]> {
  const rows = await UserRow.findAll({
    where: { firmId, removedAt: null },
    order: [
      ['name', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  return rows.map(({ id, name, email, role }) => ({ id, name, email, role }));
}

export async function invitationsOf(firmId: string, now: Date) {
  const rows = await InvitationRow.findAll({
    where: { firmId, expiresAt: { [Op.gt]: now } },
    order: [['madeAt', 'DESC']],
  });
  return rows.map(({ id, name, role, expiresAt }) => ({
    id,
    name,
    role,
    expiresAt: expiresAt.toISOString(),
  }));
}

/** Makes an invitation and returns its token, which is nowhere kept. */
export async function invite(
  firmId: string,
  { name, role, by }: { name: string; role: Role; by: string },
  now: Date,
  transaction: Transaction,
): Promise<string> {
  const token = newToken();
  await InvitationRow.create(
    {
      firmId,
      tokenHash: hashToken(token),
      name,
      role,
      madeBy: by,
      madeAt: now,
      expiresAt: new Date(now.getTime() + invitationDays * 86400e3),
    },
    { transaction },
  );
  return token;
}

/** Takes an invitation back; returns whose it was. */
export async function withdraw(
  firmId: string,
  id: string,
  transaction: Transaction,
): Promise<string | undefined> {
  const row = await InvitationRow.findOne({ where: { firmId, id }, transaction });
  await row?.destroy({ transaction });
  return row?.name;
}

/** An invitation that can still be used; like signing in, it is asked before any firm is known. */
export async function findInvitation(token: string, now: Date) {
  const row = await InvitationRow.findOne({
    where: { tokenHash: hashToken(token), expiresAt: { [Op.gt]: now } },
  });
  const firm = row && (await FirmRow.findByPk(row.firmId));
  return row && firm ? { row, firm } : undefined;
}

/** Makes a person of an invitation, once: who comes second with the same link finds it used. */
export async function join(
  token: string,
  person: { name: string; email: string; passwordHash: string },
  now: Date,
  transaction: Transaction,
): Promise<UserForSignIn> {
  const row = await InvitationRow.findOne({
    where: { tokenHash: hashToken(token), expiresAt: { [Op.gt]: now } },
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  if (!row) throw new ApiError('not-found');
  const email = person.email.trim().toLowerCase();
  if (await UserRow.count({ where: { email }, transaction }))
    throw new ApiError('email-taken', { path: 'email' });
  const { firmId, role } = row;
  await row.destroy({ transaction });
  const user = await UserRow.create({ ...person, email, firmId, role }, { transaction });
  return { id: user.id, firmId, passwordHash: user.passwordHash };
}

/** Locks a firm's owners, so that two who go at once do not leave it without one. */
async function refuseWithoutOwner(
  firmId: string,
  id: string,
  transaction: Transaction,
): Promise<void> {
  const owners = await UserRow.findAll({
    where: { firmId, role: 'owner', removedAt: null },
    order: [['id', 'ASC']],
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  if (owners.length === 1 && owners[0]!.id === id) throw new ApiError('last-owner');
}

export const findPerson = async (
  firmId: string,
  id: string,
  transaction: Transaction,
): Promise<UserRow> => {
  const row = await UserRow.findOne({ where: { firmId, id, removedAt: null }, transaction });
  if (!row) throw new ApiError('not-found');
  return row;
};

/** Gives somebody another part; returns who it is and which they had. */
export async function changeRole(
  firmId: string,
  id: string,
  role: Role,
  transaction: Transaction,
): Promise<{ name: string; before: Role }> {
  const user = await findPerson(firmId, id, transaction);
  if (role !== 'owner') await refuseWithoutOwner(firmId, id, transaction);
  const before = user.role;
  await user.update({ role }, { transaction });
  return { name: user.name, before };
}

/** Lets somebody go: their sessions end with it, and what they did stays under their name, which is returned. */
export async function removePerson(
  firmId: string,
  id: string,
  now: Date,
  transaction: Transaction,
): Promise<string> {
  const user = await findPerson(firmId, id, transaction);
  await refuseWithoutOwner(firmId, id, transaction);
  // The address is free for somebody else; who it was stands in what they did.
  await user.update(
    { removedAt: now, email: `removed:${user.id}`, passwordHash: '' },
    { transaction },
  );
  await SessionRow.update({ letGo: true }, { where: { firmId, userId: id }, transaction });
  await PasskeyRow.destroy({ where: { firmId, userId: id }, transaction });
  await freeVanOf(firmId, id, transaction);
  return user.name;
}

import type { FirmSettings } from '@katharos/job';
import type { Part } from '@katharos/core';
import { FirmRow, PartRow, UserRow } from '../db/models.ts';
import { addFirstPlaces } from '../stock/placeRepository.ts';
import type { UserForSignIn } from '../session/sessionRepository.ts';
import type { Transaction } from 'sequelize';

/** Whether anybody can sign in at all. */
export const hasOwner = async (): Promise<boolean> => (await UserRow.count()) > 0;

export interface NewFirm {
  name: string;
  settings: FirmSettings;
  parts: readonly Part[];
  owner: { name: string; email: string; passwordHash: string };
}

/** Creates a firm with its owner, its catalogue, and places for its parts. */
export async function createFirm(firm: NewFirm, transaction: Transaction): Promise<UserForSignIn> {
  const row = await FirmRow.create({ name: firm.name, settings: firm.settings }, { transaction });
  await PartRow.bulkCreate(
    firm.parts.map((part, position) => ({ firmId: row.id, partId: part.id, position, part })),
    { transaction },
  );
  const user = await UserRow.create(
    { ...firm.owner, email: firm.owner.email.trim().toLowerCase(), firmId: row.id },
    { transaction },
  );
  await addFirstPlaces(row.id, transaction);
  return { id: user.id, firmId: row.id, passwordHash: user.passwordHash };
}

/** Replaces a firm's settings. */
export async function saveSettings(
  firmId: string,
  settings: FirmSettings,
  transaction: Transaction,
): Promise<void> {
  await FirmRow.update({ settings }, { where: { id: firmId }, transaction });
}

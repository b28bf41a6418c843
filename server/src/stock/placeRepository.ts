import type { FirmStock } from '@katharos/contract';
import type { StockPlace, StockPlaceKind } from '@katharos/core';
import type { Transaction } from 'sequelize';
import { StockPlaceRow, StockRow, UserRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';

/** Where a firm keeps parts: its vans and its stores. */

const plain = ({ id, kind, name, userId }: StockPlaceRow): StockPlace => ({
  id,
  kind,
  name,
  userId,
});

const firstPlaces: readonly (readonly [StockPlaceKind, string])[] = [
  ['van', 'The van'],
  ['store', 'The store'],
];

export async function addFirstPlaces(firmId: string, transaction: Transaction): Promise<void> {
  await StockPlaceRow.bulkCreate(
    firstPlaces.map(([kind, name]) => ({ firmId, kind, name })),
    { transaction },
  );
}

const placesOf = async (firmId: string): Promise<StockPlace[]> =>
  (
    await StockPlaceRow.findAll({
      where: { firmId },
      order: [
        ['kind', 'DESC'],
        ['name', 'ASC'],
        ['id', 'ASC'],
      ],
    })
  ).map(plain);

/** The van that somebody loads from: their own, or else one that is nobody's own, or the first. */
export function vanOf(places: readonly StockPlace[], userId: string | null): StockPlace {
  const vans = places.filter(({ kind }) => kind === 'van');
  const van =
    (userId === null ? undefined : vans.find((one) => one.userId === userId)) ??
    vans.find((one) => one.userId === null) ??
    vans[0];
  if (!van) throw new Error('a firm has a van');
  return van;
}

export const vanFor = async (firmId: string, userId: string | null): Promise<string> =>
  vanOf(await placesOf(firmId), userId).id;

/** All places with what each holds. */
export async function findStock(firmId: string, userId: string): Promise<FirmStock> {
  const [places, rows, users] = await Promise.all([
    placesOf(firmId),
    StockRow.findAll({ where: { firmId }, order: [['partId', 'ASC']] }),
    UserRow.findAll({
      where: { firmId, removedAt: null },
      attributes: ['id', 'name'],
      order: [['name', 'ASC']],
    }),
  ]);
  return {
    places,
    lines: rows.map(({ placeId, partId, quantity, minimum }) => ({
      placeId,
      partId,
      quantity,
      minimum,
    })),
    mine: vanOf(places, userId).id,
    people: users.map(({ id, name }) => ({ id, name })),
  };
}

export async function addPlace(
  firmId: string,
  place: { kind: StockPlaceKind; name: string },
  transaction: Transaction,
): Promise<StockPlace> {
  return plain(await StockPlaceRow.create({ firmId, ...place }, { transaction }));
}

/** A place of the firm, held until the transaction ends. Errors: 'not-found'. */
export async function heldPlace(
  firmId: string,
  id: string,
  transaction: Transaction,
): Promise<StockPlaceRow> {
  const row = await StockPlaceRow.findOne({
    where: { firmId, id },
    lock: transaction.LOCK.NO_KEY_UPDATE,
    transaction,
  });
  if (!row) throw new ApiError('not-found');
  return row;
}

/** Two places, held in one order whoever goes which way: two who move towards each other wait, and do not wait for ever. */
export async function heldPlaces(
  firmId: string,
  ids: readonly [string, string],
  transaction: Transaction,
): Promise<[StockPlaceRow, StockPlaceRow]> {
  const held = new Map<string, StockPlaceRow>();
  for (const id of [...ids].sort()) held.set(id, await heldPlace(firmId, id, transaction));
  return [held.get(ids[0])!, held.get(ids[1])!];
}

/** Names a place anew, or gives a van to somebody, who then has no other. Errors: 'not-found', also of a person. */
export async function changePlace(
  firmId: string,
  id: string,
  { name, userId }: { name: string; userId: string | null },
  transaction: Transaction,
): Promise<StockPlaceRow> {
  const row = await heldPlace(firmId, id, transaction);
  if (userId !== null) {
    const isThere = await UserRow.count({
      where: { firmId, id: userId, removedAt: null },
      transaction,
    });
    if (!isThere || row.kind !== 'van') throw new ApiError('not-found', { path: 'userId' });
    await StockPlaceRow.update({ userId: null }, { where: { firmId, userId }, transaction });
  }
  return row.update({ name, userId }, { transaction });
}

/** Who leaves the firm leaves the van. */
export async function freeVanOf(
  firmId: string,
  userId: string,
  transaction: Transaction,
): Promise<void> {
  await StockPlaceRow.update({ userId: null }, { where: { firmId, userId }, transaction });
}

/** Removes an empty place. Errors: 'place-in-use' where something is in it, or it is the last of its kind. */
export async function removePlace(
  firmId: string,
  id: string,
  transaction: Transaction,
): Promise<StockPlaceRow> {
  // All of the kind are held, so that two who remove the last two wait for each other.
  const { kind } = await heldPlace(firmId, id, transaction);
  const alike = await StockPlaceRow.findAll({
    where: { firmId, kind },
    order: [['id', 'ASC']],
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  const held = await StockRow.findAll({ where: { firmId, placeId: id }, transaction });
  if (alike.length < 2 || held.some(({ quantity }) => quantity > 0))
    throw new ApiError('place-in-use');
  await StockRow.destroy({ where: { firmId, placeId: id }, transaction });
  const row = alike.find((one) => one.id === id)!;
  await row.destroy({ transaction });
  return row;
}

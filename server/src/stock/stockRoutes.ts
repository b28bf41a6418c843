import {
  changePlaceSchema,
  minimumSchema,
  moveStockSchema,
  newPlaceSchema,
} from '@katharos/contract';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { record, recorded } from '../audit/auditRepository.ts';
import { findPart } from '../catalogue/catalogueRepository.ts';
import { once } from '../deeds/once.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { doerOf } from '../session/doer.ts';
import { requireRight } from '../session/requireRight.ts';
import { sessionOf } from '../session/requireSession.ts';
import {
  addPlace,
  changePlace,
  findStock,
  heldPlace,
  heldPlaces,
  removePlace,
} from './placeRepository.ts';
import { moveStock, setMinimum } from './stockRepository.ts';

/** The firm's vans and stores: what each holds and should hold, and what goes from one to another. */
export function stockRoutes(sequelize: Sequelize): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const { firm, user } = sessionOf(response);
    response.json(await findStock(firm.id, user.id));
  });

  router.post('/moves', async (request, response) => {
    const { firm } = sessionOf(response);
    const move = validate(moveStockSchema, request.body);
    await once(sequelize, request, response, async (transaction) => {
      const [from, to] = await heldPlaces(firm.id, [move.from, move.to], transaction);
      await moveStock(firm.id, move, transaction);
      const data = { to: to.name, lines: move.lines };
      const done = {
        code: 'stock-moved',
        kind: 'place',
        id: from.id,
        name: from.name,
        data,
      } as const;
      await record(doerOf(request, response), done, transaction);
      return { status: 201, body: move };
    });
  });

  router.put('/:id/parts/:part/minimum', async (request, response) => {
    const { firm } = sessionOf(response);
    const placeId = idFrom(request.params);
    const { minimum } = validate(minimumSchema, request.body);
    const part = await findPart(firm.id, request.params.part);
    if (!part) throw new ApiError('not-found');
    await sequelize.transaction(async (transaction) => {
      const place = await heldPlace(firm.id, placeId, transaction);
      await setMinimum({ firmId: firm.id, placeId, partId: part.id }, minimum, transaction);
      const data = { minimum, place: place.name };
      const done = {
        code: 'minimum-set',
        kind: 'part',
        id: part.id,
        name: part.name,
        data,
      } as const;
      await record(doerOf(request, response), done, transaction);
    });
    response.status(204).end();
  });

  router.post('/places', requireRight('catalogue'), async (request, response) => {
    const { firm } = sessionOf(response);
    const wanted = validate(newPlaceSchema, request.body);
    await once(sequelize, request, response, async (transaction) => {
      const place = await addPlace(firm.id, wanted, transaction);
      const done = { code: 'place-added', kind: 'place', id: place.id, name: place.name } as const;
      await record(doerOf(request, response), done, transaction);
      return { status: 201, body: place };
    });
  });

  router.put('/places/:id', requireRight('catalogue'), async (request, response) => {
    const { firm } = sessionOf(response);
    const id = idFrom(request.params);
    const change = validate(changePlaceSchema, request.body);
    const done = { code: 'place-changed', kind: 'place', id, name: change.name } as const;
    await recorded(sequelize, doerOf(request, response), done, (transaction) =>
      changePlace(firm.id, id, change, transaction),
    );
    response.status(204).end();
  });

  router.delete('/places/:id', requireRight('catalogue'), async (request, response) => {
    const { firm } = sessionOf(response);
    const id = idFrom(request.params);
    await sequelize.transaction(async (transaction) => {
      const { name } = await removePlace(firm.id, id, transaction);
      const done = { code: 'place-removed', kind: 'place', id, name } as const;
      await record(doerOf(request, response), done, transaction);
    });
    response.status(204).end();
  });
  return router;
}

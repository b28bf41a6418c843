import { stockSchema, takeSchema } from '@katharos/contract';
import { record } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { lockJob, nameOfJob } from '../jobs/jobRepository.ts';
import { once } from '../deeds/once.ts';
import { sessionOf } from '../session/requireSession.ts';
import { findPart } from '../catalogue/catalogueRepository.ts';
import { heldPlace, vanFor } from './placeRepository.ts';
import {
  findTaking,
  findVan,
  putBack,
  recordTaking,
  setStock,
  takeFromStock,
} from './stockRepository.ts';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';

/** What the van holds that somebody loads from; a job takes its parts out once, and can put them back. */
export function vanRoutes(sequelize: Sequelize): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    const { firm, user } = sessionOf(response);
    response.json(await findVan(firm.id, user.id));
  });

  router.put('/stock/:part', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const partId = request.params.part;
    const { quantity, placeId = await vanFor(firm.id, user.id) } = validate(
      stockSchema,
      request.body,
    );
    const part = await findPart(firm.id, partId);
    if (!part) throw new ApiError('not-found');
    await sequelize.transaction(async (transaction) => {
      const place = await heldPlace(firm.id, placeId, transaction);
      await setStock({ firmId: firm.id, placeId, partId }, quantity, transaction);
      const data = { quantity, place: place.name };
      const done = {
        code: 'stock-counted',
        kind: 'part',
        id: partId,
        name: part.name,
        data,
      } as const;
      await record(doerOf(request, response), done, transaction);
    });
    response.status(204).end();
  });

  router.post('/takings/:job', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const jobId = idFrom(request.params, 'job');
    const { lines } = validate(takeSchema, request.body);
    const name = await nameOfJob(firm.id, jobId);
    if (name === undefined) throw new ApiError('not-found');
    await once(sequelize, request, response, async (transaction) => {
      // Two people at one job: the second waits here and then finds the taking of the first.
      await lockJob(firm.id, jobId, transaction);
      if (await findTaking(firm.id, jobId, transaction)) throw new ApiError('already-taken');
      const van = await vanFor(firm.id, user.id);
      const taken = await takeFromStock(firm.id, van, lines, transaction);
      if (taken.length === 0) throw new ApiError('nothing-in-the-van');
      const takenAt = new Date().toISOString();
      const taking = { jobId, lines: taken, takenAt, takenBy: user.name };
      await recordTaking(taking, firm.id, van, transaction);
      const done = {
        code: 'stock-taken',
        kind: 'job',
        id: jobId,
        name,
        data: { lines: taken },
      } as const;
      await record(doerOf(request, response), done, transaction);
      return { status: 201, body: taking };
    });
  });

  router.delete('/takings/:job', async (request, response) => {
    const { firm } = sessionOf(response);
    const jobId = idFrom(request.params, 'job');
    await sequelize.transaction(async (transaction) => {
      const taking = await findTaking(firm.id, jobId, transaction);
      if (!taking) throw new ApiError('not-found');
      await putBack(firm.id, taking, transaction);
      const name = (await nameOfJob(firm.id, jobId)) ?? '';
      const data = { lines: taking.lines };
      const done = { code: 'stock-put-back', kind: 'job', id: jobId, name, data } as const;
      await record(doerOf(request, response), done, transaction);
    });
    response.status(204).end();
  });
  return router;
}

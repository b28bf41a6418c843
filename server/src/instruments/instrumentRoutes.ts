import { randomUUID } from 'node:crypto';
import { calibrationSchema, instrumentSchema } from '@katharos/job';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { once } from '../deeds/once.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { sessionOf } from '../session/requireSession.ts';
import {
  findInstruments,
  hasInstrument,
  noteCalibration,
  saveInstrument,
} from './instrumentRepository.ts';

/** What a firm reads with, and how well each of them does. */
export function instrumentRoutes(sequelize: Sequelize): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json({ instruments: await findInstruments(sessionOf(response).firm.id) });
  });

  router.put('/:instrument', async (request, response) => {
    const { firm } = sessionOf(response);
    const id = idFrom(request.params, 'instrument');
    const instrument = validate(instrumentSchema, { ...request.body, id });
    await saveInstrument(firm.id, instrument);
    response.status(204).end();
  });

  router.post('/:instrument/calibrations', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const instrumentId = idFrom(request.params, 'instrument');
    const calibration = validate(calibrationSchema, request.body);
    if (!(await hasInstrument(firm.id, instrumentId))) throw new ApiError('not-found');
    await once(sequelize, request, response, async (transaction) => {
      const log = { instrumentId, calibrationId: randomUUID(), calibration, by: user.name };
      await noteCalibration(firm.id, log, transaction);
      return { status: 201, body: null };
    });
  });

  return router;
}

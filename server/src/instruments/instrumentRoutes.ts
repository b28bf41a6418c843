import { randomUUID } from 'node:crypto';
import { calibrationSchema, instrumentSchema } from '@katharos/job';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { record, recorded } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { once } from '../deeds/once.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { sessionOf } from '../session/requireSession.ts';
import {
  findInstruments,
  instrumentName,
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
    const { name, away } = instrument;
    const done = { code: 'instrument-kept', kind: 'instrument', id, name, data: { away } } as const;
    await recorded(sequelize, doerOf(request, response), done, (transaction) =>
      saveInstrument(firm.id, instrument, transaction),
    );
    response.status(204).end();
  });

  router.post('/:instrument/calibrations', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const instrumentId = idFrom(request.params, 'instrument');
    const calibration = validate(calibrationSchema, request.body);
    const name = await instrumentName(firm.id, instrumentId);
    if (name === undefined) throw new ApiError('not-found');
    await once(sequelize, request, response, async (transaction) => {
      const log = { instrumentId, calibrationId: randomUUID(), calibration, by: user.name };
      await noteCalibration(firm.id, log, transaction);
      const about = { kind: 'instrument', id: instrumentId, name } as const;
      const data = { ...calibration };
      await record(
        doerOf(request, response),
        { code: 'calibration-noted', ...about, data },
        transaction,
      );
      return { status: 201, body: null };
    });
  });

  return router;
}

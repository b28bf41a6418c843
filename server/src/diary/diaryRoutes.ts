import { diaryQuerySchema, fleetQuerySchema, recallQuerySchema } from '@katharos/contract';
import { dateOf, dayOf } from '@katharos/core';
import { type Request, type Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import { validate } from '../http/validate.ts';
import type { PaperMill } from '../papers/paperMill.ts';
import { sessionOf } from '../session/requireSession.ts';
import { diaryOf, fleetOf, forecastOf, reckonDues } from './diaryRepository.ts';
import { neededFor } from './needed.ts';
import { recall } from './recall.ts';

/** What is due on a firm's installed systems. */
export function diaryRoutes(sequelize: Sequelize, mill: PaperMill): Router {
  const router = Router();
  /** Reckons what changed since, for whoever asks; how many systems are left. */
  const reckoned = (response: Response, today: string): Promise<number> => {
    const { firm, user } = sessionOf(response);
    return reckonDues(
      sequelize,
      mill,
      { firmId: firm.id, settings: firm.settings, today },
      user.id,
    );
  };
  /** The same for what is ahead, with the day until which it is. */
  const ahead = async (request: Request, response: Response) => {
    const { today, days } = validate(diaryQuerySchema, request.query);
    const waiting = await reckoned(response, today);
    const { firm, user } = sessionOf(response);
    return { firm, userId: user.id, until: dateOf(dayOf(today)! + days), waiting };
  };
  router.get('/', async (request, response) => {
    const { firm, until, waiting } = await ahead(request, response);
    response.json({ ...(await diaryOf(sequelize, firm.id, until)), waiting });
  });
  router.get('/fleet', async (request, response) => {
    const query = validate(fleetQuerySchema, request.query);
    const waiting = await reckoned(response, query.today);
    const fleet = await fleetOf(sequelize, sessionOf(response).firm.id, query);
    response.json({ ...fleet, waiting });
  });
  router.get('/forecast', async (request, response) => {
    const { firm, until, waiting } = await ahead(request, response);
    response.json({ lines: await forecastOf(sequelize, firm.id, until), waiting });
  });
  router.get('/needed', async (request, response) => {
    const { waiting, ...asked } = await ahead(request, response);
    response.json({ needed: await neededFor(sequelize, mill, asked), waiting });
  });
  router.get('/recall', async (request, response) => {
    const { firm } = sessionOf(response);
    const wanted = validate(recallQuerySchema, request.query);
    response.json({ rows: await recall(sequelize, firm.id, wanted) });
  });
  return router;
}

import { diaryQuerySchema, fleetQuerySchema, recallQuerySchema } from '@katharos/contract';
import { dateOf, dayOf } from '@katharos/core';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { validate } from '../http/validate.ts';
import type { PaperMill } from '../papers/paperMill.ts';
import { sessionOf } from '../session/requireSession.ts';
import { diaryOf, dueBeyond, fleetOf, forecastOf, reckonDues } from './diaryRepository.ts';
import { neededFor } from './needed.ts';
import { recall } from './recall.ts';

/** What is due on a firm's installed systems. */
export function diaryRoutes(sequelize: Sequelize, mill: PaperMill): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { today, days } = validate(diaryQuerySchema, request.query);
    const asked = { firmId: firm.id, settings: firm.settings, today };
    const waiting = await reckonDues(sequelize, mill, asked, user.id);
    const until = dateOf(dayOf(today)! + days);
    const rows = await diaryOf(sequelize, firm.id, until);
    response.json({ rows, beyond: await dueBeyond(sequelize, firm.id, until, rows), waiting });
  });
  router.get('/fleet', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const query = validate(fleetQuerySchema, request.query);
    const asked = { firmId: firm.id, settings: firm.settings, today: query.today };
    const waiting = await reckonDues(sequelize, mill, asked, user.id);
    response.json({ ...(await fleetOf(sequelize, firm.id, query)), waiting });
  });
  router.get('/forecast', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { today, days } = validate(diaryQuerySchema, request.query);
    const asked = { firmId: firm.id, settings: firm.settings, today };
    const waiting = await reckonDues(sequelize, mill, asked, user.id);
    const until = dateOf(dayOf(today)! + days);
    response.json({ lines: await forecastOf(sequelize, firm.id, until), waiting });
  });
  router.get('/needed', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { today, days } = validate(diaryQuerySchema, request.query);
    const asked = { firmId: firm.id, settings: firm.settings, today };
    const waiting = await reckonDues(sequelize, mill, asked, user.id);
    const until = dateOf(dayOf(today)! + days);
    const needed = await neededFor(sequelize, mill, { firm, userId: user.id, until });
    response.json({ needed, waiting });
  });
  router.get('/recall', async (request, response) => {
    const { firm } = sessionOf(response);
    const wanted = validate(recallQuerySchema, request.query);
    response.json({ rows: await recall(sequelize, firm.id, wanted) });
  });
  return router;
}

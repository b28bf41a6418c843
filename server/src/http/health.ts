import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { answers } from '../db/database.ts';

/** For whoever watches over the server: alive while the process answers, ready while the database does too. */
export function healthRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.get('/healthz', (_request, response) => {
    response.json({ alive: true });
  });
  router.get('/readyz', async (_request, response) => {
    const ready = await answers(sequelize);
    if (!ready) response.setHeader('Retry-After', '2');
    response.status(ready ? 200 : 503).json({ ready });
  });
  return router;
}

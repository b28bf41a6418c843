import { Router } from 'express';
import { sessionOf } from '../session/requireSession.ts';
import { firmParts } from './catalogueRepository.ts';

/** The firm's parts. */
export function catalogueRoutes(): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json({ parts: await firmParts(sessionOf(response).firm.id) });
  });
  return router;
}

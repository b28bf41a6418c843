import { Router } from 'express';
import { requireSession, sessionOf } from '../session/requireSession.ts';
import { firmParts } from './catalogueRepository.ts';

/** The firm's parts. */
export function catalogueRoutes(): Router {
  const router = Router();
  router.get('/', requireSession, async (_request, response) => {
    response.json({ parts: await firmParts(sessionOf(response).firm.id) });
  });
  return router;
}

import { Router } from 'express';
import { PartRow } from '../db/models.ts';
import { requireSession, sessionOf } from '../session/requireSession.ts';

/** The firm's parts. */
export function catalogueRoutes(): Router {
  const router = Router();
  router.get('/', requireSession, async (_request, response) => {
    const rows = await PartRow.findAll({
      where: { firmId: sessionOf(response).firm.id },
      order: [['position', 'ASC']],
    });
    response.json({ parts: rows.map((row) => row.part) });
  });
  return router;
}

import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { noted } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { requireRight } from '../session/requireRight.ts';
import { requireProof, sessionOf } from '../session/requireSession.ts';
import { writeArchive } from './writeArchive.ts';

/** The whole firm as a file: its owner's to take along. */
export function archiveRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.get('/', requireRight('people'), requireProof, async (request, response) => {
    const { firm } = sessionOf(response);
    const about = { kind: 'firm', id: firm.id, name: firm.name } as const;
    await noted(sequelize, doerOf(request, response), { code: 'archive-saved', ...about });
    const now = new Date();
    const name = `katharos-${now.toISOString().slice(0, 10)}.zip`;
    response
      .type('application/zip')
      .setHeader('Content-Disposition', `attachment; filename="${name}"`);
    await writeArchive(sequelize, firm.id, now, response).catch((error: unknown) => {
      // Whoever stopped taking it wants to be told nothing.
      if (!response.destroyed) throw error;
    });
  });
  return router;
}

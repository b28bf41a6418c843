import { jobQuerySchema, newJobSchema, saveJobSchema, shelveJobSchema } from '@katharos/contract';
import { newJobDocument } from '@katharos/job';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { once } from '../deeds/once.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { sessionOf } from '../session/requireSession.ts';
import { approves } from './approves.ts';
import { refuseWithout, requireRight } from '../session/requireRight.ts';
import { acceptDocument } from './acceptDocument.ts';
import { addJob, findJob, listJobs, saveJob, shelveJob } from './jobRepository.ts';

/** A firm's jobs. Every query is scoped by the firm of the session; another firm's job is simply not found. */
export function jobRoutes(sequelize: Sequelize): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    const query = validate(jobQuerySchema, request.query);
    response.json(await listJobs(sessionOf(response).firm.id, query));
  });

  router.post('/', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { name, address } = validate(newJobSchema, request.body);
    const document = newJobDocument(name, address);
    await once(sequelize, request, response, async (transaction) => ({
      status: 201,
      body: await addJob(firm.id, user.name, document, transaction),
    }));
  });

  router.get('/:id', async (request, response) => {
    const job = await findJob(sessionOf(response).firm.id, idFrom(request.params));
    if (!job) throw new ApiError('not-found');
    response.json(job);
  });

  router.put('/:id', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const id = idFrom(request.params);
    const { version, document: sent } = validate(saveJobSchema, request.body);
    const current = await findJob(firm.id, id);
    if (!current) throw new ApiError('not-found');
    const document = acceptDocument(sent, current.document);
    if (approves(current.document, document)) refuseWithout(response, 'approve');
    await once(sequelize, request, response, async (transaction) => {
      const by = user.name;
      const saved = await saveJob(firm.id, id, { version, document, by }, transaction);
      if (saved) return { status: 200, body: saved };
      const newest = await findJob(firm.id, id, transaction);
      if (!newest) throw new ApiError('not-found');
      const when = `${newest.updatedBy}, ${newest.updatedAt}`;
      throw new ApiError('version-conflict', {
        message: `This job was changed elsewhere since you opened it (${when}).`,
      });
    });
  });

  router.patch('/:id', requireRight('shelve'), async (request, response) => {
    const { firm } = sessionOf(response);
    const { shelf } = validate(shelveJobSchema, request.body);
    if (!(await shelveJob(firm.id, idFrom(request.params), shelf, new Date()))) {
      throw new ApiError('not-found');
    }
    response.status(204).end();
  });

  return router;
}

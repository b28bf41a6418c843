import { jobQuerySchema, newJobSchema, saveJobSchema } from '@katharos/contract';
import { newJobDocument } from '@katharos/job';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { requireSession, sessionOf } from '../session/requireSession.ts';
import { addJob, findJob, listJobs, saveJob } from './jobRepository.ts';

/** A firm's jobs. Every query is scoped by the firm of the session; another firm's job is simply not found. */
export function jobRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.use(requireSession);

  router.get('/', async (request, response) => {
    const query = validate(jobQuerySchema, request.query);
    response.json(await listJobs(sessionOf(response).firm.id, query));
  });

  router.post('/', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { name, address } = validate(newJobSchema, request.body);
    const document = newJobDocument(name, address);
    const job = await sequelize.transaction((transaction) =>
      addJob(firm.id, user.name, document, transaction),
    );
    response.status(201).json(job);
  });

  router.get('/:id', async (request, response) => {
    const job = await findJob(sessionOf(response).firm.id, idFrom(request.params));
    if (!job) throw new ApiError('not-found');
    response.json(job);
  });

  router.put('/:id', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const id = idFrom(request.params);
    const { version, document } = validate(saveJobSchema, request.body);
    const saved = await saveJob(firm.id, id, { version, document, by: user.name });
    if (saved) {
      response.json(saved);
      return;
    }
    const current = await findJob(firm.id, id);
    if (!current) throw new ApiError('not-found');
    const when = `${current.updatedBy}, ${current.updatedAt}`;
    throw new ApiError('version-conflict', {
      message: `This job was changed elsewhere since you opened it (${when}).`,
    });
  });

  return router;
}

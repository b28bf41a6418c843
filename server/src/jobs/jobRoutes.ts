import {
  auditQuerySchema,
  jobQuerySchema,
  newJobSchema,
  saveJobSchema,
  shelveJobSchema,
} from '@katharos/contract';
import {
  applyPatches,
  diffDocuments,
  inverted,
  newJobDocument,
  type Patch,
  stampPersons,
} from '@katharos/job';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { z } from 'zod';
import { auditPage, changesSince, record } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { once } from '../deeds/once.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { sessionOf } from '../session/requireSession.ts';
import { approves } from './approves.ts';
import { refuseWithout, requireRight } from '../session/requireRight.ts';
import { acceptDocument } from './acceptDocument.ts';
import { addJob, findJob, listJobs, nameOfJob, saveJob, shelveJob } from './jobRepository.ts';

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
    await once(sequelize, request, response, async (transaction) => {
      const job = await addJob(firm.id, user.name, document, transaction);
      const done = { code: 'job-begun', kind: 'job', id: job.id, name } as const;
      await record(doerOf(request, response), done, transaction);
      return { status: 201, body: job };
    });
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
    const accepted = acceptDocument(sent, current.document);
    const document = stampPersons(accepted, current.document, user.name);
    if (approves(current.document, document)) refuseWithout(response, 'approve');
    await once(sequelize, request, response, async (transaction) => {
      const by = user.name;
      const saved = await saveJob(firm.id, id, { version, document, by }, transaction);
      if (saved) {
        const patches = diffDocuments(current.document, document);
        const data = { version: saved.version, patches };
        const done = { code: 'job-changed', kind: 'job', id, data } as const;
        const { name } = document.customer;
        await record(doerOf(request, response), { ...done, name }, transaction);
        return { status: 200, body: saved };
      }
      const newest = await findJob(firm.id, id, transaction);
      if (!newest) throw new ApiError('not-found');
      const when = `${newest.updatedBy}, ${newest.updatedAt}`;
      throw new ApiError('version-conflict', {
        message: `This job was changed elsewhere since you opened it (${when}).`,
      });
    });
  });

  router.get('/:id/history', async (request, response) => {
    const { firm } = sessionOf(response);
    const id = idFrom(request.params);
    const { before, limit } = validate(auditQuerySchema.omit({ subject: true, kind: true }), {
      ...request.query,
    });
    if ((await nameOfJob(firm.id, id)) === undefined) throw new ApiError('not-found');
    const about = { kind: 'job', subject: id, search: '', before, limit } as const;
    response.json(await auditPage(firm.id, about));
  });

  // As it was: what was changed since is taken back, the last first. Nothing is stored by it.
  router.get('/:id/versions/:version', async (request, response) => {
    const { firm } = sessionOf(response);
    const id = idFrom(request.params);
    const { version } = validate(z.object({ version: z.coerce.number().int().min(1) }), {
      version: request.params.version,
    });
    const current = await findJob(firm.id, id);
    if (!current || version > current.version) throw new ApiError('not-found');
    const since = await changesSince(firm.id, id, version);
    // A change that the log does not hold, of before it began or taken out of it, ends the way back.
    if (since.length !== current.version - version) throw new ApiError('not-kept');
    const patches = since.flatMap((change) => inverted(change.patches as Patch[]));
    const { document, left } = applyPatches(current.document, patches);
    if (left.length > 0) throw new ApiError('not-kept');
    response.json({ document });
  });

  router.patch('/:id', requireRight('shelve'), async (request, response) => {
    const { firm } = sessionOf(response);
    const { shelf } = validate(shelveJobSchema, request.body);
    const id = idFrom(request.params);
    await sequelize.transaction(async (transaction) => {
      const name = await shelveJob(firm.id, id, shelf, new Date(), transaction);
      if (name === undefined) throw new ApiError('not-found');
      const done = { code: 'job-shelved', kind: 'job', id, name, data: { shelf } } as const;
      await record(doerOf(request, response), done, transaction);
    });
    response.status(204).end();
  });

  return router;
}

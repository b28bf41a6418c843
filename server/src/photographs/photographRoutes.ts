import { changePhotographSchema, newPhotographQuerySchema } from '@katharos/contract';
import { photographLimits } from '@katharos/job';
import { record, recorded } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { onlyPlainText } from '../http/plainText.ts';
import { jsonBody } from '../http/body.ts';
import { lockJob, nameOfJob } from '../jobs/jobRepository.ts';
import { once } from '../deeds/once.ts';
import { sessionOf } from '../session/requireSession.ts';
import type { Sequelize } from 'sequelize';
import {
  addPhotograph,
  changePhotograph,
  countPhotographs,
  type JobKey,
  listPhotographs,
  photographBytes,
  setRemoved,
} from './photographRepository.ts';
import { preparePhotograph } from './preparePhotograph.ts';
import express, { type Request, type Response, Router } from 'express';

/** The job that the address names, if it is this firm's. */
async function jobKey(request: Request, response: Response): Promise<JobKey & { name: string }> {
  const { firm } = sessionOf(response);
  const jobId = idFrom(request.params, 'job');
  const name = await nameOfJob(firm.id, jobId);
  if (name === undefined) throw new ApiError('not-found');
  return { firmId: firm.id, jobId, name };
}

const ofJob = ({ jobId, name }: { jobId: string; name: string }) =>
  ({ kind: 'job', id: jobId, name }) as const;

const orNotFound = (found: boolean): void => {
  if (!found) throw new ApiError('not-found');
};

/** Photographs of a job, mounted under it. */
export function photographRoutes(sequelize: Sequelize): Router {
  const router = Router({ mergeParams: true });

  router.get('/', async (request, response) => {
    response.json({ photographs: await listPhotographs(await jobKey(request, response)) });
  });

  router.post(
    '/',
    express.raw({ type: () => true, limit: photographLimits.fileBytes }),
    async (request, response) => {
      const key = await jobKey(request, response);
      const asked = validate(newPhotographQuerySchema, request.query);
      const { about, caption, step = null, takenAt = new Date().toISOString(), id } = asked;
      if (!Buffer.isBuffer(request.body)) throw new ApiError('not-a-picture');
      const prepared = await preparePhotograph(request.body);
      const takenBy = sessionOf(response).user.name;
      const said = {
        about,
        caption,
        step,
        takenBy,
        takenAt: new Date(takenAt),
        ...(id ? { id } : {}),
      };
      await once(sequelize, request, response, async (transaction) => {
        // Two at once count one after the other.
        await lockJob(key.firmId, key.jobId, transaction);
        if ((await countPhotographs(key, transaction)) >= photographLimits.perJob) {
          throw new ApiError('too-many-photographs');
        }
        const added = await addPhotograph(key, prepared, said, transaction);
        const done = {
          code: 'photograph-added',
          ...ofJob(key),
          data: { photograph: added.id },
        } as const;
        await record(doerOf(request, response), done, transaction);
        return { status: 201, body: added };
      });
    },
  );
  router.use(jsonBody('small'), onlyPlainText);

  router.get('/:id', async (request, response) => {
    const key = await jobKey(request, response);
    const bytes = await photographBytes(key, idFrom(request.params));
    if (!bytes) throw new ApiError('not-found');
    // A photograph's bytes never change under its id.
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.type('image/jpeg').send(bytes);
  });

  router.patch('/:id', async (request, response) => {
    const key = await jobKey(request, response);
    const change = validate(changePhotographSchema, request.body);
    const photograph = idFrom(request.params);
    const done = {
      code: 'photograph-changed',
      ...ofJob(key),
      data: { photograph, ...change },
    } as const;
    await recorded(sequelize, doerOf(request, response), done, async (transaction) =>
      orNotFound(await changePhotograph(key, photograph, change, transaction)),
    );
    response.status(204).end();
  });

  router.delete('/:id', async (request, response) => {
    const key = await jobKey(request, response);
    const photograph = idFrom(request.params);
    const done = { code: 'photograph-removed', ...ofJob(key), data: { photograph } } as const;
    await recorded(sequelize, doerOf(request, response), done, async (transaction) =>
      orNotFound(await setRemoved(key, photograph, new Date(), transaction)),
    );
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    const key = await jobKey(request, response);
    const photograph = idFrom(request.params);
    const done = { code: 'photograph-restored', ...ofJob(key), data: { photograph } } as const;
    await recorded(sequelize, doerOf(request, response), done, async (transaction) =>
      orNotFound(await setRemoved(key, photograph, null, transaction)),
    );
    response.status(204).end();
  });
  return router;
}

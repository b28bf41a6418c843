import { jobFileOf, jobFileSchema, upgradeJobFile } from '@katharos/job';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { addJob, findJob } from '../jobs/jobRepository.ts';
import { addPhotograph, filedPhotographs } from '../photographs/photographRepository.ts';
import { preparePhotograph } from '../photographs/preparePhotograph.ts';
import { requireSession, sessionOf } from '../session/requireSession.ts';

/** Jobs as files, out and in, with their photographs; mounted beside the jobs. */
export function jobFileRoutes(sequelize: Sequelize): Router {
  const router = Router();

  router.post('/file', requireSession, async (request, response) => {
    const { firm, user } = sessionOf(response);
    const upgraded = upgradeJobFile(request.body);
    if ('tooNew' in upgraded) {
      const message = `This file was written by a newer version of the program (its version is ${upgraded.tooNew}).`;
      throw new ApiError('invalid-input', { path: 'version', message });
    }
    const { document, photographs } = validate(jobFileSchema, upgraded.file);
    // Written anew like any other picture: a file's content is not trusted either.
    const prepared = await Promise.all(
      photographs.map(({ jpeg }) => preparePhotograph(Buffer.from(jpeg, 'base64'))),
    );
    const job = await sequelize.transaction(async (transaction) => {
      const added = await addJob(firm.id, user.name, document, transaction);
      const key = { firmId: firm.id, jobId: added.id };
      for (const [i, { about, step = null, caption, takenAt, takenBy }] of photographs.entries()) {
        const said = { about, step, caption, takenBy, takenAt: new Date(takenAt) };
        await addPhotograph(key, prepared[i]!, said, transaction);
      }
      return added;
    });
    response.status(201).json(job);
  });

  router.get('/:id/file', requireSession, async (request, response) => {
    const { firm } = sessionOf(response);
    const job = await findJob(firm.id, idFrom(request.params));
    if (!job) throw new ApiError('not-found');
    const photographs = await filedPhotographs({ firmId: firm.id, jobId: job.id });
    response
      .setHeader('Content-Disposition', `attachment; filename="job-${job.number}.json"`)
      .json(jobFileOf(job, photographs, new Date()));
  });

  return router;
}

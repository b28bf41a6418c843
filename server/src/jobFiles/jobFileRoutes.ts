import { jobFileOf, jobFileSchema, upgradeJobFile } from '@katharos/job';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { record } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { once } from '../deeds/once.ts';
import { ApiError } from '../http/apiError.ts';
import { jsonBody } from '../http/body.ts';
import { idFrom, validate } from '../http/validate.ts';
import { onlyPlainText } from '../http/plainText.ts';
import { decides } from '../jobs/approves.ts';
import { addJob, findJob } from '../jobs/jobRepository.ts';
import { addPhotograph, filedPhotographs } from '../photographs/photographRepository.ts';
import { keepAsFiled, type PreparedPhotograph } from '../photographs/preparePhotograph.ts';
import { refuseWithout } from '../session/requireRight.ts';
import { sessionOf } from '../session/requireSession.ts';

/** Jobs as files, out and in, with their photographs; mounted beside the jobs. */
export function jobFileRoutes(sequelize: Sequelize): Router {
  const router = Router();

  router.post('/file', jsonBody('jobFile'), onlyPlainText, async (request, response) => {
    const { firm, user } = sessionOf(response);
    const upgraded = upgradeJobFile(request.body);
    if ('tooNew' in upgraded) {
      const message = `This file was written by a newer version of the program (its version is ${upgraded.tooNew}).`;
      throw new ApiError('invalid-input', { path: 'version', message });
    }
    const { document, photographs } = validate(jobFileSchema, upgraded.file);
    // What a file says was decided is decided by whoever brings it in.
    if (decides(document)) refuseWithout(response, 'approve');
    // One after the other: sixty unpacked at once would be more than a small server holds.
    const kept: PreparedPhotograph[] = [];
    for (const { jpeg } of photographs) kept.push(await keepAsFiled(Buffer.from(jpeg, 'base64')));
    await once(sequelize, request, response, async (transaction) => {
      const job = await addJob(firm.id, user.name, document, transaction);
      const key = { firmId: firm.id, jobId: job.id };
      for (const [i, { about, step = null, caption, takenAt, takenBy }] of photographs.entries()) {
        const said = { about, step, caption, takenBy, takenAt: new Date(takenAt) };
        await addPhotograph(key, kept[i]!, said, transaction);
      }
      const { name } = document.customer;
      const done = { code: 'job-opened-from-file', kind: 'job', id: job.id, name } as const;
      await record(doerOf(request, response), done, transaction);
      return { status: 201, body: job };
    });
  });

  router.get('/:id/file', async (request, response) => {
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

import { forgetPersonSchema } from '@katharos/contract';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { record } from '../audit/auditRepository.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import type { Postman } from '../mail/postman.ts';
import { doerOf } from '../session/doer.ts';
import { requireRight } from '../session/requireRight.ts';
import { requireProof } from '../session/requireSession.ts';
import { forgetPerson } from './forgetPerson.ts';

/** What is kept of a household, taken out at their request; what a job's file holds is what they are given of it. */
export function personRoutes(sequelize: Sequelize, post: Pick<Postman, 'forget'>): Router {
  const router = Router({ mergeParams: true });
  router.post('/forget', requireRight('people'), requireProof, async (request, response) => {
    const jobId = idFrom(request.params, 'job');
    const { papers } = validate(forgetPersonSchema, request.body);
    const doer = doerOf(request, response);
    const letters = await sequelize.transaction(async (transaction) => {
      const written = await forgetPerson({ firmId: doer.firmId, jobId }, papers, transaction);
      if (!written) throw new ApiError('not-found');
      // That somebody was removed is known; who it was is not.
      const done = { code: 'customer-removed', kind: 'job', id: jobId, name: '' } as const;
      await record(doer, { ...done, data: { papers } }, transaction);
      return written;
    });
    await post.forget(letters);
    response.status(204).end();
  });
  return router;
}

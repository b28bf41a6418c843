import { writeLettersSchema } from '@katharos/contract';
import { dueLetterOf } from '@katharos/papers';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { record } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { once } from '../deeds/once.ts';
import { jsonBody } from '../http/body.ts';
import { validate } from '../http/validate.ts';
import { findDues } from '../diary/diaryRepository.ts';
import { sessionOf } from '../session/requireSession.ts';
import { addresseesOf, lettersOf, writeLetters } from './letterRepository.ts';

/**
 * Letters to households of what is due.
 * @param sendSoon hands what waits to the mail, when there is time
 */
export function letterRoutes(sequelize: Sequelize, sendSoon: () => void): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json({ letters: await lettersOf(sessionOf(response).firm.id) });
  });
  router.post('/', jsonBody('small'), async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { jobIds, today } = validate(writeLettersSchema, request.body);
    const ids = [...new Set(jobIds)];
    const dues = await findDues(firm.id, ids);
    const households = await addresseesOf(firm.id, ids);
    const origin = `${request.protocol}://${request.get('host') ?? 'localhost'}`;
    const letters = households.flatMap(({ jobId, name, email, document, token }) => {
      const due = dues.get(jobId);
      if (!due || email === '') return [];
      const page = token && `${origin}/home/${token}`;
      const { subject, text } = dueLetterOf({ firm, name, today, ...due, document, page });
      const written = { writtenAt: new Date(), writtenBy: user.name };
      return [{ firmId: firm.id, jobId, recipient: email, subject, text, ...written }];
    });
    const reached = new Set(letters.map(({ jobId }) => jobId));
    const without = households
      .filter(({ jobId }) => !reached.has(jobId))
      .map(({ jobId, name }) => ({ jobId, name }));
    await once(sequelize, request, response, async (transaction) => {
      await writeLetters(letters, transaction);
      const data = { written: letters.length, jobs: [...reached] };
      const about = { kind: 'firm', id: firm.id, name: firm.name } as const;
      await record(
        doerOf(request, response),
        { code: 'letters-written', ...about, data },
        transaction,
      );
      return { status: 201, body: { written: letters.length, without } };
    });
    sendSoon();
  });
  return router;
}

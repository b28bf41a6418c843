import { endFactorSchema, proveFactorSchema } from '@katharos/contract';
import { type Request, type Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import { record } from '../audit/auditRepository.ts';
import { validate } from '../http/validate.ts';
import { doerOf } from './doer.ts';
import { sessionOf } from './requireSession.ts';
import { beginFactor, endFactor, factorOf, proveFactor } from './secondFactor.ts';

/** Asks for the password of whoever is signed in once more, and refuses where it is another. */
export type CheckPassword = (
  request: Request,
  response: Response,
  password: string,
  path?: string,
) => Promise<void>;

/**
 * A person's own second factor.
 * @param check asks for the password once more: who finds a telephone unlocked shall not change how one gets in
 */
export function secondFactorRoutes(sequelize: Sequelize, check: CheckPassword): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    const { firm, user } = sessionOf(response);
    response.json(await factorOf(firm.id, user.id));
  });
  router.post('/', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { password } = validate(endFactorSchema, request.body);
    await check(request, response, password);
    const begun = await sequelize.transaction((transaction) =>
      beginFactor(firm.id, user.id, transaction),
    );
    response.status(201).json(begun);
  });
  router.put('/', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { code } = validate(proveFactorSchema, request.body);
    const words = await sequelize.transaction(async (transaction) => {
      const told = await proveFactor(firm.id, user.id, code, new Date(), transaction);
      const about = { kind: 'person', id: user.id, name: user.name } as const;
      const done = { code: 'second-factor-set', ...about } as const;
      await record(doerOf(request, response), done, transaction);
      return told;
    });
    response.json({ words });
  });
  router.post('/end', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { password } = validate(endFactorSchema, request.body);
    await check(request, response, password);
    await sequelize.transaction(async (transaction) => {
      const name = await endFactor(firm.id, user.id, transaction);
      const done = { code: 'second-factor-ended', kind: 'person', id: user.id, name } as const;
      await record(doerOf(request, response), done, transaction);
    });
    response.status(204).end();
  });
  return router;
}

import { randomUUID } from 'node:crypto';
import { askResetSchema, resetSchema } from '@katharos/contract';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { record } from '../audit/auditRepository.ts';
import type { Config } from '../base/config.ts';
import { ApiError } from '../http/apiError.ts';
import { validate } from '../http/validate.ts';
import type { Postman } from '../mail/postman.ts';
import { isCommonPassword } from '../session/commonPasswords.ts';
import { deviceOf } from '../session/doer.ts';
import { endLinesOf } from '../session/openLines.ts';
import { hashPassword } from '../session/passwords.ts';
import { findReset, makeReset, resetMinutes, takeReset } from '../session/reset.ts';
import { findUserByEmail } from '../session/sessionRepository.ts';
import { isToken } from '../sealing/token.ts';
import { forgetFailures, limitTries } from '../session/tries.ts';

const asksPerWindow = 5;

/** A forgotten password: asked for by mail, set by the link in it. Nobody learns here who has an account. */
export function resetRoutes(
  config: Config,
  sequelize: Sequelize,
  post: Pick<Postman, 'deliver'>,
): Router {
  const router = Router();
  router.post(
    '/',
    limitTries(sequelize, 'ask-reset', asksPerWindow, 'all'),
    async (request, response) => {
      const { email } = validate(askResetSchema, request.body);
      const user = await findUserByEmail(email);
      // Answered before anything is done: how long it takes tells nothing either.
      response.status(204).end();
      if (!user) return;
      const token = await sequelize.transaction((transaction) =>
        makeReset(user.firmId, user.id, new Date(), transaction),
      );
      const origin = `${request.protocol}://${request.get('host') ?? 'localhost'}`;
      post.deliver({
        id: randomUUID(),
        to: email,
        subject: 'A new password',
        text: [
          'Somebody, perhaps you, asked for a new password for Katharos.',
          '',
          `Set it here within ${resetMinutes} minutes: ${origin}/reset/${token}`,
          '',
          'If it was not you, there is nothing to do: the old one still holds.',
          '',
        ].join('\n'),
      });
    },
  );
  router.use(limitTries(sequelize, 'reset', config.signInTries * 10));
  router.get('/:token', async (request, response) => {
    const { token } = request.params;
    const user = isToken(token) ? await findReset(token, new Date()) : undefined;
    if (!user) throw new ApiError('not-found');
    response.json({ name: user.name });
  });
  router.put('/:token', async (request, response) => {
    const { token } = request.params;
    const { password } = validate(resetSchema, request.body);
    const found = isToken(token) ? await findReset(token, new Date()) : undefined;
    if (!found) throw new ApiError('not-found');
    if (isCommonPassword(password, [found.name, found.email]))
      throw new ApiError('common-password', { path: 'password' });
    const hash = await hashPassword(password, config.passwordCost);
    const user = await sequelize.transaction(async (transaction) => {
      const set = await takeReset(token, hash, new Date(), transaction);
      const doer = { firmId: set.firmId, by: set.name, device: deviceOf(request) };
      const about = { kind: 'person', id: set.id, name: set.name } as const;
      await record(doer, { code: 'password-reset', ...about }, transaction);
      return set;
    });
    endLinesOf(user.id);
    await forgetFailures(user.email);
    response.status(204).end();
  });
  return router;
}

import { timingSafeEqual } from 'node:crypto';
import { firmSettingsSchema, starterCatalogue, usualFirmSettings } from '@katharos/job';
import { setupSchema } from '@katharos/contract';
import type { Config } from '../base/config.ts';
import { record, recorded } from '../audit/auditRepository.ts';
import { deviceOf, doerOf } from '../session/doer.ts';
import { ApiError } from '../http/apiError.ts';
import { validate } from '../http/validate.ts';
import { isCommonPassword } from '../session/commonPasswords.ts';
import { requireRightToChange } from '../session/requireRight.ts';
import { hashPassword } from '../session/passwords.ts';
import { sessionOf } from '../session/requireSession.ts';
import { startSession } from '../session/sessionRoutes.ts';
import { limitTries } from '../session/tries.ts';
import { foundBy } from './found.ts';
import { createFirm, hasOwner, saveSettings } from './firmRepository.ts';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';

const isSame = (a: string, b: string): boolean => {
  const [left, right] = [Buffer.from(a), Buffer.from(b)];
  return left.length === right.length && timingSafeEqual(left, right);
};

/** The first owner of a fresh installation; the code is printed at the server's start, so only who runs it can use it. */
export function setupRoutes(config: Config, sequelize: Sequelize, setupCode: string): Router {
  const router = Router();
  router.post(
    '/',
    limitTries(sequelize, 'setup', config.signInTries),
    async (request, response) => {
      const { code, firm, name, email, password } = validate(setupSchema, request.body);
      if (await hasOwner()) throw new ApiError('already-set-up');
      if (!isSame(code.trim(), setupCode)) throw new ApiError('wrong-setup-code', { path: 'code' });
      if (isCommonPassword(password, [firm, name, email]))
        throw new ApiError('common-password', { path: 'password' });
      const passwordHash = await hashPassword(password, config.passwordCost);
      const user = await sequelize.transaction(async (transaction) => {
        // Two people at once: the second waits here and then finds the installation taken.
        await sequelize.query('select pg_advisory_xact_lock(8717)', { transaction });
        if (await hasOwner()) throw new ApiError('already-set-up');
        const owner = { name, email, passwordHash };
        const made = await createFirm(
          { name: firm, settings: usualFirmSettings, parts: starterCatalogue, owner },
          transaction,
        );
        const doer = { firmId: made.firmId, by: name, device: deviceOf(request) };
        const done = { code: 'firm-set-up', kind: 'firm', id: made.firmId, name: firm } as const;
        await record(doer, done, transaction);
        return made;
      });
      response.status(201).json(await startSession(user, config, request, response));
    },
  );
  return router;
}

/** A firm's own settings. */
export function firmRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.use(requireRightToChange('settings'));
  router.put('/settings', async (request, response) => {
    const settings = validate(firmSettingsSchema, request.body);
    const { firm } = sessionOf(response);
    const about = { kind: 'firm', id: firm.id, name: firm.name } as const;
    const data = { before: firm.settings, after: settings };
    await recorded(
      sequelize,
      doerOf(request, response),
      { code: 'settings-changed', ...about, data },
      (transaction) => saveSettings(firm.id, settings, transaction),
    );
    response.json(settings);
  });
  router.get('/found', async (_request, response) => {
    response.json({ found: await foundBy(sessionOf(response).firm.id) });
  });
  return router;
}

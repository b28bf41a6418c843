import { changePersonSchema, inviteSchema, joinSchema } from '@katharos/contract';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { Config } from '../base/config.ts';
import { record, recorded } from '../audit/auditRepository.ts';
import { deviceOf, doerOf } from '../session/doer.ts';
import { endLinesOf } from '../session/openLines.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { isCommonPassword } from '../session/commonPasswords.ts';
import { hashPassword } from '../session/passwords.ts';
import { isToken } from '../sealing/token.ts';
import { requireRight } from '../session/requireRight.ts';
import { makeReset } from '../session/reset.ts';
import { endFactor } from '../session/secondFactor.ts';
import { requireProof, sessionOf } from '../session/requireSession.ts';
import { startSession } from '../session/sessionRoutes.ts';
import { limitTries } from '../session/tries.ts';
import {
  changeRole,
  findInvitation,
  findPerson,
  invitationsOf,
  invite,
  join,
  peopleOf,
  removePerson,
  withdraw,
} from './peopleRepository.ts';

/** The people of a firm: its owner's. */
export function peopleRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.use(requireRight('people'));
  router.get('/', async (_request, response) => {
    const { firm } = sessionOf(response);
    response.json({
      people: await peopleOf(firm.id),
      invitations: await invitationsOf(firm.id, new Date()),
    });
  });
  router.post('/invitations', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const wanted = validate(inviteSchema, request.body);
    const about = { kind: 'firm', id: firm.id, name: firm.name } as const;
    const token = await recorded(
      sequelize,
      doerOf(request, response),
      { code: 'person-invited', ...about, data: { ...wanted } },
      (transaction) => invite(firm.id, { ...wanted, by: user.name }, new Date(), transaction),
    );
    response.status(201).json({ path: `/join/${token}` });
  });
  router.delete('/invitations/:id', async (request, response) => {
    const { firm } = sessionOf(response);
    const id = idFrom(request.params);
    await sequelize.transaction(async (transaction) => {
      const name = await withdraw(firm.id, id, transaction);
      if (name === undefined) throw new ApiError('not-found');
      const about = { kind: 'firm', id: firm.id, name: firm.name } as const;
      const done = { code: 'invitation-withdrawn', ...about, data: { name } } as const;
      await record(doerOf(request, response), done, transaction);
    });
    response.status(204).end();
  });
  router.patch('/:id', requireProof, async (request, response) => {
    const { role } = validate(changePersonSchema, request.body);
    const doer = doerOf(request, response);
    const id = idFrom(request.params);
    await sequelize.transaction(async (transaction) => {
      const { name, before } = await changeRole(doer.firmId, id, role, transaction);
      const data = { before, after: role };
      const done = { code: 'role-changed', kind: 'person', id, name, data } as const;
      await record(doer, done, transaction);
    });
    response.status(204).end();
  });
  router.post('/:id/reset', requireProof, async (request, response) => {
    const doer = doerOf(request, response);
    const id = idFrom(request.params);
    const token = await sequelize.transaction(async (transaction) => {
      const person = await findPerson(doer.firmId, id, transaction);
      const made = await makeReset(doer.firmId, id, new Date(), transaction);
      const done = { code: 'reset-made', kind: 'person', id, name: person.name } as const;
      await record(doer, done, transaction);
      return made;
    });
    response.status(201).json({ path: `/reset/${token}` });
  });
  router.delete('/:id/second-factor', requireProof, async (request, response) => {
    const doer = doerOf(request, response);
    const id = idFrom(request.params);
    await sequelize.transaction(async (transaction) => {
      const name = await endFactor(doer.firmId, id, transaction);
      const done = { code: 'second-factor-ended', kind: 'person', id, name } as const;
      await record(doer, done, transaction);
    });
    response.status(204).end();
  });
  router.delete('/:id', requireProof, async (request, response) => {
    const id = idFrom(request.params);
    const doer = doerOf(request, response);
    await sequelize.transaction(async (transaction) => {
      const name = await removePerson(doer.firmId, id, new Date(), transaction);
      await record(doer, { code: 'person-removed', kind: 'person', id, name }, transaction);
    });
    // Nothing more is told to them, not even what is already open.
    endLinesOf(id);
    response.status(204).end();
  });
  return router;
}

/** Behind a link of an invitation: without a session, as signing in is. */
export function joinRoutes(config: Config, sequelize: Sequelize): Router {
  const router = Router();
  router.use(limitTries(sequelize, 'join', config.signInTries * 10));
  router.get('/:token', async (request, response) => {
    const { token } = request.params;
    const found = isToken(token) ? await findInvitation(token, new Date()) : undefined;
    if (!found) throw new ApiError('not-found');
    const { name, role } = found.row;
    response.json({ firm: found.firm.name, name, role });
  });
  router.post('/:token', async (request, response) => {
    const { token } = request.params;
    const { name, email, password } = validate(joinSchema, request.body);
    const found = isToken(token) ? await findInvitation(token, new Date()) : undefined;
    if (!found) throw new ApiError('not-found');
    if (isCommonPassword(password, [name, email, found.firm.name]))
      throw new ApiError('common-password', { path: 'password' });
    const passwordHash = await hashPassword(password, config.passwordCost);
    const user = await sequelize.transaction(async (transaction) => {
      const joined = await join(token, { name, email, passwordHash }, new Date(), transaction);
      const doer = { firmId: joined.firmId, by: name, device: deviceOf(request) };
      const done = { code: 'person-joined', kind: 'person', id: joined.id, name } as const;
      await record(doer, done, transaction);
      return joined;
    });
    response.status(201).json(await startSession(user, config, request, response));
  });
  return router;
}

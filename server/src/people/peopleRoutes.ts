import { changePersonSchema, inviteSchema, joinSchema } from '@katharos/contract';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { Config } from '../base/config.ts';
import { endLinesOf } from '../session/openLines.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { isCommonPassword } from '../session/commonPasswords.ts';
import { hashPassword } from '../session/passwords.ts';
import { requireRight } from '../session/requireRight.ts';
import { sessionOf } from '../session/requireSession.ts';
import { limitTries, startSession } from '../session/sessionRoutes.ts';
import {
  changeRole,
  findInvitation,
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
    const token = await invite(firm.id, { ...wanted, by: user.name }, new Date());
    response.status(201).json({ path: `/join/${token}` });
  });
  router.delete('/invitations/:id', async (request, response) => {
    if (!(await withdraw(sessionOf(response).firm.id, idFrom(request.params))))
      throw new ApiError('not-found');
    response.status(204).end();
  });
  router.patch('/:id', async (request, response) => {
    const { role } = validate(changePersonSchema, request.body);
    await changeRole(sequelize, sessionOf(response).firm.id, idFrom(request.params), role);
    response.status(204).end();
  });
  router.delete('/:id', async (request, response) => {
    const id = idFrom(request.params);
    await removePerson(sequelize, sessionOf(response).firm.id, id, new Date());
    // Nothing more is told to them, not even what is already open.
    endLinesOf(id);
    response.status(204).end();
  });
  return router;
}

const tokenForm = /^[\w-]{43}$/;

/** Behind a link of an invitation: without a session, as signing in is. */
export function joinRoutes(config: Config, sequelize: Sequelize): Router {
  const router = Router();
  router.use(limitTries(config.signInTries * 10));
  router.get('/:token', async (request, response) => {
    const { token } = request.params;
    const found = tokenForm.test(token) ? await findInvitation(token, new Date()) : undefined;
    if (!found) throw new ApiError('not-found');
    const { name, role } = found.row;
    response.json({ firm: found.firm.name, name, role });
  });
  router.post('/:token', async (request, response) => {
    const { token } = request.params;
    const { name, email, password } = validate(joinSchema, request.body);
    const found = tokenForm.test(token) ? await findInvitation(token, new Date()) : undefined;
    if (!found) throw new ApiError('not-found');
    if (isCommonPassword(password, [name, email, found.firm.name]))
      throw new ApiError('common-password', { path: 'password' });
    const passwordHash = await hashPassword(password, config.passwordCost);
    const user = await sequelize.transaction((transaction) =>
      join(token, { name, email, passwordHash }, new Date(), transaction),
    );
    response.status(201).json(await startSession(user, config, request, response));
  });
  return router;
}

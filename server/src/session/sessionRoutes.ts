import {
  changePasswordSchema,
  proofSchema,
  type Session,
  signInSchema,
  usedPasskeySchema,
} from '@katharos/contract';
import type { Config } from '../base/config.ts';
import { noted, recorded } from '../audit/auditRepository.ts';
import { deviceOf, doerOf } from './doer.ts';
import { endLinesOf } from './openLines.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { isCommonPassword } from './commonPasswords.ts';
import { hashPassword, isPassword, nobodysHash } from './passwords.ts';
import {
  cookieName,
  cookieOptions,
  requireProof,
  requireSession,
  sessionOf,
  setCookie,
  tokenOf,
} from './requireSession.ts';
import {
  closeSession,
  endSessions,
  findHash,
  findSession,
  findUserByEmail,
  noteProof,
  openSession,
  sessionsOf,
  setHash,
  type UserForSignIn,
} from './sessionRepository.ts';
import { askWhoSignsIn, passkeyProof, passkeyRoutes } from './passkeyRoutes.ts';
import { placeOf, whoSigned } from './passkeys.ts';
import { factorOf, passesFactor } from './secondFactor.ts';
import { type CheckPassword, secondFactorRoutes } from './secondFactorRoutes.ts';
import { forgetFailures, limitTries, noteFailure, refuseTooMany } from './tries.ts';
import { type Request, type Response, Router } from 'express';
import type { Sequelize } from 'sequelize';

/** Questions for a passkey that one address may ask in a quarter of an hour: a firm sits behind one. */
const questionsPerWindow = 300;

/** Opens a session, sets its cookie and returns what the web application shows of it. */
export async function startSession(
  user: Pick<UserForSignIn, 'id' | 'firmId'>,
  config: Config,
  request: Request,
  response: Response,
): Promise<Session> {
  const now = new Date();
  const token = await openSession(user, request.get('user-agent') ?? '', now);
  const found = await findSession(token, now);
  if (!found) throw new ApiError('not-signed-in');
  setCookie(response, token, config);
  return found.session;
}

/** Sign in, who am I, sign out; the password, and where else one is signed in. */
export function sessionRoutes(config: Config, sequelize: Sequelize): Router {
  const router = Router();
  // An unknown e-mail costs the same time as a known one with a wrong password.
  const decoy = nobodysHash(config.passwordCost);
  const limits = { perAccount: config.signInTries };
  const trier = (request: Request, email: string) => ({ email, address: request.ip ?? '' });

  const enter = async (
    user: Pick<UserForSignIn, 'id' | 'firmId'>,
    request: Request,
    response: Response,
  ) => {
    const session = await startSession(user, config, request, response);
    const { id, name } = session.user;
    const doer = { firmId: session.firm.id, by: name, device: deviceOf(request) };
    await noted(sequelize, doer, { code: 'signed-in', kind: 'person', id, name });
    response.status(201).json(session);
  };

  router.post('/', async (request, response) => {
    const { email, password, code } = validate(signInSchema, request.body);
    const who = trier(request, email);
    await refuseTooMany(sequelize, who, limits, new Date());
    const user = await findUserByEmail(email);
    const matches = await isPassword(password, user?.passwordHash ?? decoy);
    if (!user || !matches) {
      await noteFailure(who, new Date());
      throw new ApiError('wrong-credentials');
    }
    const { on } = await factorOf(user.firmId, user.id);
    // Who has no code yet is asked for one; that is no failure.
    if (on && code === undefined) throw new ApiError('second-factor-needed', { path: 'code' });
    if (on) {
      const passes = await sequelize.transaction((transaction) =>
        passesFactor(user.firmId, user.id, code!, new Date(), transaction),
      );
      if (!passes) {
        await noteFailure(who, new Date());
        throw new ApiError('wrong-code', { path: 'code' });
      }
    }
    await forgetFailures(email);
    await enter(user, request, response);
  });

  // A device that unlocked its passkey is what one has and what one is: no code is asked for beside it.
  router.post(
    '/passkey/question',
    limitTries(sequelize, 'passkey', questionsPerWindow, 'all'),
    askWhoSignsIn,
  );
  router.post('/passkey', async (request, response) => {
    const { used } = validate(usedPasskeySchema, request.body);
    const who = trier(request, `passkey ${used.id}`);
    await refuseTooMany(sequelize, who, limits, new Date());
    const now = new Date();
    const { firmId, userId } = await whoSigned(used, 'sign-in', placeOf(request), now).catch(
      async (error: unknown) => {
        await noteFailure(who, now);
        throw error;
      },
    );
    await enter({ firmId, id: userId }, request, response);
  });

  router.delete('/', async (request, response) => {
    const token = tokenOf(request, config);
    if (token) await closeSession(token);
    response.clearCookie(cookieName(config), cookieOptions(config)).status(204).end();
  });

  router.use(requireSession(config));
  const whose = (response: Response) => {
    const { firm, user } = sessionOf(response);
    return { firmId: firm.id, userId: user.id };
  };

  const check: CheckPassword = async (request, response, password, path = 'password') => {
    const { firm, user } = sessionOf(response);
    const who = trier(request, user.email);
    await refuseTooMany(sequelize, who, limits, new Date());
    if (await isPassword(password, await findHash(firm.id, user.id))) return;
    await noteFailure(who, new Date());
    throw new ApiError('wrong-password', { path });
  };
  const proven = (request: Request, response: Response) =>
    noteProof(sessionOf(response).firm.id, tokenOf(request, config)!, new Date());
  router.use('/second-factor', secondFactorRoutes(sequelize, check));
  router.use('/passkeys', passkeyRoutes(sequelize));
  router.use('/proof/passkey', passkeyProof(proven));
  const oneself = (response: Response) => {
    const { id, name } = sessionOf(response).user;
    return { kind: 'person', id, name } as const;
  };

  router.get('/', (_request, response) => {
    response.json(sessionOf(response));
  });

  // Asked before something that is no request of the page itself, such as a file that is saved.
  router.get('/proof', requireProof, (_request, response) => {
    response.status(204).end();
  });
  router.put('/proof', async (request, response) => {
    const { password } = validate(proofSchema, request.body);
    await check(request, response, password);
    await proven(request, response);
    response.status(204).end();
  });

  router.put('/password', async (request, response) => {
    const { user, firm } = sessionOf(response);
    const { current, next } = validate(changePasswordSchema, request.body);
    await check(request, response, current, 'current');
    if (isCommonPassword(next, [user.name, user.email, firm.name]))
      throw new ApiError('common-password', { path: 'next' });
    const hash = await hashPassword(next, config.passwordCost);
    const done = { code: 'password-changed', ...oneself(response) } as const;
    await recorded(sequelize, doerOf(request, response), done, async (transaction) => {
      await setHash(firm.id, user.id, hash, transaction);
      // Whoever was in by the old one is out.
      await endSessions(whose(response), { allBut: tokenOf(request, config)! }, transaction);
    });
    response.status(204).end();
  });

  router.get('/all', async (request, response) => {
    const sessions = await sessionsOf(whose(response), tokenOf(request, config)!, new Date());
    response.json({ sessions });
  });
  router.delete('/all', async (request, response) => {
    const done = { code: 'sessions-ended', ...oneself(response) } as const;
    await recorded(sequelize, doerOf(request, response), done, (transaction) =>
      endSessions(whose(response), { allBut: tokenOf(request, config)! }, transaction),
    );
    endLinesOf(sessionOf(response).user.id);
    response.status(204).end();
  });
  router.delete('/all/:id', async (request, response) => {
    const id = idFrom(request.params);
    const done = { code: 'sessions-ended', ...oneself(response) } as const;
    await recorded(sequelize, doerOf(request, response), done, async (transaction) => {
      if (!(await endSessions(whose(response), { id }, transaction)))
        throw new ApiError('not-found');
    });
    endLinesOf(sessionOf(response).user.id);
    response.status(204).end();
  });
  return router;
}

import { credentialsSchema, type Session } from '@katharos/contract';
import type { Config } from '../base/config.ts';
import { ApiError } from '../http/apiError.ts';
import { validate } from '../http/validate.ts';
import { hashPassword, isPassword } from './passwords.ts';
import {
  cookieName,
  cookieOptions,
  requireSession,
  sessionOf,
  setCookie,
  tokenOf,
} from './requireSession.ts';
import {
  closeSession,
  findSession,
  findUserByEmail,
  openSession,
  type UserForSignIn,
} from './sessionRepository.ts';
import { type Response, Router } from 'express';
import { rateLimit } from 'express-rate-limit';

/** Limits tries from one address; only tries that failed count. */
export const limitTries = (tries: number) =>
  rateLimit({
    windowMs: 15 * 60 * 1000,
    limit: tries,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new ApiError('too-many-tries');
    },
  });

/** Opens a session, sets its cookie and returns what the web application shows of it. */
export async function startSession(
  user: UserForSignIn,
  config: Config,
  response: Response,
): Promise<Session> {
  const now = new Date();
  const token = await openSession(user, now);
  const found = await findSession(token, now);
  if (!found) throw new ApiError('not-signed-in');
  setCookie(response, token, config);
  return found.session;
}

/** Sign in, who am I, sign out. */
export function sessionRoutes(config: Config): Router {
  const router = Router();
  // An unknown e-mail costs the same time as a known one with a wrong password.
  const decoy = hashPassword('no one has this password', config.passwordCost);

  router.post('/', limitTries(config.signInTries), async (request, response) => {
    const { email, password } = validate(credentialsSchema, request.body);
    const user = await findUserByEmail(email);
    const matches = await isPassword(password, user?.passwordHash ?? (await decoy));
    if (!user || !matches) throw new ApiError('wrong-credentials');
    response.status(201).json(await startSession(user, config, response));
  });

  router.get('/', requireSession(config), (_request, response) => {
    response.json(sessionOf(response));
  });

  router.delete('/', async (request, response) => {
    const token = tokenOf(request);
    if (token) await closeSession(token);
    response.clearCookie(cookieName, cookieOptions(config)).status(204).end();
  });
  return router;
}

import type { Session } from '@katharos/contract';
import { parse } from 'cookie';
import type { CookieOptions, Request, RequestHandler, Response } from 'express';
import type { Config } from '../base/config.ts';
import { ApiError } from '../http/apiError.ts';
import { findSession, isLetGo, sessionDays } from './sessionRepository.ts';

/** Behind TLS the browser itself holds it to this host, this path and a safe line. */
export const cookieName = ({ behindTls }: Config): string =>
  behindTls ? '__Host-katharos_session' : 'katharos_session';

export const cookieOptions = (config: Config): CookieOptions => ({
  httpOnly: true,
  sameSite: 'strict',
  secure: config.behindTls,
  path: '/',
});

/** Gives a browser its token for as long as the session lasts. */
export const setCookie = (response: Response, token: string, config: Config): unknown =>
  response.cookie(cookieName(config), token, {
    ...cookieOptions(config),
    maxAge: sessionDays * 86400e3,
  });

/** The token that a request carries, if any. */
export const tokenOf = (request: Request, config: Config): string | undefined =>
  parse(request.headers.cookie ?? '')[cookieName(config)];

/** Lets only signed-in requests on, and puts the session where `sessionOf` finds it. A session that is prolonged prolongs its cookie. */
export const requireSession =
  (config: Config): RequestHandler =>
  async (request, response, next) => {
    const token = tokenOf(request, config);
    const found = token ? await findSession(token, new Date()) : undefined;
    if (token && !found && (await isLetGo(token))) throw new ApiError('let-go');
    if (!token || !found) throw new ApiError('not-signed-in');
    if (found.prolonged) setCookie(response, token, config);
    response.locals.session = found.session;
    response.locals.provedAt = found.provedAt;
    next();
  };

/** So long a password that was given stands for what cannot be undone, ms. */
const proofLastsMs = 10 * 60_000;

/** Lets on only whose password was given a moment ago: a session that somebody left open takes nothing along and lets nobody go. */
export const requireProof: RequestHandler = (_request, response, next) => {
  const provedAt = response.locals.provedAt as Date;
  if (Date.now() - provedAt.getTime() > proofLastsMs) throw new ApiError('password-needed');
  next();
};

/** The session of a request that passed `requireSession`. */
export const sessionOf = (response: Response): Session => response.locals.session as Session;

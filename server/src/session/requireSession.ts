import type { Session } from '@katharos/contract';
import { parse } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import { ApiError } from '../http/apiError.ts';
import { findSession } from './sessionRepository.ts';

export const cookieName = 'katharos_session';

/** The token that a request carries, if any. */
export const tokenOf = (request: Request): string | undefined =>
  parse(request.headers.cookie ?? '')[cookieName];

/** Lets only signed-in requests on, and puts the session where `sessionOf` finds it. */
export const requireSession: RequestHandler = async (request, response, next) => {
  const token = tokenOf(request);
  const session = token ? await findSession(token, new Date()) : undefined;
  if (!session) throw new ApiError('not-signed-in');
  response.locals.session = session;
  next();
};

/** The session of a request that passed `requireSession`. */
export const sessionOf = (response: Response): Session => response.locals.session as Session;

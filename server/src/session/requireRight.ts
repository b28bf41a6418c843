import { may, type Right } from '@katharos/contract';
import type { RequestHandler, Response } from 'express';
import { ApiError } from '../http/apiError.ts';
import { sessionOf } from './requireSession.ts';

/** Refuses who may not. */
export function refuseWithout(response: Response, right: Right): void {
  if (!may(sessionOf(response).user.role, right)) throw new ApiError('not-allowed');
}

/** Lets only those on who may. */
export const requireRight =
  (right: Right): RequestHandler =>
  (_request, response, next) => {
    refuseWithout(response, right);
    next();
  };

/** The same, where reading is everybody's. */
export const requireRightToChange =
  (right: Right): RequestHandler =>
  (request, response, next) => {
    if (request.method !== 'GET' && request.method !== 'HEAD') refuseWithout(response, right);
    next();
  };

import type { Request, Response } from 'express';
import type { Doer } from '../audit/auditRepository.ts';
import { sessionOf } from './requireSession.ts';

/** What a browser says that it is. */
export const deviceOf = (request: Request): string =>
  (request.get('user-agent') ?? '').slice(0, 200);

/** Who does what is asked for: the session's own person, never a name that was sent. */
export function doerOf(request: Request, response: Response): Doer {
  const { firm, user } = sessionOf(response);
  return { firmId: firm.id, by: user.name, device: deviceOf(request) };
}

import { newPasskeySchema, usedPasskeySchema } from '@katharos/contract';
import { type Request, type RequestHandler, type Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import { recorded } from '../audit/auditRepository.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { doerOf } from './doer.ts';
import {
  askToMake,
  askToSign,
  keepPasskey,
  passkeysOf,
  placeOf,
  removePasskey,
  whoSigned,
} from './passkeys.ts';
import { requireProof, sessionOf } from './requireSession.ts';

const whose = (response: Response) => {
  const { firm, user } = sessionOf(response);
  return { firmId: firm.id, userId: user.id };
};

/** A person's own passkeys. Who finds a page open makes none and removes none. */
export function passkeyRoutes(sequelize: Sequelize): Router {
  const router = Router();
  const done = (response: Response, code: 'passkey-made' | 'passkey-removed') => {
    const { id, name } = sessionOf(response).user;
    return { code, kind: 'person', id, name } as const;
  };
  router.get('/', async (_request, response) => {
    response.json({ passkeys: await passkeysOf(whose(response)) });
  });
  router.post('/question', requireProof, async (request, response) => {
    const { name, email } = sessionOf(response).user;
    const person = { ...whose(response), name, email };
    response.status(201).json(await askToMake(person, placeOf(request), new Date()));
  });
  router.post('/', requireProof, async (request, response) => {
    const given = validate(newPasskeySchema, request.body);
    const place = placeOf(request);
    const made = done(response, 'passkey-made');
    await recorded(sequelize, doerOf(request, response), made, (transaction) =>
      keepPasskey(whose(response), given, place, new Date(), transaction),
    );
    response.status(204).end();
  });
  router.delete('/:id', requireProof, async (request, response) => {
    const id = idFrom(request.params);
    const removed = done(response, 'passkey-removed');
    await recorded(sequelize, doerOf(request, response), removed, (transaction) =>
      removePasskey(whose(response), id, transaction),
    );
    response.status(204).end();
  });
  return router;
}

/** A passkey instead of the password once more. @param note notes the proof with the session */
export function passkeyProof(
  note: (request: Request, response: Response) => Promise<void>,
): Router {
  const router = Router();
  router.post('/question', async (request, response) => {
    const own = whose(response);
    const question = await askToSign(`prove:${own.userId}`, placeOf(request), new Date(), own);
    response.status(201).json(question);
  });
  router.put('/', async (request, response) => {
    const { used } = validate(usedPasskeySchema, request.body);
    const own = whose(response);
    const by = await whoSigned(used, `prove:${own.userId}`, placeOf(request), new Date());
    // Somebody else's passkey proves somebody else.
    if (by.userId !== own.userId) throw new ApiError('passkey-refused');
    await note(request, response);
    response.status(204).end();
  });
  return router;
}

/** Asks whoever is not signed in to sign. */
export const askWhoSignsIn: RequestHandler = async (request, response) => {
  response.status(201).json(await askToSign('sign-in', placeOf(request), new Date()));
};

import { changePartsSchema, newPriceSchema, retirePartSchema } from '@katharos/contract';
import type { Part } from '@katharos/core';
import { differing } from '@katharos/words';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { record, recordAll, recorded } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { once } from '../deeds/once.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { requireRight } from '../session/requireRight.ts';
import { sessionOf } from '../session/requireSession.ts';
import {
  changeParts,
  dropPrice,
  findPart,
  firmParts,
  notePrice,
  pricesOf,
  retirePart,
  wholeCatalogue,
} from './catalogueRepository.ts';

const about = ({ id, name }: Part) => ({ kind: 'part', id, name }) as const;

/** The firm's parts: reading them is everybody's, changing them is not. What is agreed or installed holds its own copies. */
export function catalogueRoutes(sequelize: Sequelize): Router {
  const router = Router();
  const firmOf = (response: Parameters<typeof sessionOf>[0]) => sessionOf(response).firm.id;
  const known = async (firmId: string, partId: string): Promise<Part> => {
    const part = await findPart(firmId, partId);
    if (!part) throw new ApiError('not-found');
    return part;
  };

  router.get('/', async (_request, response) => {
    response.json({ parts: await firmParts(firmOf(response)) });
  });
  router.get('/all', async (_request, response) => {
    response.json({ entries: await wholeCatalogue(firmOf(response)) });
  });

  router.put('/parts', requireRight('catalogue'), async (request, response) => {
    const { changes } = validate(changePartsSchema, request.body);
    const doer = doerOf(request, response);
    await once(sequelize, request, response, async (transaction) => {
      const changed = await changeParts(doer.firmId, changes, transaction);
      const done = changed.map(({ before, part }) => ({
        code: before ? ('part-changed' as const) : ('part-added' as const),
        ...about(part),
        data: before ? { before, after: part, paths: differing(before, part) } : { part },
      }));
      await recordAll(doer, done, transaction);
      return { status: 200, body: { changed: changed.length } };
    });
  });

  router.patch('/parts/:part', requireRight('catalogue'), async (request, response) => {
    const { retired } = validate(retirePartSchema, request.body);
    const doer = doerOf(request, response);
    await sequelize.transaction(async (transaction) => {
      const at = retired ? new Date() : null;
      const part = await retirePart(doer.firmId, String(request.params.part), at, transaction);
      const code = retired ? 'part-retired' : 'part-restored';
      await record(doer, { code, ...about(part) }, transaction);
    });
    response.status(204).end();
  });

  router.get('/parts/:part/prices', async (request, response) => {
    const firmId = firmOf(response);
    const part = await known(firmId, request.params.part);
    response.json({ prices: await pricesOf(firmId, part.id) });
  });
  router.post('/parts/:part/prices', requireRight('catalogue'), async (request, response) => {
    const doer = doerOf(request, response);
    const price = validate(newPriceSchema, request.body);
    const part = await known(doer.firmId, String(request.params.part));
    const done = { code: 'price-noted', ...about(part), data: { ...price } } as const;
    await recorded(sequelize, doer, done, (transaction) =>
      notePrice(doer.firmId, part.id, price, transaction),
    );
    response.status(204).end();
  });
  router.delete('/parts/:part/prices/:id', requireRight('catalogue'), async (request, response) => {
    const doer = doerOf(request, response);
    const id = idFrom(request.params);
    const part = await known(doer.firmId, String(request.params.part));
    await recorded(sequelize, doer, { code: 'price-removed', ...about(part) }, (transaction) =>
      dropPrice(doer.firmId, part.id, id, transaction),
    );
    response.status(204).end();
  });
  return router;
}

import { once as told } from 'node:events';
import { chainFormat } from '@katharos/contract';
import { Router } from 'express';
import { sessionOf } from '../session/requireSession.ts';
import { checkChain } from '../sealing/seal.ts';
import { chainOf } from './sealRepository.ts';

/** A firm's certificates as a chain: whether it holds, and all of it as a file. */
export function chainRoutes(): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await checkChain(chainOf(sessionOf(response).firm.id)));
  });

  router.get('/chain.json', async (_request, response) => {
    const { firm } = sessionOf(response);
    response.type('application/json').attachment('certificates.json');
    response.write(
      `{"format":"${chainFormat}","version":1,"firm":${JSON.stringify(firm.name)},"certificates":[`,
    );
    let between = '\n';
    for await (const link of chainOf(firm.id)) {
      if (response.closed) return;
      if (!response.write(between + JSON.stringify(link))) await told(response, 'drain');
      between = ',\n';
    }
    response.end('\n]}\n');
  });

  return router;
}

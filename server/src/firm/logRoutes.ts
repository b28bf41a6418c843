import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { auditQuerySchema } from '@katharos/contract';
import { Router } from 'express';
import { validate } from '../http/validate.ts';
import { requireRight } from '../session/requireRight.ts';
import { sessionOf } from '../session/requireSession.ts';
import { auditPage, logOf } from '../audit/auditRepository.ts';
import { checkLog } from '../sealing/logSeal.ts';

/** The firm's log of who did what: looked through, checked, and taken along. */
export function logRoutes(): Router {
  const router = Router();
  router.use(requireRight('settings'));
  router.get('/', async (request, response) => {
    const query = validate(auditQuerySchema, request.query);
    response.json(await auditPage(sessionOf(response).firm.id, query));
  });
  router.get('/check', async (_request, response) => {
    response.json(await checkLog(logOf(sessionOf(response).firm.id)));
  });
  router.get('/log.jsonl', async (_request, response) => {
    response
      .type('application/jsonl')
      .setHeader('Content-Disposition', 'attachment; filename="log.jsonl"');
    await pipeline(Readable.from(logLines(sessionOf(response).firm.id)), response);
  });
  return router;
}

async function* logLines(firmId: string): AsyncGenerator<string> {
  for await (const entry of logOf(firmId)) yield `${JSON.stringify(entry)}\n`;
}

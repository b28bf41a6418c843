import { Router } from 'express';
import { keepOpen } from '../session/openLines.ts';
import { sessionOf } from '../session/requireSession.ts';
import type { Change, Changes } from './changes.ts';

/** Silence after which something is said, so that nothing between closes the line, ms. */
const heartbeatMs = 20_000;
/** A line is ended after this, and opened anew by the browser: a session that was ended must not be heard for ever, ms. */
const longestMs = 15 * 60_000;
/** Time after which a browser opens its line anew, ms. */
const retryMs = 1500;

/**
 * What changes in the firm, told to its people as it happens (server-sent events). Whoever says since when it knows what is there is
 * told what came since, or that it may be anything.
 */
export function eventRoutes(changes: Changes): Router {
  const router = Router();
  router.get('/', (request, response) => {
    const { firm, user } = sessionOf(response);
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      'X-Accel-Buffering': 'no',
    });
    response.write(`retry: ${retryMs}\n\n`);
    keepOpen(response, user.id);
    const tell = (told: Omit<Change, 'firm'> | { of: 'all'; job: null }) =>
      response.write(`data: ${JSON.stringify(told)}\n\n`);
    const hear = ({ firm: whose, ...told }: Change) => {
      if (whose === firm.id) tell(told);
    };
    const { since } = request.query;
    if (since !== undefined) {
      const missed = changes.since(Number(since));
      if (missed) missed.forEach(hear);
      else tell({ of: 'all', job: null });
    }
    const stop = changes.listen(hear);
    const beat = setInterval(() => response.write(': still here\n\n'), heartbeatMs);
    const end = setTimeout(() => response.end(), longestMs);
    response.on('close', () => {
      stop();
      clearInterval(beat);
      clearTimeout(end);
    });
    request.on('error', () => response.end());
  });
  return router;
}

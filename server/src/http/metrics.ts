import { timingSafeEqual } from 'node:crypto';
import { type RequestHandler, Router } from 'express';
import { collectDefaultMetrics, Histogram, Registry } from 'prom-client';
import { ApiError } from './apiError.ts';

/** Answers, by how long they took, s: from what nobody notices to what everybody does. */
const buckets = [0.005, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 15];

export interface Metrics {
  /** Counts and times every request, by its kind and never by what it was about. */
  watch: RequestHandler;
  /** What is known, as Prometheus reads it. */
  routes: Router;
}

/** First words of addresses that there are: a stranger's own would each be a series for ever. */
const known = new Set(
  'audit board catalogue certificates diary events firm instruments jobs join meta people reset session setup van'.split(
    ' ',
  ),
);
function about(path: string): string {
  const [, api, word = ''] = path.split('/');
  if (api !== 'api') return 'page';
  return known.has(word) ? word : 'other';
}

const isSame = (a: string, b: string): boolean => {
  const [left, right] = [Buffer.from(a), Buffer.from(b)];
  return left.length === right.length && timingSafeEqual(left, right);
};

/** @param token that whoever reads them brings; without one they are not there */
export function metricsOf(token: string | undefined): Metrics {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const answers = new Histogram({
    name: 'katharos_answers_seconds',
    help: 'Time to an answer, by method, first word of the address and class of status.',
    labelNames: ['method', 'about', 'status'],
    buckets,
    registers: [registry],
  });
  const routes = Router();
  routes.get('/metrics', async (request, response) => {
    const given = /^Bearer (.+)$/.exec(request.get('authorization') ?? '')?.[1];
    if (!token || !given || !isSame(given, token)) throw new ApiError('not-found');
    response.type(registry.contentType).send(await registry.metrics());
  });
  return {
    routes,
    watch: (request, response, next) => {
      const stop = answers.startTimer({ method: request.method, about: about(request.path) });
      response.once('close', () => stop({ status: `${Math.floor(response.statusCode / 100)}xx` }));
      next();
    },
  };
}

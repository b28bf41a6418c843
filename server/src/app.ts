import { join } from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Sequelize } from 'sequelize';
import { catalogueRoutes } from './catalogue/catalogueRoutes.ts';
import type { Config } from './base/config.ts';
import { hasOwner } from './firm/firmRepository.ts';
import { firmRoutes, setupRoutes } from './firm/firmRoutes.ts';
import { ApiError } from './http/apiError.ts';
import { answerErrors } from './http/errors.ts';
import { jobFileRoutes } from './jobFiles/jobFileRoutes.ts';
import { jobRoutes } from './jobs/jobRoutes.ts';
import { paperRoutes } from './papers/paperRoutes.ts';
import { photographRoutes } from './photographs/photographRoutes.ts';
import { demoSignIn } from './seed/demoFirm.ts';
import { sessionRoutes } from './session/sessionRoutes.ts';
import { vanRoutes } from './van/vanRoutes.ts';

/** The most that a request may carry: a full job document is under 100 kB. */
const largestBody = '1mb';
/** A job file carries the job's photographs. */
const largestJobFile = '40mb';

/** Besides the SameSite cookie: a browser's request that changes something must come from a page of this server. */
const refuseForeignOrigin: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers;
  const safe = request.method === 'GET' || request.method === 'HEAD';
  if (!safe && origin !== undefined && !(URL.canParse(origin) && new URL(origin).host === host)) {
    throw new ApiError('foreign-origin');
  }
  next();
};

export interface AppParts {
  config: Config;
  sequelize: Sequelize;
  logger: Logger;
  setupCode: string;
}

/** Builds the whole server as one handler, without a port, so that tests run it as it is. */
export function createApp({ config, sequelize, logger, setupCode }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  if (config.behindTls) app.set('trust proxy', 1);
  app.use(
    helmet({
      // Plain http on loopback must not be turned into https by the browser.
      contentSecurityPolicy: {
        directives: {
          upgradeInsecureRequests: config.behindTls ? [] : null,
          styleSrc: ["'self'", "'unsafe-inline'"],
        },
      },
      strictTransportSecurity: config.behindTls,
    }),
  );
  app.use(
    pinoHttp({
      logger,
      redact: ['req.headers.authorization', 'req.headers.cookie', 'res.headers["set-cookie"]'],
      autoLogging: { ignore: (request) => !request.url?.startsWith('/api/') },
    }),
  );
  app.use(compression());
  app.use(refuseForeignOrigin);
  app.use('/api', (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.use('/api/jobs/file', express.json({ limit: largestJobFile, strict: true }));
  app.use('/api', express.json({ limit: largestBody, strict: true }));
  app.get('/api/meta', async (_request, response) => {
    response.json({ demo: config.demo ? demoSignIn : null, setupNeeded: !(await hasOwner()) });
  });
  app.use('/api/setup', setupRoutes(config, sequelize, setupCode));
  app.use('/api/session', sessionRoutes(config));
  app.use('/api/firm', firmRoutes());
  // Files and papers first: their addresses are more particular than a job's own.
  app.use('/api/jobs', jobFileRoutes(sequelize), paperRoutes());
  app.use('/api/jobs/:job/photographs', photographRoutes());
  app.use('/api/jobs', jobRoutes(sequelize));
  app.use('/api/catalogue', catalogueRoutes());
  app.use('/api/van', vanRoutes(sequelize));
  app.use('/api', () => {
    throw new ApiError('not-found');
  });
  if (config.webRoot) serveWeb(app, config.webRoot);
  app.use(() => {
    throw new ApiError('not-found');
  });
  app.use(answerErrors(logger));
  return app;
}

/** The built application; any address that is no file is a page of it. */
function serveWeb(app: Express, root: string): void {
  app.use(
    '/assets',
    // Squeezed at the build, so that no request waits for it.
    staticGzip(join(root, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gzip'],
      index: false,
      serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
    }) as RequestHandler,
  );
  app.use(express.static(root, { index: false }));
  app.get('/{*path}', (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(root, 'index.html'));
  });
}

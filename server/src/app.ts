import type { ServerResponse } from 'node:http';
import { basename, join } from 'node:path';
import compression from 'compression';
import express, { type Express, type RequestHandler, Router } from 'express';
import staticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Sequelize } from 'sequelize';
import { logRoutes } from './firm/logRoutes.ts';
import { archiveRoutes } from './archive/archiveRoutes.ts';
import { catalogueRoutes } from './catalogue/catalogueRoutes.ts';
import type { Config } from './base/config.ts';
import type { Changes } from './events/changes.ts';
import { diaryRoutes } from './diary/diaryRoutes.ts';
import { feedRoutes, ownFeedRoutes } from './diary/feedRoutes.ts';
import { eventRoutes } from './events/eventRoutes.ts';
import { hasOwner } from './firm/firmRepository.ts';
import { firmRoutes, setupRoutes } from './firm/firmRoutes.ts';
import { ApiError } from './http/apiError.ts';
import { jsonBody } from './http/body.ts';
import { answerErrors, withoutContent } from './http/errors.ts';
import { healthRoutes } from './http/health.ts';
import { personRoutes } from './household/personRoutes.ts';
import { metricsOf } from './http/metrics.ts';
import { onlyPlainText } from './http/plainText.ts';
import { instrumentRoutes } from './instruments/instrumentRoutes.ts';
import { householdPages, householdRoutes } from './household/householdRoutes.ts';
import { jobFileRoutes } from './jobFiles/jobFileRoutes.ts';
import { boardOf } from './jobs/board.ts';
import { jobRoutes } from './jobs/jobRoutes.ts';
import type { PaperMill } from './papers/paperMill.ts';
import { letterRoutes } from './mail/letterRoutes.ts';
import type { Postman } from './mail/postman.ts';
import { chainRoutes } from './papers/chainRoutes.ts';
import { joinRoutes, peopleRoutes } from './people/peopleRoutes.ts';
import { paperRoutes } from './papers/paperRoutes.ts';
import { photographRoutes } from './photographs/photographRoutes.ts';
import { demoSignIn } from './seed/demoFirm.ts';
import { requireRightToChange } from './session/requireRight.ts';
import { requireSession, sessionOf } from './session/requireSession.ts';
import { resetRoutes } from './people/resetRoutes.ts';
import { sessionRoutes } from './session/sessionRoutes.ts';
import { stockRoutes } from './stock/stockRoutes.ts';
import { vanRoutes } from './stock/vanRoutes.ts';

/** By what a page knows that it was built of the same contract; written here by the build. */
const contractMark = process.env.CONTRACT_MARK;

/** Besides the SameSite cookie: a browser's request that changes something must come from a page of this server. */
const refuseForeignOrigin: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers;
  const safe = request.method === 'GET' || request.method === 'HEAD';
  if (!safe && origin !== undefined && !(URL.canParse(origin) && new URL(origin).host === host)) {
    throw new ApiError('foreign-origin');
  }
  next();
};

/** A name of a computer and perhaps a port; it is written into codes on labels, so it must be one. */
const hostForm = /^[\w.-]{1,253}(:\d{1,5})?$|^\[[\da-f:.]{2,45}\](:\d{1,5})?$/i;
const refuseStrangeHost: RequestHandler = (request, _response, next) => {
  if (!hostForm.test(request.headers.host ?? '')) throw new ApiError('malformed-request');
  next();
};

export interface AppParts {
  config: Config;
  sequelize: Sequelize;
  logger: Logger;
  setupCode: string;
  changes: Changes;
  mill: PaperMill;
  post: Pick<Postman, 'soon' | 'deliver' | 'forget'>;
}

/** Builds the whole server as one handler, without a port, so that tests run it as it is. */
export function createApp(parts: AppParts): Express {
  const { config, sequelize, logger } = parts;
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
      // Where a request went and how it ended; what was searched for or sent belongs in no log.
      serializers: {
        req: ({ method, url }: { method: string; url: string }) => ({
          method,
          path: url.split('?')[0],
        }),
        res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
        err: withoutContent,
      },
      customLogLevel: (_request, response, error) =>
        error || response.statusCode >= 500
          ? 'error'
          : response.statusCode >= 400
            ? 'warn'
            : 'info',
      autoLogging: { ignore: (request) => !request.url?.startsWith('/api/') },
    }),
  );
  const metrics = metricsOf(config.metricsToken);
  app.use(metrics.watch);
  app.use(healthRoutes(sequelize));
  app.use(metrics.routes);
  app.use(refuseStrangeHost);
  // Answers are squeezed while somebody waits: the first half of it is nearly all of the gain.
  app.use(compression({ level: 2 }));
  app.use(refuseForeignOrigin);
  app.use('/api', apiRoutes(parts));
  app.use('/feeds', feedRoutes(sequelize, parts.mill));
  app.use('/home', householdPages(sequelize, parts.mill));
  if (config.webRoot) serveWeb(app, config.webRoot);
  app.use(() => {
    throw new ApiError('not-found');
  });
  app.use(answerErrors(logger));
  return app;
}

/** The API. Whoever is not signed in gets no further than signing in: not even what they send is read. */
function apiRoutes({ config, sequelize, setupCode, changes, mill, post }: AppParts): Router {
  const router = Router();
  router.use((_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    if (contractMark) response.setHeader('Katharos-Contract', contractMark);
    next();
  });
  const small = [jsonBody('small'), onlyPlainText];
  router.get('/meta', async (_request, response) => {
    response.json({ demo: config.demo ? demoSignIn : null, setupNeeded: !(await hasOwner()) });
  });
  router.use('/setup', small, setupRoutes(config, sequelize, setupCode));
  router.use('/session', small, sessionRoutes(config, sequelize));
  router.use('/join', small, joinRoutes(config, sequelize));
  router.use('/reset', small, resetRoutes(config, sequelize, post));
  router.use(requireSession(config));
  router.use('/events', eventRoutes(changes));
  router.use('/firm/archive.zip', archiveRoutes(sequelize));
  router.use('/firm', small, firmRoutes(sequelize));
  router.use('/people', small, peopleRoutes(sequelize));
  // Files and papers first: their addresses are more particular than a job's own.
  router.use('/jobs', jobFileRoutes(sequelize), paperRoutes(sequelize, mill));
  router.use('/jobs/:job/photographs', photographRoutes(sequelize));
  router.use('/jobs/:job/person', small, personRoutes(sequelize, post));
  router.use('/jobs/:job/household', requireRightToChange('write'), householdRoutes(sequelize));
  router.use('/jobs', jsonBody('document'), onlyPlainText, jobRoutes(sequelize));
  router.get('/board', async (_request, response) => {
    response.json({ jobs: await boardOf(sessionOf(response).firm.id) });
  });
  router.use('/certificates', chainRoutes());
  router.use('/diary/feed', ownFeedRoutes(sequelize));
  router.use('/diary/letters', requireRightToChange('write'), letterRoutes(sequelize, post.soon));
  router.use('/diary', diaryRoutes(sequelize, mill));
  router.use('/catalogue', jsonBody('document'), onlyPlainText, catalogueRoutes(sequelize));
  router.use('/audit', logRoutes());
  router.use('/instruments', small, instrumentRoutes(sequelize));
  router.use('/van', jsonBody('document'), onlyPlainText, vanRoutes(sequelize));
  router.use('/stock', jsonBody('document'), onlyPlainText, stockRoutes(sequelize));
  router.use(() => {
    throw new ApiError('not-found');
  });
  return router;
}

/** What a browser heeds of a page and of nothing that a page is made of; a hundred files would each bring half a kilobyte of it. */
const pageHeaders = [
  'Cross-Origin-Opener-Policy',
  'Origin-Agent-Cluster',
  'Referrer-Policy',
  'X-DNS-Prefetch-Control',
  'X-Download-Options',
  'X-Frame-Options',
  'X-Permitted-Cross-Domain-Policies',
  'X-XSS-Protection',
];
function withoutPageHeaders(response: ServerResponse, path: string): void {
  if (!/\.(js|css|woff2)(\.br|\.gz)?$/.test(path)) return;
  for (const name of pageHeaders) response.removeHeader(name);
  // A worker is held to the policy that comes with its own file.
  if (!basename(path).includes('worker')) response.removeHeader('Content-Security-Policy');
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
      serveStatic: { immutable: true, maxAge: '1y', setHeaders: withoutPageHeaders },
    }) as RequestHandler,
    // A page of before an update may ask for what is no longer there: that is no page of the application.
    () => {
      throw new ApiError('not-found');
    },
  );
  app.use(
    express.static(root, {
      index: false,
      // Newer versions are looked for at every start.
      setHeaders: (response) => response.setHeader('Cache-Control', 'no-cache'),
    }),
  );
  app.get('/{*path}', (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(root, 'index.html'));
  });
}

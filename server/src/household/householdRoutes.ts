import { type ApiErrorCode, saySchema } from '@katharos/contract';
import { dateOf } from '@katharos/core';
import { householdPageOf } from '@katharos/papers';
import { photographLimits } from '@katharos/job';
import { checkInput } from '@katharos/words';
import multer from 'multer';
import type { Sequelize } from 'sequelize';
import { preparePhotograph } from '../photographs/preparePhotograph.ts';
import express, {
  type ErrorRequestHandler,
  type Request,
  type RequestHandler,
  type Response,
  Router,
} from 'express';
import { rateLimit } from 'express-rate-limit';
import { recorded } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { ApiError } from '../http/apiError.ts';
import { onlyPlainText } from '../http/plainText.ts';
import { idFrom } from '../http/validate.ts';
import { findJob, nameOfJob } from '../jobs/jobRepository.ts';
import type { PaperMill } from '../papers/paperMill.ts';
import { sessionOf } from '../session/requireSession.ts';
import { householdHtml, notHereHtml } from './householdHtml.ts';
import { endPage, findPage, householdSide, makePage, say } from './householdRepository.ts';

const whose = (request: Request, response: Response) => ({
  firmId: sessionOf(response).firm.id,
  jobId: idFrom(request.params, 'job'),
});
const aboutOf = (response: Response) =>
  response.locals.about as { kind: 'job'; id: string; name: string };
const pathOf = (token: string | null) => token && `/home/${token}`;

/** The household's page of a job, as the firm has it: its address, making it anew, ending it, and what was said there. */
export function householdRoutes(sequelize: Sequelize): Router {
  const router = Router({ mergeParams: true });
  router.use(async (request, response, next) => {
    const { firmId, jobId } = whose(request, response);
    const name = await nameOfJob(firmId, jobId);
    if (name === undefined) throw new ApiError('not-found');
    response.locals.about = { kind: 'job', id: jobId, name };
    next();
  });
  router.get('/', async (request, response) => {
    const { token, words } = await householdSide(whose(request, response));
    response.json({ path: pathOf(token), words });
  });
  router.post('/', async (request, response) => {
    const done = { code: 'household-page-made', ...aboutOf(response) } as const;
    const token = await recorded(sequelize, doerOf(request, response), done, (transaction) =>
      makePage(whose(request, response), new Date(), transaction),
    );
    response.status(201).json({ path: pathOf(token) });
  });
  router.delete('/', async (request, response) => {
    const done = { code: 'household-page-ended', ...aboutOf(response) } as const;
    await recorded(sequelize, doerOf(request, response), done, (transaction) =>
      endPage(whose(request, response), transaction),
    );
    response.status(204).end();
  });
  return router;
}

const gone =
  'This address is not in use any more. Ask the firm that looks after your system for the new one.';
const sentences: Partial<Record<ApiErrorCode, string>> = {
  'too-many-tries': 'This was asked for very often. Wait an hour, or call the firm.',
  'invalid-input': 'This holds characters that are no text. Go back and write it in plain words.',
  'too-large': 'This is longer than can be taken. Go back and say it in fewer words.',
  busy: 'The server is busy. Try again in a minute.',
  'not-a-picture': 'This file is no picture that can be read. Go back and send another, or none.',
};

/** So often may one address look, and so often may it say something, an hour. */
const looks = 120;
const sayings = 6;
const limited = (limit: number) =>
  rateLimit({
    windowMs: 3600e3,
    limit,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new ApiError('too-many-tries');
    },
  });

/** The form with a photograph in it; what is too large, or more than one, is told as such. */
const upload = multer({
  storage: multer.memoryStorage(),
  limits: { fileSize: photographLimits.fileBytes, files: 1, fields: 4, fieldSize: 8000, parts: 6 },
}).single('photograph');
const oneFile: RequestHandler = (request, response, next) => {
  void upload(request, response, (error: unknown) => {
    next(error instanceof multer.MulterError ? new ApiError('too-large') : error);
  });
};

/** The household's page itself: without signing in, by an address that nobody guesses. */
export function householdPages(sequelize: Sequelize, mill: PaperMill): Router {
  const router = Router();
  const found = async (request: Request) => {
    const token = String(request.params.token);
    const page = /^[\w-]{32}$/.test(token) ? await findPage(token) : undefined;
    const job = page && (await findJob(page.firm.id, page.jobId));
    if (!page || !job) throw new ApiError('not-found');
    return { ...page, job, token };
  };
  const show = async (
    request: Request,
    response: Response,
    told: { said: boolean; fault: string; text: string },
  ) => {
    const { firm, job } = await found(request);
    const { document } = job;
    const today = dateOf(Math.floor(Date.now() / 86400e3));
    const { visit } = await mill.reckon({ document, settings: firm.settings, today }, job.id);
    const page = householdPageOf({
      document,
      firm: { name: firm.name, settings: firm.settings },
      today,
      visit,
    });
    response
      .type('html')
      .setHeader('Cache-Control', 'no-store')
      .setHeader('Referrer-Policy', 'same-origin')
      .send(householdHtml(page, told));
  };
  router.get('/:token', limited(looks), async (request, response) => {
    await show(request, response, { said: request.query.said === '1', fault: '', text: '' });
  });
  router.post(
    '/:token',
    limited(sayings),
    // Nothing is read for an address that is none.
    async (request, _response, next) => {
      await found(request);
      next();
    },
    express.urlencoded({ extended: false, limit: '8kb' }),
    oneFile,
    onlyPlainText,
    async (request, response) => {
      const { firm, jobId, token } = await found(request);
      const checked = checkInput(saySchema, request.body as unknown);
      if (!checked.ok) {
        const [{ sentence }] = checked.faults;
        const { text } = request.body as { text?: unknown };
        response.status(400);
        await show(request, response, {
          said: false,
          fault: sentence,
          text: typeof text === 'string' ? text.slice(0, 1000) : '',
        });
        return;
      }
      const photograph = request.file?.size
        ? await preparePhotograph(request.file.buffer)
        : undefined;
      const said = { ...checked.value, photograph };
      await say(sequelize, { firmId: firm.id, jobId }, said, new Date());
      response.redirect(303, `/home/${token}?said=1`);
    },
  );
  // Whoever reads this has no program that understands an error's code.
  const inWords: ErrorRequestHandler = (error, _request, response, next) => {
    if (!(error instanceof ApiError)) {
      next(error);
      return;
    }
    response
      .status(error.status)
      .type('html')
      .send(notHereHtml(sentences[error.code] ?? gone));
  };
  router.use(inWords);
  return router;
}

import {
  draftQuerySchema,
  issuePaperSchema,
  type PaperKind,
  paperKinds,
  type Session,
} from '@katharos/contract';
import { certificateGaps } from '@katharos/job';
import { type Request, type Response, Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { z } from 'zod';
import { record } from '../audit/auditRepository.ts';
import { doerOf } from '../session/doer.ts';
import { firmParts } from '../catalogue/catalogueRepository.ts';
import { once } from '../deeds/once.ts';
import { ApiError } from '../http/apiError.ts';
import { jsonBody } from '../http/body.ts';
import { onlyPlainText } from '../http/plainText.ts';
import { idFrom, validate } from '../http/validate.ts';
import { findJob, hasJob, lockJob } from '../jobs/jobRepository.ts';
import { requireRight } from '../session/requireRight.ts';
import { sessionOf } from '../session/requireSession.ts';
import { findVan } from '../stock/stockRepository.ts';
import { hashOf } from '../sealing/hash.ts';
import type { PaperContents, PaperSource, SetKind } from './paperContent.ts';
import type { PaperMill } from './paperMill.ts';
import { addPaper, findPaper, listPapers, newestPaper, type PaperKey } from './paperRepository.ts';

type Units = Session['firm']['settings']['units'];

/** Why there is nothing to set yet. */
const notYet = (kind: SetKind): ApiError =>
  kind === 'service'
    ? new ApiError('not-found')
    : kind === 'certificate'
      ? new ApiError('not-verified')
      : new ApiError('not-agreed');

const keyOf = (request: Request, response: Response): PaperKey => ({
  firmId: sessionOf(response).firm.id,
  jobId: idFrom(request.params),
});

/** All that a paper of a job is made from, in the units that were asked for. */
async function sourceOf(
  { firmId, jobId }: PaperKey,
  { firm, user }: Pick<Session, 'firm' | 'user'>,
  units: Units,
  timeZone: string,
) {
  const job = await findJob(firmId, jobId);
  if (!job) throw new ApiError('not-found');
  const [catalogue, van] = await Promise.all([firmParts(firmId), findVan(firmId, user.id)]);
  return {
    job,
    firm: { ...firm, settings: { ...firm.settings, units } },
    catalogue,
    van,
    clock: { timeZone, now: Date.now() },
  } satisfies PaperSource;
}

const addressOf = (request: Request, jobId: string): string =>
  `${request.protocol}://${request.get('host') ?? 'localhost'}/jobs/${jobId}/plumb`;

function send(response: Response, pdf: Buffer, name: string): void {
  response
    .type('application/pdf')
    .setHeader('Content-Disposition', `inline; filename="${name}.pdf"`)
    .send(pdf);
}

/** A job's papers: as they would be now, as they were issued, and issuing them; mounted beside the jobs. */
export function paperRoutes(sequelize: Sequelize, mill: PaperMill): Router {
  const router = Router();

  router.get('/:id/papers', async (request, response) => {
    const key = keyOf(request, response);
    if (!(await hasJob(key.firmId, key.jobId))) throw new ApiError('not-found');
    response.json({ papers: await listPapers(key) });
  });

  router.post(
    '/:id/papers',
    requireRight('issue'),
    jsonBody('small'),
    onlyPlainText,
    async (request, response) => {
      const { firm, user } = sessionOf(response);
      const key = keyOf(request, response);
      const wanted = validate(issuePaperSchema, request.body);
      await issue({ sequelize, mill, firm, user, key, wanted, request, response });
    },
  );

  router.get('/:id/papers/:paper', async (request, response) => {
    const paper = await findPaper(keyOf(request, response), idFrom(request.params, 'paper'));
    if (!paper) throw new ApiError('not-found');
    response.json(paper);
  });

  router.get('/:id/papers/:paper/pdf', async (request, response) => {
    const key = keyOf(request, response);
    const paper = await findPaper(key, idFrom(request.params, 'paper'));
    if (!paper) throw new ApiError('not-found');
    const { content: held, ...record } = paper;
    const content = held as unknown as PaperContents[PaperKind];
    const address = addressOf(request, key.jobId);
    const order = { kind: paper.kind, content, address, record };
    const pdf = await mill.pdf(order, sessionOf(response).user.id);
    send(response, pdf, `${paper.kind}-${content.number}-version-${paper.version}`);
  });

  for (const kind of [...paperKinds, 'card'] as const) {
    // As it would be now: a draft, and marked as one.
    router.get(`/:id/${kind}.pdf`, async (request, response) => {
      const { firm, user } = sessionOf(response);
      const key = keyOf(request, response);
      const query = validate(draftQuerySchema, request.query);
      const { units = firm.settings.units, timeZone = 'UTC', visit } = query;
      const source = { ...(await sourceOf(key, { firm, user }, units, timeZone)), visit };
      const content = await mill.content(kind, source, user.id);
      if (!content) throw notYet(kind);
      const address = addressOf(request, key.jobId);
      const pdf = await mill.pdf({ kind, content, address, record: null }, user.id);
      send(response, pdf, `${kind}-${source.job.number}-draft`);
    });
  }
  return router;
}

interface Issuing {
  sequelize: Sequelize;
  mill: PaperMill;
  firm: Session['firm'];
  user: Session['user'];
  key: PaperKey;
  wanted: z.output<typeof issuePaperSchema>;
  request: Request;
  response: Response;
}

/** Makes a record of a paper as it stands at this moment; the newest version is answered where nothing is different. */
async function issue(order: Issuing): Promise<void> {
  const { sequelize, mill, firm, user, key, wanted, request, response } = order;
  const { kind, units, timeZone, at, reason, regardless, visit } = wanted;
  const source = { ...(await sourceOf(key, { firm, user }, units, timeZone)), visit };
  const gaps = kind === 'certificate' ? certificateGaps(source.job.document) : [];
  if (gaps.length > 0 && !regardless) throw new ApiError('something-open');
  const newest = await newestPaper(key, kind);
  const version = (newest?.version ?? 0) + 1;
  const issued = { ...source, issue: { version, at, by: user.name, timeZone, gaps, reason } };
  const made = await mill.content(kind, issued, user.id);
  if (!made) throw notYet(kind);
  const isSame =
    newest && hashOf({ ...made, ...neutral }) === hashOf({ ...newest.content, ...neutral });
  const content = isSame ? undefined : made;
  await once(sequelize, request, response, async (transaction) => {
    if (newest && !content) return { status: 200, body: withoutContent(newest) };
    await lockJob(key.firmId, key.jobId, transaction);
    const latest = await newestPaper(key, kind, transaction);
    // Somebody issued one meanwhile: the next try finds it.
    if (!content || (latest?.version ?? 0) + 1 !== version) throw new ApiError('busy');
    const paper = {
      kind,
      version,
      visit: visit ?? null,
      hash: hashOf(content),
      issuedAt: at,
      issuedBy: user.name,
      reason,
      gaps,
      content: { ...content },
    };
    const added = await addPaper(key, paper, transaction);
    const { name } = source.job.document.customer;
    const data = { kind, version, reason };
    const done = { code: 'paper-issued', kind: 'job', id: key.jobId, name, data } as const;
    await record(doerOf(request, response), done, transaction);
    return { status: 201, body: added };
  });
}

const withoutContent = <T extends { content: unknown }>({ content: _content, ...rest }: T) => rest;

/** What an issue adds to a content: two that differ in this alone say the same of the job. */
const neutral = { issued: null, signature: '', caveats: [] };

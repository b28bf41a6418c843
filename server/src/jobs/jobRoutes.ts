import {
  certificateQuerySchema,
  jobFileOf,
  jobFileSchema,
  jobQuerySchema,
  newJobDocument,
  newJobSchema,
  saveJobSchema,
  upgradeJobFile,
} from '@katharos/contract';
import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { requireSession, sessionOf } from '../session/requireSession.ts';
import { firmParts } from '../catalogue/catalogueRepository.ts';
import { certificatePdf } from '../certificate/certificatePdf.ts';
import { proposalPdf } from '../proposal/proposalPdf.ts';
import { addPhotograph, filedPhotographs } from '../photographs/photographRepository.ts';
import { photographRoutes } from '../photographs/photographRoutes.ts';
import { preparePhotograph } from '../photographs/preparePhotograph.ts';
import { sheetPdf } from '../sheet/sheetPdf.ts';
import { findVan } from '../van/vanRepository.ts';
import { addJob, findJob, listJobs, saveJob } from './jobRepository.ts';

/** A firm's jobs. Every query is scoped by the firm of the session; another firm's job is simply not found. */
export function jobRoutes(sequelize: Sequelize): Router {
  const router = Router();
  router.use(requireSession);

  router.get('/', async (request, response) => {
    const query = validate(jobQuerySchema, request.query);
    response.json(await listJobs(sessionOf(response).firm.id, query));
  });

  router.post('/', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const { name, address } = validate(newJobSchema, request.body);
    const document = newJobDocument(name, address);
    const job = await sequelize.transaction((transaction) =>
      addJob(firm.id, user.name, document, transaction),
    );
    response.status(201).json(job);
  });

  router.post('/file', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const upgraded = upgradeJobFile(request.body);
    if ('tooNew' in upgraded) {
      const message = `This file was written by a newer version of the program (its version is ${upgraded.tooNew}).`;
      throw new ApiError('invalid-input', { path: 'version', message });
    }
    const { document, photographs } = validate(jobFileSchema, upgraded.file);
    // Written anew like any other picture: a file's content is not trusted either.
    const prepared = await Promise.all(
      photographs.map(({ jpeg }) => preparePhotograph(Buffer.from(jpeg, 'base64'))),
    );
    const job = await sequelize.transaction(async (transaction) => {
      const added = await addJob(firm.id, user.name, document, transaction);
      const key = { firmId: firm.id, jobId: added.id };
      for (const [i, { about, step = null, caption, takenAt, takenBy }] of photographs.entries()) {
        const said = { about, step, caption, takenBy, takenAt: new Date(takenAt) };
        await addPhotograph(key, prepared[i]!, said, transaction);
      }
      return added;
    });
    response.status(201).json(job);
  });

  router.get('/:id/file', async (request, response) => {
    const { firm } = sessionOf(response);
    const job = await findJob(firm.id, idFrom(request.params));
    if (!job) throw new ApiError('not-found');
    const photographs = await filedPhotographs({ firmId: firm.id, jobId: job.id });
    response
      .setHeader('Content-Disposition', `attachment; filename="job-${job.number}.json"`)
      .json(jobFileOf(job, photographs, new Date()));
  });

  router.use('/:job/photographs', photographRoutes());

  router.get('/:id', async (request, response) => {
    const job = await findJob(sessionOf(response).firm.id, idFrom(request.params));
    if (!job) throw new ApiError('not-found');
    response.json(job);
  });

  router.put('/:id', async (request, response) => {
    const { firm, user } = sessionOf(response);
    const id = idFrom(request.params);
    const { version, document } = validate(saveJobSchema, request.body);
    const saved = await saveJob(firm.id, id, { version, document, by: user.name });
    if (saved) {
      response.json(saved);
      return;
    }
    const current = await findJob(firm.id, id);
    if (!current) throw new ApiError('not-found');
    const when = `${current.updatedBy}, ${current.updatedAt}`;
    throw new ApiError('version-conflict', {
      message: `This job was changed elsewhere since you opened it (${when}).`,
    });
  });

  router.get('/:id/certificate.pdf', async (request, response) => {
    const { firm } = sessionOf(response);
    const job = await findJob(firm.id, idFrom(request.params));
    if (!job) throw new ApiError('not-found');
    const { units = firm.settings.units } = validate(certificateQuerySchema, request.query);
    const pdf = await certificatePdf(job, { ...firm, settings: { ...firm.settings, units } });
    response
      .type('application/pdf')
      .setHeader('Content-Disposition', `inline; filename="certificate-${job.number}.pdf"`)
      .send(pdf);
  });
  router.get('/:id/proposal.pdf', async (request, response) => {
    const { firm } = sessionOf(response);
    const job = await findJob(firm.id, idFrom(request.params));
    if (!job) throw new ApiError('not-found');
    const { units = firm.settings.units } = validate(certificateQuerySchema, request.query);
    const reader = { ...firm, settings: { ...firm.settings, units } };
    const pdf = await proposalPdf(job, reader, await firmParts(firm.id));
    response
      .type('application/pdf')
      .setHeader('Content-Disposition', `inline; filename="proposal-${job.number}.pdf"`)
      .send(pdf);
  });
  router.get('/:id/sheet.pdf', async (request, response) => {
    const { firm } = sessionOf(response);
    const job = await findJob(firm.id, idFrom(request.params));
    if (!job) throw new ApiError('not-found');
    const { units = firm.settings.units } = validate(certificateQuerySchema, request.query);
    const reader = { ...firm, settings: { ...firm.settings, units } };
    const address = `${request.protocol}://${request.get('host') ?? 'localhost'}/jobs/${job.id}/plumb`;
    const [parts, van] = await Promise.all([firmParts(firm.id), findVan(firm.id)]);
    const pdf = await sheetPdf(job, reader, parts, address, van);
    response
      .type('application/pdf')
      .setHeader('Content-Disposition', `inline; filename="sheet-${job.number}.pdf"`)
      .send(pdf);
  });
  return router;
}

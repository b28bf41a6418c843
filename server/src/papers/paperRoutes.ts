import { certificateQuerySchema, type Job, type Session } from '@katharos/contract';
import { type Request, type Response, Router } from 'express';
import { firmParts } from '../catalogue/catalogueRepository.ts';
import { ApiError } from '../http/apiError.ts';
import { idFrom, validate } from '../http/validate.ts';
import { findJob } from '../jobs/jobRepository.ts';
import { requireSession, sessionOf } from '../session/requireSession.ts';
import { findVan } from '../van/vanRepository.ts';
import { certificatePdf } from './certificatePdf.ts';
import { proposalPdf } from './proposalPdf.ts';
import { sheetPdf } from './sheetPdf.ts';

/** What a paper is made from: a job, and the firm in the reader's units. */
interface PaperOrder {
  job: Job;
  firm: Session['firm'];
  /** Of the job's page, for codes on labels. */
  address: string;
}

/** Every paper of a job, by the name in its address. */
const papers: Record<string, (order: PaperOrder) => Promise<Buffer>> = {
  certificate: ({ job, firm }) => certificatePdf(job, firm),
  proposal: async ({ job, firm }) => proposalPdf(job, firm, await firmParts(firm.id)),
  sheet: async ({ job, firm, address }) => {
    const [parts, van] = await Promise.all([firmParts(firm.id), findVan(firm.id)]);
    return sheetPdf(job, firm, parts, address, van);
  },
};

/** The job that the address names, and the firm in the units that were asked for. */
async function orderOf(request: Request, response: Response): Promise<PaperOrder> {
  const { firm } = sessionOf(response);
  const job = await findJob(firm.id, idFrom(request.params));
  if (!job) throw new ApiError('not-found');
  const { units = firm.settings.units } = validate(certificateQuerySchema, request.query);
  return {
    job,
    firm: { ...firm, settings: { ...firm.settings, units } },
    address: `${request.protocol}://${request.get('host') ?? 'localhost'}/jobs/${job.id}/plumb`,
  };
}

/** A job's papers as PDF, mounted beside the jobs. */
export function paperRoutes(): Router {
  const router = Router();
  for (const [name, set] of Object.entries(papers)) {
    router.get(`/:id/${name}.pdf`, requireSession, async (request, response) => {
      const order = await orderOf(request, response);
      const pdf = await set(order);
      response
        .type('application/pdf')
        .setHeader('Content-Disposition', `inline; filename="${name}-${order.job.number}.pdf"`)
        .send(pdf);
    });
  }
  return router;
}

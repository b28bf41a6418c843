import { type Certificate, certificateOf } from '@katharos/papers';
import type { Job, Session } from '@katharos/contract';
import { ApiError } from '../http/apiError.ts';
import { paper, quiet, setPdf } from './pdf.ts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

/** The certificate of a job as a PDF of one page. Errors: 'not-verified' while there is nothing to certify. */
export async function certificatePdf(job: Job, firm: Session['firm']): Promise<Buffer> {
  const certificate = certificateOf({ number: job.number, document: job.document, firm });
  if (!certificate) throw new ApiError('not-verified');
  return setPdf(layOut(certificate));
}

function layOut(certificate: Certificate): TDocumentDefinitions {
  const { paper: size, firm, number } = certificate;
  return {
    ...paper(size, `Certificate ${number}`, firm, number),
    content: [
      { text: certificate.firm, fontSize: 12, bold: true },
      { text: `${certificate.title}, no. ${certificate.number}`, color: quiet },
      { text: certificate.result, fontSize: 20, bold: true, margin: [0, 24, 0, 8] },
      { text: [certificate.customer, certificate.address].filter(Boolean).join(', '), bold: true },
      ...certificate.sentences.map((text): Content => ({ text, margin: [0, 6, 0, 0] })),
      {
        columns: certificate.tables.map(({ heading, rows }) => [
          { text: heading, bold: true, margin: [0, 18, 0, 4] },
          {
            layout: 'lightHorizontalLines',
            table: {
              widths: ['auto', '*'],
              body: rows.map(([label, value]) => [{ text: label, color: quiet }, value]),
            },
          },
        ]),
        columnGap: 24,
      },
      ...certificate.caveats.map((text, i): Content => ({
        text,
        color: quiet,
        fontSize: 9,
        margin: [0, i === 0 ? 20 : 6, 0, 0],
      })),
      { text: certificate.signature, margin: [0, 36, 0, 0] },
    ],
  };
}

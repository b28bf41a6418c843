import { createRequire } from 'node:module';
import { dirname, join, sep } from 'node:path';
import { type Certificate, certificateOf, type Job, type Session } from '@katharos/contract';
import pdfmake from 'pdfmake';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { ApiError } from '../http/apiError.ts';

const fontFolder = join(
  dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')),
  'fonts',
  'Roboto',
);
const font = (face: string) => join(fontFolder, `Roboto-${face}.ttf`);
pdfmake.setFonts({
  Roboto: {
    normal: font('Regular'),
    bold: font('Medium'),
    italics: font('Italic'),
    bolditalics: font('MediumItalic'),
  },
});
// A document may read the shipped fonts and nothing else, neither from the disk nor from the network.
pdfmake.setLocalAccessPolicy((path) => path.startsWith(fontFolder + sep));
pdfmake.setUrlAccessPolicy(() => false);

/** The certificate of a job as a PDF of one page. Errors: 'not-verified' while there is nothing to certify. */
export async function certificatePdf(job: Job, firm: Session['firm']): Promise<Buffer> {
  const certificate = certificateOf({ number: job.number, document: job.document, firm });
  if (!certificate) throw new ApiError('not-verified');
  return pdfmake.createPdf(layOut(certificate)).getBuffer();
}

const ink = '#12303a';
const quiet = '#4c626a';

function layOut(certificate: Certificate): TDocumentDefinitions {
  return {
    info: { title: `Certificate ${certificate.number}`, author: certificate.firm },
    pageSize: certificate.paper,
    pageMargins: [56, 56, 56, 64],
    defaultStyle: { font: 'Roboto', fontSize: 10, color: ink, lineHeight: 1.25 },
    content: [
      { text: certificate.firm, fontSize: 12, bold: true },
      { text: `Verification of a reverse osmosis system, no. ${certificate.number}`, color: quiet },
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
    footer: {
      text: `${certificate.firm} · ${certificate.number}`,
      alignment: 'center',
      color: quiet,
      fontSize: 8,
    },
  };
}

import type { Certificate } from '@katharos/papers';
import { paper, quiet } from './pdf.ts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

/** The certificate of a job as a PDF of one page. */
export function certificateLayout(certificate: Certificate): TDocumentDefinitions {
  const { paper: size, firm, number } = certificate;
  return {
    ...paper(size, `Certificate ${number}`, firm, number),
    content: [
      { text: certificate.firm, fontSize: 12, bold: true },
      { text: `${certificate.title}, no. ${certificate.number}`, color: quiet },
      {
        text: certificate.result,
        headlineLevel: 1,
        fontSize: 20,
        bold: true,
        margin: [0, 24, 0, 8],
      },
      { text: [certificate.customer, certificate.address].filter(Boolean).join(', '), bold: true },
      ...certificate.sentences.map((text): Content => ({ text, margin: [0, 6, 0, 0] })),
      {
        columns: certificate.tables.map(({ heading, rows }) => [
          { text: heading, headlineLevel: 2, bold: true, margin: [0, 18, 0, 4] },
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

import type { HouseholdCard } from '@katharos/papers';
import { paper, quiet } from './pdf.ts';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';

/** The household's card as a PDF, in letters that are read on a kitchen door. */
export function cardLayout(card: HouseholdCard): TDocumentDefinitions {
  const { paper: size, firm, number, title, customer, made, steps, rules, call } = card;
  return {
    ...paper(size, `${title} ${number}`, firm, number),
    content: [
      { text: firm, fontSize: 12, bold: true },
      { text: `${customer} · ${made}`, color: quiet },
      { text: title, headlineLevel: 1, fontSize: 22, bold: true, margin: [0, 20, 0, 6] },
      ...rules
        .slice(0, 1)
        .map((text): Content => ({ text, fontSize: 14, bold: true, margin: [0, 0, 0, 8] })),
      ...steps.map(({ when, title: what, what: text, caution }): Content => ({
        stack: [
          {
            text: [
              { text: when, bold: true },
              { text: `  ${what}`, bold: true },
            ],
            headlineLevel: 2,
            fontSize: 13,
          },
          { text, fontSize: 11 },
          ...(caution ? [{ text: caution, fontSize: 11, color: quiet }] : []),
        ],
        margin: [0, 8, 0, 0],
        unbreakable: true,
      })),
      ...rules.slice(1).map((text, i): Content => ({
        text,
        fontSize: 11,
        margin: [0, i === 0 ? 18 : 4, 0, 0],
      })),
      { text: `Call: ${call}`, fontSize: 14, bold: true, margin: [0, 18, 0, 0] },
    ],
  };
}

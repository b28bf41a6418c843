import { contentOf, type PaperContents, type PaperSource, type PdfOrder } from './paperContent.ts';
import type { PaperKind } from '@katharos/contract';
import { certificateLayout } from './certificateLayout.ts';
import { marked, setPdf } from './pdf.ts';
import { proposalLayout } from './proposalLayout.ts';
import { sheetLayout } from './sheetLayout.ts';

/** What is done beside the server's own thread: reckoning what stands on a paper, and setting it. */

export const content = ({
  kind,
  source,
}: {
  kind: PaperKind;
  source: PaperSource;
}): PaperContents[PaperKind] | undefined => contentOf(kind, source);

const layoutOf = ({ kind, content: held, address }: PdfOrder) => {
  switch (kind) {
    case 'certificate':
      return certificateLayout(held as PaperContents['certificate']);
    case 'proposal':
      return proposalLayout(held as PaperContents['proposal']);
    case 'sheet':
      return sheetLayout(held as PaperContents['sheet'], address);
  }
};

export const pdf = (order: PdfOrder): Promise<Buffer> =>
  setPdf(
    order.kind === 'sheet' && !order.record
      ? layoutOf(order)
      : marked(layoutOf(order), order.record),
  );

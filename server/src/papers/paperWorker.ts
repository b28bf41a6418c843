import { setPriority } from 'node:os';
import type { JobDocument } from '@katharos/job';
import { workerData } from 'piscina';
import {
  contentOf,
  type PaperContents,
  type PaperSource,
  type PdfOrder,
  type SetKind,
} from './paperContent.ts';
import { reckon as reckonSystem } from './reckon.ts';
import { cardLayout } from './cardLayout.ts';
import { certificateLayout } from './certificateLayout.ts';
import { givesWay } from './givesWay.ts';
import { type LoadHeld, type LoadLine, loadOf } from '../stock/load.ts';
import { marked, setPdf } from './pdf.ts';
import { proposalLayout } from './proposalLayout.ts';
import { serviceLayout } from './serviceLayout.ts';
import { sheetLayout } from './sheetLayout.ts';

/** What is done beside the server's own thread: reckoning what stands on a paper, and setting it. */

/** About a tenth of what another thread gets where both want all: printing gives way, and still comes to its end. */
const niceness = 10;
if (workerData === givesWay) {
  // On Linux the priority is the thread's own: whoever waits at a page goes before whoever prints.
  try {
    setPriority(niceness);
  } catch {
    // Where a system does not let it, it goes as fast as everything else.
  }
}

export const content = ({
  kind,
  source,
}: {
  kind: SetKind;
  source: PaperSource;
}): PaperContents[SetKind] | undefined => contentOf(kind, source);

const layoutOf = ({ kind, content: held, address }: PdfOrder) => {
  switch (kind) {
    case 'certificate':
      return certificateLayout(held as PaperContents['certificate']);
    case 'proposal':
      return proposalLayout(held as PaperContents['proposal']);
    case 'sheet':
      return sheetLayout(held as PaperContents['sheet'], address);
    case 'service':
      return serviceLayout(held as PaperContents['service']);
    case 'card':
      return cardLayout(held as PaperContents['card']);
  }
};

/** Papers for the work and the waiting; they are handed over as they are. */
const workingPapers: readonly SetKind[] = ['sheet', 'card'];

export const pdf = (order: PdfOrder): Promise<Buffer> =>
  setPdf(
    workingPapers.includes(order.kind) && !order.record
      ? layoutOf(order)
      : marked(layoutOf(order), order.record),
  );

export const reckon = reckonSystem;

export const load = ({
  documents,
  held,
}: {
  documents: readonly JobDocument[];
  held: LoadHeld;
}): (LoadLine[] | null)[] => documents.map((document) => loadOf(document, held));

import { type IssuedPaper, type Job, type PaperKind, type Session } from '@katharos/contract';
import { briefOf, optionsOf, plumbingOf } from '@katharos/job';
import {
  type Certificate,
  certificateOf,
  type Issue,
  type Issued,
  issuedOf,
  type JobSheetContent,
  jobSheetOf,
  type Proposal,
  proposalOf,
} from '@katharos/papers';
import { readerOf } from '@katharos/words';
import type { Part, Van } from '@katharos/core';

/** All that a paper is made from. */
export interface PaperSource {
  job: Job;
  /** In the reader's units. */
  firm: Session['firm'];
  catalogue: readonly Part[];
  van: Van;
  /** Absent for a draft. */
  issue?: Issue;
}

export interface PaperContents {
  certificate: Certificate;
  proposal: Proposal;
  sheet: JobSheetContent & { issued: Issued | null };
}

/** What stands on a paper; nothing where the job is not that far. */
export function contentOf<K extends PaperKind>(
  kind: K,
  source: PaperSource,
): PaperContents[K] | undefined {
  const makers: { [P in PaperKind]: () => PaperContents[P] | undefined } = {
    certificate: () => certificateOf({ ...plainOf(source) }),
    proposal: () => proposalOf({ ...plainOf(source), catalogue: source.catalogue }),
    sheet: () => sheetOf(source),
  };
  return makers[kind]();
}

const plainOf = ({ job: { number, document }, firm, issue }: PaperSource) => ({
  number,
  document,
  firm,
  ...(issue ? { issue } : {}),
});

function sheetOf({ job, firm, catalogue, van, issue }: PaperSource) {
  const { document, number, id } = job;
  const { settings } = firm;
  const brief = briefOf(document.survey, catalogue, {
    standards: settings.standards,
    overruled: optionsOf(document.size.overruled),
  });
  if (!document.system || !brief.ok) return undefined;
  const { design: system } = document.system;
  const plumbing = plumbingOf(document, system, brief.value);
  const sheet = jobSheetOf({ number, id, document, firm, system, plumbing, van });
  return { ...sheet, issued: issuedOf(issue, readerOf(settings)) };
}

/** What a PDF is set from: a draft's content, or a record. */
export interface PdfOrder {
  kind: PaperKind;
  content: PaperContents[PaperKind];
  /** Of the job's page, for codes on labels. */
  address: string;
  record: Omit<IssuedPaper, 'content'> | null;
}

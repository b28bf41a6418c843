import { type IssuedPaper, type Job, type Session } from '@katharos/contract';
import { examinationOf, flushOf, plumbedJobOf } from '@katharos/job';
import {
  type Certificate,
  certificateOf,
  type HouseholdCard,
  householdCardOf,
  type Issue,
  type Issued,
  issuedOf,
  type JobSheetContent,
  jobSheetOf,
  type Proposal,
  proposalOf,
  type ServiceReport,
  serviceReportOf,
} from '@katharos/papers';
import { readerOf } from '@katharos/words';
import { diagnose, type Diagnosis, type Part, type Van } from '@katharos/core';

/** All that a paper is made from. */
export interface PaperSource {
  job: Job;
  /** In the reader's units. */
  firm: Session['firm'];
  catalogue: readonly Part[];
  van: Van;
  /** Absent for a draft. */
  issue?: Issue;
  /** Of which visit, for a service report. */
  visit?: string | undefined;
  /** Of the house and of this moment, for what is told by the clock. */
  clock: { timeZone: string; now: number };
}

export interface PaperContents {
  certificate: Certificate;
  proposal: Proposal;
  sheet: JobSheetContent & { issued: Issued | null };
  service: ServiceReport;
  card: HouseholdCard;
}

/** What can be set; the card is a working paper, and never a record. */
export type SetKind = keyof PaperContents;

/** What stands on a paper; nothing where the job is not that far. */
export function contentOf<K extends SetKind>(
  kind: K,
  source: PaperSource,
): PaperContents[K] | undefined {
  const makers: { [P in SetKind]: () => PaperContents[P] | undefined } = {
    certificate: () => certificateOf({ ...plainOf(source), diagnosis: diagnosisOf(source) }),
    proposal: () => proposalOf({ ...plainOf(source), catalogue: source.catalogue }),
    sheet: () => sheetOf(source),
    service: () => serviceReportOf({ ...plainOf(source), visitId: source.visit ?? '' }),
    card: () => cardOf(source),
  };
  return makers[kind]();
}

const plainOf = ({ job: { number, document }, firm, issue }: PaperSource) => ({
  number,
  document,
  firm,
  ...(issue ? { issue } : {}),
});

const plumbedOf = ({ job: { document }, firm, catalogue }: PaperSource) =>
  plumbedJobOf(document, catalogue, firm.settings);

/** The causes weighed anew, beside the server's own thread, as they will stand on the certificate. */
function diagnosisOf({ job: { document }, firm }: PaperSource): Diagnosis | null {
  const examination = examinationOf(document, firm.settings);
  const outcome = examination && diagnose(examination);
  return outcome?.ok ? outcome.value : null;
}

function cardOf(source: PaperSource): HouseholdCard | undefined {
  const plumbed = plumbedOf(source);
  if (!plumbed) return undefined;
  const { job, firm, clock } = source;
  const { document, number } = job;
  const { brief, system, plumbing } = plumbed;
  const flush = flushOf(document, system, brief, plumbing, firm.settings.flushing);
  return flush.ok
    ? householdCardOf({ number, document, firm, steps: flush.value, ...clock })
    : undefined;
}

function sheetOf(source: PaperSource) {
  const plumbed = plumbedOf(source);
  if (!plumbed) return undefined;
  const { job, firm, van, issue } = source;
  const { document, number, id } = job;
  const { settings } = firm;
  const { system, plumbing } = plumbed;
  const sheet = jobSheetOf({ number, id, document, firm, system, plumbing, van });
  return { ...sheet, issued: issuedOf(issue, readerOf(settings)) };
}

/** What a PDF is set from: a draft's content, or a record. */
export interface PdfOrder {
  kind: SetKind;
  content: PaperContents[SetKind];
  /** Of the job's page, for codes on labels. */
  address: string;
  record: Omit<IssuedPaper, 'content'> | null;
}

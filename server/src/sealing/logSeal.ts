import { randomBytes } from 'node:crypto';
import type { AuditCode, AuditContent, AuditReport, SubjectKind } from '@katharos/contract';
import { hashOf } from './hash.ts';

/** An entry as it is kept: its content beside a hash of it, so that the content can go and the chain still holds. */
export interface SealedEntry {
  seq: number;
  at: Date;
  code: AuditCode;
  subjectKind: SubjectKind;
  subjectId: string;
  /** With a random word, without which a short content could be guessed from its hash. */
  content: (AuditContent & { salt: string }) | null;
  contentHash: string;
  before: string;
  seal: string;
}

export const noSeal = '';

export const salted = (content: AuditContent): AuditContent & { salt: string } => ({
  ...content,
  salt: randomBytes(12).toString('base64url'),
});

/** SHA-256 over an entry and the seal before it, base64url. */
export const sealOfEntry = ({
  seq,
  at,
  code,
  subjectKind,
  subjectId,
  contentHash,
  before,
}: Omit<SealedEntry, 'seal' | 'content'>): string =>
  hashOf({ seq, at: at.toISOString(), code, subjectKind, subjectId, contentHash, before });

/** Follows a firm's log from its first entry, and says where it does not hold. */
export async function checkLog(entries: AsyncIterable<SealedEntry>): Promise<AuditReport> {
  const report: AuditReport = { count: 0, last: null, faults: [], emptied: 0 };
  for await (const entry of entries) {
    const { seq, seal } = entry;
    const say = (fault: AuditReport['faults'][number]['fault']) =>
      report.faults.push({ seq, fault });
    if (seq !== (report.last?.seq ?? 0) + 1) say('missing-before');
    else if (entry.before !== (report.last?.seal ?? noSeal)) say('not-joined');
    if (sealOfEntry(entry) !== seal) say('seal');
    if (entry.content === null) report.emptied += 1;
    else if (hashOf(entry.content) !== entry.contentHash) say('content');
    report.count += 1;
    report.last = { seq, seal };
  }
  return report;
}

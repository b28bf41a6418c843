import { randomBytes } from 'node:crypto';
import type { AuditCode, AuditContent, AuditReport, SubjectKind } from '@katharos/contract';
import { followChain } from './chain.ts';
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
  const faults: AuditReport['faults'] = [];
  let emptied = 0;
  const { count, last } = await followChain(
    entries,
    (one) => ({ place: one.seq, before: one.before, seal: one.seal, sealNow: sealOfEntry(one) }),
    ({ seq, content, contentHash }, found) => {
      found.forEach((fault) => faults.push({ seq, fault }));
      if (content === null) emptied += 1;
      else if (hashOf(content) !== contentHash) faults.push({ seq, fault: 'content' });
    },
  );
  return { count, last: last && { seq: last.place, seal: last.seal }, faults, emptied };
}

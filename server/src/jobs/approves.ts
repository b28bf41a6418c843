import type { JobDocument } from '@katharos/job';
import { hashOf } from '../sealing/hash.ts';

/** What somebody answers for by name: what was agreed, accepted all the same, released, handed over. */
const decided = ({ system, verify, keep }: JobDocument) => ({
  agreed: system?.agreed ?? null,
  accepted: verify.accepted ?? null,
  released: verify.germTest?.released ?? null,
  issued: keep.issued,
});

/** Whether a change of a document decides something, or takes a decision back. */
export const approves = (before: JobDocument, after: JobDocument): boolean =>
  hashOf(decided(before)) !== hashOf(decided(after));

/** Whether a document holds anything that somebody answers for. */
export const decides = (document: JobDocument): boolean =>
  Object.values(decided(document)).some((decision) => decision !== null);

import type { GapCode } from '@katharos/job';
import { gapWords, type Reader } from '@katharos/words';

/** The moment in which a paper becomes a record. */
export interface Issue {
  version: number;
  at: string;
  by: string;
  /** Of the house, whose calendar dates it; IANA name. */
  timeZone: string;
  /** What was open. */
  gaps: readonly GapCode[];
  reason: string;
}

/** How an issued paper says so; a draft says nothing of it, and is marked across. */
export interface Issued {
  version: number;
  day: string;
  by: string;
  /** What was open, and that somebody went on regardless; null where nothing was. */
  open: string | null;
}

/** A moment's date in the calendar of a place, ISO 8601. */
export const dayIn = (at: string, timeZone: string): string =>
  new Intl.DateTimeFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).format(new Date(at));

export function issuedOf(issue: Issue | undefined, reader: Reader): Issued | null {
  if (!issue) return null;
  const { version, at, by, timeZone, gaps, reason } = issue;
  const open = reader.list(gaps.map((gap) => gapWords[gap]));
  return {
    version,
    day: dayIn(at, timeZone),
    by,
    open:
      open && `Open when issued: ${open}. ${by} issued it regardless${reason && `: ${reason}`}.`,
  };
}

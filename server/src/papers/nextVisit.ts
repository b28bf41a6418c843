import type { DiaryRow } from '@katharos/contract';
import { dateOf } from '@katharos/core';
import { type FirmSettings, type JobDocument, keptOf } from '@katharos/job';

/** An installed system, as the diary asks about it. */
export interface VisitOrder {
  document: JobDocument;
  settings: FirmSettings;
  /** ISO calendar day. */
  today: string;
}
export type NextVisit = Pick<DiaryRow, 'on' | 'dues'>;

/** When somebody should come, and what for: by when the first of it was due, also where that is past. */
export function nextVisitOf({ document, settings, today }: VisitOrder): NextVisit | null {
  const visit = keptOf(document, settings, today)?.visit;
  if (!visit) return null;
  const dues = visit.dues.map(({ id, kind, because, on }) => ({
    id,
    kind,
    because,
    on: dateOf(on),
  }));
  const first = dues.reduce((least, { on }) => (on < least ? on : least), dues[0]!.on);
  return { on: first, dues };
}

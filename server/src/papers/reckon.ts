import type { DiaryRow, FleetRow, PartDue } from '@katharos/contract';
import { dateOf } from '@katharos/core';
import {
  type FirmSettings,
  type JobDocument,
  type Kept,
  keptOf,
  readRowsOf,
  type ReadRow,
  visitsInOrder,
} from '@katharos/job';

/** An installed system, as the diary asks about it. */
export interface SystemOrder {
  document: JobDocument;
  settings: FirmSettings;
  /** ISO calendar day. */
  today: string;
}
export type NextVisit = Pick<DiaryRow, 'on' | 'dues'>;

/** What the diary keeps of a system. */
export interface Reckoning {
  since: string | null;
  /** Null where nothing is due. */
  visit: NextVisit | null;
  /** Who came last; empty where nobody did. */
  who: string;
  parts: PartDue[];
  membrane: FleetRow['membrane'];
  /** What was last read to be held back, as a share. */
  rejection: { share: number; on: string } | null;
  readings: ReadRow[];
}

/** How an installed system stands: the next visit, the parts it will want, its membrane, and all that was read of it. */
export function reckon({ document, settings, today }: SystemOrder): Reckoning {
  const kept = keptOf(document, settings, today);
  const readings = readRowsOf(document);
  const last = visitsInOrder(document).at(-1)?.[1];
  return {
    since: kept?.since ?? null,
    visit: kept?.visit ? nextVisitOf(kept.visit) : null,
    who: last?.by ?? document.keep.issued?.by ?? '',
    parts: kept ? partsDue(kept) : [],
    membrane: kept ? membraneOf(kept) : null,
    rejection: lastRejection(readings),
    readings,
  };
}

/** When somebody should come, and what for: by when the first of it was due, also where that is past. */
function nextVisitOf(visit: NonNullable<Kept['visit']>): NextVisit {
  const dues = visit.dues.map(({ id, kind, because, on }) => ({
    id,
    kind,
    because,
    on: dateOf(on),
  }));
  const first = dues.reduce((least, { on }) => (on < least ? on : least), dues[0]!.on);
  return { on: first, dues };
}

/** What the next visit takes along is put in then; everything else on its own day. */
function partsDue({ dues, visit }: Kept): PartDue[] {
  const early = new Set(visit?.dues.map(({ id }) => id));
  return dues.flatMap(({ id, part, on }) =>
    part
      ? [{ name: part.name, count: part.count, on: dateOf(early.has(id) ? visit!.on : on) }]
      : [],
  );
}

/** Of the newest visit at which feed and product were both read. */
function lastRejection(readings: readonly ReadRow[]): Reckoning['rejection'] {
  const figure = (visit: string, wanted: ReadRow['figure']) =>
    readings.find((row) => row.visit === visit && row.figure === wanted);
  const product = readings.findLast(
    ({ visit, figure: of }) => of === 'productTds' && (figure(visit, 'feedTds')?.value ?? 0) > 0,
  );
  if (!product) return null;
  const feed = figure(product.visit, 'feedTds')!.value;
  return { share: 1 - product.value / feed, on: product.readOn };
}

function membraneOf({ trend }: Kept): FleetRow['membrane'] {
  if (!trend?.ok) return null;
  const { saltPassage, flow, readingsUsed } = trend.value;
  const brief = ({ state, factorNow, dueOn }: typeof flow) => ({ state, factorNow, dueOn });
  return { readings: readingsUsed, saltPassage: brief(saltPassage), flow: brief(flow) };
}

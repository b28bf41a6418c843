import type { PartsLine } from '../plumbing/order/partsList.ts';

/** Pieces, or metres of tube, of one part of the catalogue. */
export interface VanLine {
  partId: string;
  quantity: number;
}

/** What was taken out of the van for a job: never more than was in it. */
export interface Taking {
  jobId: string;
  lines: VanLine[];
  takenAt: string;
  takenBy: string;
}

/** The van: what it holds by part, and what left it. */
export interface Van {
  stock: VanLine[];
  takings: Taking[];
}

/** A line of the parts list beside what the van holds of it. */
export interface CheckedLine extends PartsLine {
  /** In the van, without what was taken out of it for this job. */
  held: number;
  /** Taken out of the van for this job already. */
  taken: number;
  /** Still to be bought. */
  missing: number;
}

export interface VanCheck {
  lines: CheckedLine[];
  taking: Taking | null;
  /** Lines of which something has to be bought. */
  short: CheckedLine[];
}

/** Lengths are kept to the millimetre; sums of them are no exacter. */
export const toTheMillimetre = (quantity: number): number => Math.round(quantity * 1000) / 1000;

/** How much of each part several lines come to. */
export function sumByPart(lines: readonly VanLine[]): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { partId, quantity } of lines) sums.set(partId, (sums.get(partId) ?? 0) + quantity);
  return sums;
}

/** Parts against the van's stock: what was taken for this job counts, what other jobs took does not. */
export function checkVan(lines: readonly PartsLine[], van: Van, jobId: string): VanCheck {
  const taking = van.takings.find((one) => one.jobId === jobId) ?? null;
  const [inVan, ofThisJob] = [sumByPart(van.stock), sumByPart(taking?.lines ?? [])];
  // Two lines can be of one part: each takes its share of what there is, in the order of the list.
  const left = new Map<string, number>();
  const checked = lines.map((line): CheckedLine => {
    const held = inVan.get(line.id) ?? 0;
    const taken = ofThisJob.get(line.id) ?? 0;
    const there = left.get(line.id) ?? held + taken;
    // What comes in the kit is loaded with it.
    const wanted = line.quantity - line.inKit;
    const missing = Math.max(toTheMillimetre(wanted - there), 0);
    left.set(line.id, Math.max(there - wanted, 0));
    return { ...line, held, taken, missing };
  });
  return { lines: checked, taking, short: checked.filter(({ missing }) => missing > 0) };
}

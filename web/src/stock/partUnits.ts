import type { Part } from '@katharos/core';
import type { Measure } from '@katharos/words';

const most = 100000;
const pieces: Measure = { dimension: 'count', range: { min: 0, max: most }, whole: true };
const metres: Measure = { dimension: 'length', range: { min: 0, max: most } };

/** Tube is counted in metres, everything else in pieces. */
const isTube = (part: Part): boolean =>
  part.kind === 'fitting' && (part.role === 'tube-quarter' || part.role === 'tube-three-eighths');

export const measureOf = (part: Part): Measure => (isTube(part) ? metres : pieces);
export const wantedOf = (part: Part): string =>
  isTube(part) ? 'Metres, 0 or more.' : 'Pieces, 0 or more.';
export const unitOf = (part: Part | undefined): 'piece' | 'm' =>
  part && isTube(part) ? 'm' : 'piece';

/** Where a shelf label leads: a telephone opens the part, a scanner counts it. */
export const labelAddress = (partId: string): string =>
  `${window.location.origin}/catalogue/part/${encodeURIComponent(partId)}`;

/** What a shelf label names; nothing where it is none of ours, or half of one. */
function labelled(text: string): string | undefined {
  const [, id] = /\/catalogue\/part\/([^/?#]+)/.exec(text) ?? [];
  try {
    return id && decodeURIComponent(id);
  } catch {
    return undefined;
  }
}

/** The part that a scanned or typed text means: a shelf label, an id, or a whole name. */
export function partOfCode(text: string, parts: readonly Part[]): Part | undefined {
  const said = text.trim();
  const id = labelled(said) ?? said;
  const small = said.toLowerCase();
  return (
    parts.find((part) => part.id === id) ??
    parts.find((part) => part.id.toLowerCase() === small || part.name.toLowerCase() === small)
  );
}

import { sumByPart, toTheMillimetre, type VanLine } from './vanCheck.ts';

/** Where a firm keeps parts. */
export const stockPlaceKinds = ['van', 'store'] as const;
export type StockPlaceKind = (typeof stockPlaceKinds)[number];

export interface StockPlace {
  id: string;
  kind: StockPlaceKind;
  name: string;
  /** Whose van it is; null where it is nobody's own. */
  userId: string | null;
}

/** Pieces, or metres of tube, of one part at one place. */
export interface StockLine extends VanLine {
  placeId: string;
  /** What should never be missing there; 0 where nobody said. */
  minimum: number;
}

/** A part that a van should be loaded with. */
export interface PickLine {
  partId: string;
  /** For the work ahead. */
  wanted: number;
  /** What should still be there afterwards. */
  minimum: number;
  /** In the van already. */
  held: number;
  /** To be fetched from the store. */
  fetch: number;
  /** In neither, and so to be bought. */
  buy: number;
}

/**
 * What a van is loaded with, so that it carries the work ahead and still holds its minimum afterwards: fetched from the store as far as
 * that reaches, the rest bought. Parts of which it carries enough are left out. Quantities are pieces, or metres of tube.
 * @param wanted for the work ahead; of one part there may be several lines
 * @param lines of all places of the firm
 * @param store that is fetched from; null where there is none
 */
export function pickList(
  wanted: readonly VanLine[],
  lines: readonly StockLine[],
  van: string,
  store: string | null,
): PickLine[] {
  const needs = sumByPart(wanted);
  const inVan = lines.filter(({ placeId }) => placeId === van);
  const held = sumByPart(inVan);
  const stored = sumByPart(lines.filter(({ placeId }) => placeId === store));
  const minimums = new Map(inVan.map(({ partId, minimum }) => [partId, minimum]));
  const parts = new Set([...needs.keys(), ...minimums.keys()]);
  return [...parts].flatMap((partId) => {
    const need = needs.get(partId) ?? 0;
    const minimum = minimums.get(partId) ?? 0;
    const there = held.get(partId) ?? 0;
    const short = toTheMillimetre(need + minimum - there);
    if (short <= 0) return [];
    const fetch = Math.min(short, Math.max(stored.get(partId) ?? 0, 0));
    const line = { partId, wanted: toTheMillimetre(need), minimum, held: there, fetch };
    return [{ ...line, buy: toTheMillimetre(short - fetch) }];
  });
}

/** Of a place, what it holds less of than it should, with what is missing, the most urgent first: nothing left comes before little. */
export function belowMinimum(
  lines: readonly StockLine[],
  placeId: string,
): (StockLine & { missing: number })[] {
  return lines
    .filter((line) => line.placeId === placeId && line.quantity < line.minimum)
    .map((line) => ({ ...line, missing: toTheMillimetre(line.minimum - line.quantity) }))
    .sort((a, b) => a.quantity / a.minimum - b.quantity / b.minimum);
}

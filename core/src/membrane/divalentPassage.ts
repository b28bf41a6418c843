/**
 * Passage of divalent ions such as calcium, iron and manganese, from that of the dissolved solids on the whole, both as a share.
 * They pass a polyamide membrane a third as readily: typical, never a promise. Valid for membranes that work.
 */
export const divalentPassage = (passage: number): number => passage / 3;

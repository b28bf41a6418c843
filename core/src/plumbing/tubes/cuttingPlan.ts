/** A coil in the van, or the lengths cut from it. Lengths in m. */
export interface Coil {
  id: string;
  lengthM: number;
}

export interface Piece {
  id: string;
  lengthM: number;
}

export interface CuttingPlan {
  cuts: { coil: Coil; pieces: Piece[]; leftM: number }[];
  /** Pieces that no coil has room for. */
  missing: Piece[];
  /** Tube that is left in coils which were begun and is too short to be of use, m. */
  wasteM: number;
  /** How far from the least possible waste this can be at most, m; 0 where the search was complete. */
  gapM: number;
  /** Placements tried. */
  tried: number;
}

/** A rest shorter than this goes into the bin, m. Default. */
export const leastUsefulM = 0.4;

/** Placements after which the search gives what it has. */
const mostTried = 200_000;

/**
 * Lengths inside are whole millimetres, so that a rest of nothing is nothing: a piece takes the millimetre it begins, a coil has only
 * whole ones, so that no coil is overdrawn. The tail takes up what a product with 1000 adds in binary.
 */
const tail = 1e-9;
const taken = (metres: number): number => Math.ceil(metres * 1000 - tail);
const held = (metres: number): number => Math.floor(metres * 1000 + tail);

interface Found {
  missing: number;
  wasteMm: number;
  /** Coil of each piece, -1 for one without. */
  at: number[];
}

/**
 * Cuts the pieces from the coils at hand so that the fewest pieces are missing, and of those plans the one with the least waste:
 * rests that are too short to be used again. Depth first over the pieces, the longest first; a branch is left where it cannot be
 * better than the best so far, or where the same rests were reached before. Exact unless the bound on work is hit, which the gap says.
 * Units: m, taken to the millimetre.
 */
export function cuttingPlan(coils: readonly Coil[], pieces: readonly Piece[]): CuttingPlan {
  const order = [...pieces].sort((a, b) => b.lengthM - a.lengthM);
  const wanted = order.map(({ lengthM }) => taken(lengthM));
  const whole = coils.map(({ lengthM }) => held(lengthM));
  const rest = [...whole];
  const at: number[] = [];
  const seen = new Set<string>();
  const useful = taken(leastUsefulM);
  let tried = 0;
  let best: Found | undefined;
  /** Waste that no piece still to be cut can take up. */
  const waste = (shortest: number): number =>
    rest.reduce(
      (sum, left, i) => sum + (left < whole[i]! && left < useful && left < shortest ? left : 0),
      0,
    );
  const cannotBeat = (missing: number, wasteMm: number): boolean =>
    best !== undefined &&
    (missing > best.missing || (missing === best.missing && wasteMm >= best.wasteMm));
  const place = (index: number, missing: number): void => {
    if (tried >= mostTried || cannotBeat(missing, waste(wanted.at(-1) ?? 0))) return;
    if (index === wanted.length) {
      const wasteMm = waste(Infinity);
      if (!cannotBeat(missing, wasteMm)) best = { missing, wasteMm, at: [...at] };
      return;
    }
    // What was reached before by other cuts leads on to the same plans.
    const key = `${index} ${missing} ${rest
      .map((left, i) => (left < whole[i]! ? left : -left))
      .sort((a, b) => a - b)
      .join(' ')}`;
    if (seen.has(key)) return;
    seen.add(key);
    const length = wanted[index]!;
    for (let coil = 0; coil < rest.length; coil += 1) {
      const left = rest[coil]!;
      if (left < length) continue;
      tried += 1;
      rest[coil] = left - length;
      at.push(coil);
      place(index + 1, missing);
      at.pop();
      rest[coil] = left;
    }
    // Also a piece that would fit is left out, last of all: it may keep two others from their place.
    at.push(-1);
    place(index + 1, missing + 1);
    at.pop();
  };
  place(0, 0);
  const found = best ?? { missing: wanted.length, wasteMm: 0, at: wanted.map(() => -1) };
  const cuts = coils.map((coil, i) => {
    const own = order.filter((_, k) => found.at[k] === i);
    return {
      coil,
      pieces: own,
      leftM: own.reduce((left, one) => left - one.lengthM, coil.lengthM),
    };
  });
  const wasteM = found.wasteMm / 1000;
  return {
    cuts: cuts.filter(({ pieces: own }) => own.length > 0),
    missing: order.filter((_, k) => found.at[k] === -1),
    wasteM,
    gapM: tried >= mostTried ? wasteM : 0,
    tried,
  };
}

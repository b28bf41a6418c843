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

interface State {
  rest: number[];
  at: number[];
}

/**
 * Cuts the pieces from the coils at hand so that the fewest pieces are missing, and of those plans the one with the least waste:
 * rests that are too short to be used again. Depth first over the pieces, the longest first, with a bound; exact unless the bound on
 * work is hit, which the gap then says.
 */
export function cuttingPlan(coils: readonly Coil[], pieces: readonly Piece[]): CuttingPlan {
  const order = [...pieces].sort((a, b) => b.lengthM - a.lengthM);
  const begun = (coil: number, rest: number) => rest < coils[coil]!.lengthM - 1e-9;
  const wasteOf = (rest: readonly number[]): number =>
    rest.reduce(
      (sum, left, i) => sum + (begun(i, left) && left < leastUsefulM - 1e-9 ? left : 0),
      0,
    );
  let best: (State & { missing: number; waste: number }) | undefined;
  let tried = 0;
  const state: State = { rest: coils.map(({ lengthM }) => lengthM), at: [] };
  const isBetter = (missing: number, waste: number) =>
    !best || missing < best.missing || (missing === best.missing && waste < best.waste - 1e-9);
  const place = (index: number, missing: number): void => {
    if (tried >= mostTried || (best && missing > best.missing)) return;
    if (best?.missing === 0 && best.waste === 0) return;
    if (index === order.length) {
      const waste = wasteOf(state.rest);
      if (isBetter(missing, waste)) {
        best = { missing, waste, rest: [...state.rest], at: [...state.at] };
      }
      return;
    }
    const { lengthM } = order[index]!;
    const seen = new Set<string>();
    let placed = false;
    state.rest.forEach((left, coil) => {
      // Two coils with the same rest lead to the same plans.
      const key = left.toFixed(6);
      if (left + 1e-9 < lengthM || seen.has(key)) return;
      seen.add(key);
      placed = true;
      tried += 1;
      state.rest[coil] = left - lengthM;
      state.at.push(coil);
      place(index + 1, missing);
      state.at.pop();
      state.rest[coil] = left;
    });
    // A piece is left out only where it fits nowhere as things stand; what fits is placed.
    if (!placed) {
      state.at.push(-1);
      place(index + 1, missing + 1);
      state.at.pop();
    }
  };
  place(0, 0);
  const { at, rest, waste } = best ?? { at: order.map(() => -1), rest: state.rest, waste: 0 };
  return {
    cuts: coils
      .map((coil, i) => ({
        coil,
        pieces: order.filter((_, k) => at[k] === i),
        leftM: rest[i]!,
      }))
      .filter(({ pieces: cut }) => cut.length > 0),
    missing: order.filter((_, k) => at[k] === -1),
    wasteM: waste,
    gapM: tried >= mostTried ? waste : 0,
    tried,
  };
}

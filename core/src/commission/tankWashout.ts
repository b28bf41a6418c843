/**
 * Share of a substance left in a tank after it was filled and drained a number of times, when a heel stays behind each time.
 * With full mixing each fill dilutes the heel into the whole: `(heel / (heel + fill))^cycles`.
 * @param heelL water left by a drain, L; @param fillL water added by a fill, L
 */
export function tankWashout(heelL: number, fillL: number, cycles: number): number {
  return (heelL / (heelL + fillL)) ** cycles;
}

/** Fewest fill-and-drain cycles that bring the share below `target`; at most `most`, which is then also the answer. */
export function washoutCycles(heelL: number, fillL: number, target: number, most = 10): number {
  for (let cycles = 1; cycles < most; cycles += 1) {
    if (tankWashout(heelL, fillL, cycles) <= target) return cycles;
  }
  return most;
}

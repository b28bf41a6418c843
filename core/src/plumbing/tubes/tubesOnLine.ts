import type { TubeRun } from './tubeRuns.ts';

/** Where the water of a place on the waterline goes on from, when tubes leave a fitting beside it. */
const leaves: Readonly<Record<string, readonly string[]>> = {
  tank: ['tank-tee'],
  membrane: ['product-tee', 'membrane'],
  existing: ['unit-union'],
};

/** What stands where the line has its tap, when no tube goes to the tap itself: a dispenser, or a union in the tap's old tube. */
const tapStands = ['dispenser', 'tap-union'];

/**
 * Which tubes a stretch of the waterline stands for: the shortest way along the runs from one place to the next, each run on one
 * stretch only. A run that no stretch passes, such as one between two elements of a bank, belongs to a stretch that touches it.
 * @param stretches pairs of places, in the order of the line
 */
export function tubesOnLine<R extends TubeRun>(
  runs: readonly R[],
  stretches: readonly (readonly [from: string, to: string])[],
): R[][] {
  const left = new Set(runs);
  const tap = tapStands.find((place) => runs.some((run) => run.to === place)) ?? 'tap';
  const ways = stretches.map(([from, to]) => ({ from, to: to === 'tap' ? tap : to }));
  const found = ways.map(({ from, to }) => {
    const starts = (leaves[from] ?? [from]).filter((place) =>
      runs.some((run) => run.from === place),
    );
    const way =
      starts.map((start) => shortest(runs, start, to)).find((one) => one.length > 0) ?? [];
    // What an earlier stretch stands for already, such as the way to the first of several tees, is not shown twice.
    const own = way.filter((run) => left.has(run));
    for (const run of own) left.delete(run);
    return own;
  });
  for (const run of left) {
    const touched = ways.findIndex(
      ({ from, to }, i) =>
        from === run.from ||
        to === run.to ||
        to === run.from ||
        found[i]!.some(
          (other) => other.to === run.from || other.from === run.to || other.to === run.to,
        ),
    );
    if (touched >= 0) found[touched]!.push(run);
  }
  return found;
}

/** Drain water takes the drain's tubes and the links of a bank; all other water takes all but those. */
const carries = ({ from, to, function: role }: TubeRun, toDrain: boolean): boolean =>
  toDrain
    ? role === 'drain' || (from.startsWith('membrane') && to.startsWith('membrane'))
    : role !== 'drain';

function shortest<R extends TubeRun>(runs: readonly R[], from: string, to: string): R[] {
  let ways: { at: string; way: R[] }[] = [{ at: from, way: [] }];
  const seen = new Set([from]);
  while (ways.length > 0) {
    const next: typeof ways = [];
    for (const { at, way } of ways) {
      for (const run of runs) {
        if (run.from !== at || !carries(run, to === 'drain')) continue;
        if (run.to === to) return [...way, run];
        if (seen.has(run.to)) continue;
        seen.add(run.to);
        next.push({ at: run.to, way: [...way, run] });
      }
    }
    ways = next;
  }
  return [];
}

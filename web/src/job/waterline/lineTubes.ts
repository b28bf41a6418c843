import { type ScheduledTube, tubesOnLine } from '@katharos/core';

/** The tubes of one stretch of the line, and which of them are laid. */
export interface StretchTubes {
  /** Of the pipe that they stand for. */
  pipe: string;
  tubes: ScheduledTube[];
  laid: number;
}

/** Tubes by the pipes of a drawn line. @param laid ids of the tubes whose step is ticked */
export function lineTubes(
  tubes: readonly ScheduledTube[],
  pipes: readonly { id: string; from: string; to: string }[],
  laid: ReadonlySet<string>,
): StretchTubes[] {
  const found = tubesOnLine(
    tubes,
    pipes.map(({ from, to }) => [from, to] as const),
  );
  return pipes.flatMap(({ id }, i): StretchTubes[] => {
    const here = [...found[i]!].sort((a, b) => a.label - b.label);
    if (here.length === 0) return [];
    return [{ pipe: id, tubes: here, laid: here.filter((tube) => laid.has(tube.id)).length }];
  });
}

/** Numbers on labels as they are written on a badge: 1–3, 7. */
export function labelRange(labels: readonly number[]): string {
  const runs: [first: number, last: number][] = [];
  for (const label of labels) {
    const run = runs.at(-1);
    if (run && label === run[1] + 1) run[1] = label;
    else runs.push([label, label]);
  }
  return runs.map(([first, last]) => (first === last ? `${first}` : `${first}–${last}`)).join(', ');
}

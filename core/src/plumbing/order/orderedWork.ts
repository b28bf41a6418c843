import type { WorkStep } from './workStep.ts';

/**
 * Steps in the order that a person wants, as far as physics allows: each comes after what it stands on; what is not named keeps its
 * place behind the step before it.
 */
export function orderedWork(steps: readonly WorkStep[], wanted: readonly string[]): WorkStep[] {
  const rank = new Map<string, number>();
  steps.forEach((step, i) => {
    const named = wanted.indexOf(step.id);
    // Between two named steps a step that was never moved stands behind its neighbour of the usual order.
    const before = steps[i - 1];
    rank.set(step.id, named >= 0 ? named : (before ? rank.get(before.id)! : -1) + 1e-3);
  });
  const left = [...steps];
  const done = new Set<string>();
  const ordered: WorkStep[] = [];
  while (left.length > 0) {
    const ready = left.filter((step) => step.after.every((id) => done.has(id)));
    const next = ready.reduce((first, step) =>
      rank.get(step.id)! < rank.get(first.id)! ? step : first,
    );
    ordered.push(next);
    done.add(next.id);
    left.splice(left.indexOf(next), 1);
  }
  return ordered;
}

/** Whether a step may stand at a place of the order: nothing that it stands on comes later, nothing that stands on it earlier. */
export function mayMove(ordered: readonly WorkStep[], id: string, to: number): boolean {
  const without = ordered.filter((step) => step.id !== id);
  const step = ordered.find((one) => one.id === id);
  if (!step) return false;
  const place = (other: string) => without.findIndex((one) => one.id === other);
  return (
    step.after.every((other) => place(other) < to) &&
    without.every((other, i) => !other.after.includes(id) || i >= to)
  );
}

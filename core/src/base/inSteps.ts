/** Work that can be put down between two of its steps: at each it says the share done, at the end it gives its answer. */
export type InSteps<T> = Generator<number, T, void>;

/** Works without a pause. */
export function withoutPause<T>(work: InSteps<T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

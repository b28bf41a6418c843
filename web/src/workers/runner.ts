import type { InSteps } from '@katharos/core';
import { type TaskAnswer, type TaskInput, type TaskName, tasks } from './tasks.ts';

/** Longest time between two looks at what else is asked, ms. */
const lookAfterMs = 40;

/** Tasks that nobody waits for any more. */
const givenUp = new Set<number>();

/** Lets messages in that wait. */
const lookUp = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });

const isInSteps = (made: unknown): made is InSteps<unknown> =>
  typeof made === 'object' && made !== null && Symbol.iterator in made && 'next' in made;

/** What a worker does for the page: tasks by name, each told by a number, so that it can be given up. */
export const runner = {
  async run<K extends TaskName>(
    id: number,
    name: K,
    input: TaskInput<K>,
    onProgress: (share: number) => void,
  ): Promise<TaskAnswer<K> | null> {
    const task = tasks[name] as (input: TaskInput<K>) => unknown;
    const made = task(input);
    if (!isInSteps(made)) return made as TaskAnswer<K>;
    let looked = performance.now();
    for (let step = made.next(); ; step = made.next()) {
      if (step.done) return step.value as TaskAnswer<K>;
      if (performance.now() - looked < lookAfterMs) continue;
      onProgress(step.value);
      await lookUp();
      if (givenUp.delete(id)) return null;
      looked = performance.now();
    }
  },

  giveUp(id: number): void {
    givenUp.add(id);
  },
};

import { proxy, type Remote, wrap } from 'comlink';
import type { TaskAnswer, TaskInput, TaskName, Tasks } from './tasks.ts';

/** A task under way. */
export interface Running<K extends TaskName> {
  answer: Promise<TaskAnswer<K>>;
  /** Says that nobody waits for it any more. */
  cancel: () => void;
}

interface Slot {
  worker: Worker;
  remote: Remote<Tasks>;
  busy: boolean;
  /** Nobody waits for what it computes any more. */
  abandoned: boolean;
  /** Called when the worker itself breaks. */
  onBroken: ((message: string) => void) | null;
}

interface Waiting {
  start: (slot: Slot) => void;
}

/** Workers at the most: the interface keeps a core where there are two. */
const most = 2;

const slots: Slot[] = [];
const queue: Waiting[] = [];

function open(): Slot {
  const worker = new Worker(new URL('./core.worker.ts', import.meta.url), { type: 'module' });
  const slot: Slot = {
    worker,
    remote: wrap<Tasks>(worker),
    busy: false,
    abandoned: false,
    onBroken: null,
  };
  worker.addEventListener('error', (event) => {
    const told = slot.onBroken;
    close(slot);
    told?.(event.message || 'The computation stopped.');
    next();
  });
  slots.push(slot);
  return slot;
}

function close(slot: Slot): void {
  slot.worker.terminate();
  const at = slots.indexOf(slot);
  if (at >= 0) slots.splice(at, 1);
}

/**
 * Somebody who is free. What nobody waits for is left to end by itself, since a worker that is begun anew computes several times as
 * slowly at first; only where all are at such work, one of them is given up for the sake of what is wanted now.
 */
function idle(): Slot | undefined {
  const free = slots.find(({ busy }) => !busy);
  if (free) return free;
  if (slots.length < most) return open();
  const stale = slots.find(({ abandoned }) => abandoned);
  if (!stale) return undefined;
  close(stale);
  return open();
}

/** Gives what waits to whoever is free. */
function next(): void {
  while (queue.length > 0) {
    const slot = idle();
    if (!slot) return;
    queue.shift()!.start(slot);
  }
}

/** Loads the workers' script before anybody asks for something. */
export function warmWorkers(): void {
  if (slots.length === 0) open();
}

/** Computes off the interface's thread: by a free worker, or when one becomes free. */
export function compute<K extends TaskName>(
  name: K,
  input: TaskInput<K>,
  onProgress: (share: number) => void = () => undefined,
): Running<K> {
  let mine: Slot | null = null;
  let cancelled = false;
  let waiting: Waiting | null = null;
  const answer = new Promise<TaskAnswer<K>>((resolve, reject) => {
    waiting = {
      start: (slot) => {
        mine = slot;
        slot.busy = true;
        slot.onBroken = (message) => reject(new Error(message));
        // A task is a plain function of its input; only its name and its types are lost on the way through the channel.
        const task = slot.remote[name] as unknown as (
          input: TaskInput<K>,
          onProgress: (share: number) => void,
        ) => Promise<TaskAnswer<K>>;
        task(
          input,
          proxy((share: number) => {
            if (!cancelled) onProgress(share);
          }),
        )
          .then(resolve, (error: unknown) => {
            reject(error instanceof Error ? error : new Error(String(error)));
          })
          .finally(() => {
            mine = null;
            if (!slots.includes(slot)) return;
            slot.busy = false;
            slot.abandoned = false;
            slot.onBroken = null;
            next();
          });
      },
    };
    queue.push(waiting);
    next();
  });
  return {
    answer,
    cancel: () => {
      if (cancelled) return;
      cancelled = true;
      const at = waiting ? queue.indexOf(waiting) : -1;
      if (at >= 0) queue.splice(at, 1);
      if (mine) {
        mine.abandoned = true;
        mine.onBroken = null;
        next();
      }
    },
  };
}

import { proxy, type Remote, wrap } from 'comlink';
import type { Runner } from './core.worker.ts';
import workerUrl from './core.worker.ts?worker&url';
import type { TaskAnswer, TaskInput, TaskName } from './tasks.ts';

/** A task under way. */
export interface Running<K extends TaskName> {
  answer: Promise<TaskAnswer<K>>;
  /** Says that nobody waits for it any more: it ends at its next step, and its worker is free for what is wanted now. */
  cancel: () => void;
}

/** The worker itself is gone, not only what it computed. */
export class WorkerBroken extends Error {}

interface Slot {
  worker: Worker;
  remote: Remote<Runner>;
  busy: boolean;
  /** Called when the worker itself breaks. */
  onBroken: ((message: string) => void) | null;
}

type Waiting = (slot: Slot) => void;

/** A worker that says nothing for so long is dead, whether the browser tells so or not, ms. */
const silenceMs = 60_000;

/** Workers at the most: the interface keeps a core where there are two. */
const most = 2;

const slots: Slot[] = [];
const queue: Waiting[] = [];
let lastId = 0;

function open(): Slot {
  const worker = new Worker(workerUrl, { type: 'module' });
  const slot: Slot = { worker, remote: wrap<Runner>(worker), busy: false, onBroken: null };
  worker.addEventListener('error', (event) => {
    replace(slot, event.message || 'The computation stopped.');
  });
  slots.push(slot);
  return slot;
}

/** Ends a worker that broke or went silent; what waits gets another one. */
function replace(slot: Slot, message: string): void {
  if (!slots.includes(slot)) return;
  const told = slot.onBroken;
  slot.worker.terminate();
  slots.splice(slots.indexOf(slot), 1);
  told?.(message);
  next();
}

/** Somebody who is free; a new one where there may be more. */
const idle = (): Slot | undefined =>
  slots.find(({ busy }) => !busy) ?? (slots.length < most ? open() : undefined);

/** Gives what waits to whoever is free. */
function next(): void {
  while (queue.length > 0) {
    const slot = idle();
    if (!slot) return;
    queue.shift()!(slot);
  }
}

/** Loads the workers' script when somebody begins to act, before anything is asked: what is looked at was often answered before. */
export function warmWhenTouched(): () => void {
  const signs = ['pointerdown', 'keydown'] as const;
  const forget = () => signs.forEach((sign) => removeEventListener(sign, warm, true));
  const warm = () => {
    forget();
    if (slots.length === 0) open();
  };
  signs.forEach((sign) => addEventListener(sign, warm, true));
  return forget;
}

/** Computes off the interface's thread: by a free worker, or when one becomes free. */
export function compute<K extends TaskName>(
  name: K,
  input: TaskInput<K>,
  onProgress: (share: number) => void = () => undefined,
): Running<K> {
  const id = (lastId += 1);
  let mine: Slot | null = null;
  let cancelled = false;
  let start: Waiting = () => undefined;
  const answer = new Promise<TaskAnswer<K>>((resolve, reject) => {
    let silence: ReturnType<typeof setTimeout>;
    const hear = (slot: Slot): void => {
      clearTimeout(silence);
      silence = setTimeout(replace, silenceMs, slot, 'The computation went silent.');
    };
    const end = (slot: Slot): void => {
      mine = null;
      clearTimeout(silence);
      if (!slots.includes(slot)) return;
      slot.busy = false;
      slot.onBroken = null;
      next();
    };
    start = (slot) => {
      mine = slot;
      slot.busy = true;
      slot.onBroken = (message) => {
        clearTimeout(silence);
        reject(new WorkerBroken(message));
      };
      hear(slot);
      const told = proxy((share: number) => {
        hear(slot);
        if (!cancelled) onProgress(share);
      });
      slot.remote
        .run(id, name, input as never, told)
        // What was given up has no answer, and nobody who waits for one.
        .then((value) => resolve(value as TaskAnswer<K>))
        .catch((error: unknown) => {
          reject(error instanceof Error ? error : new Error(String(error)));
        })
        .finally(() => end(slot));
    };
  });
  queue.push(start);
  next();
  return {
    answer,
    cancel: () => {
      if (cancelled) return;
      cancelled = true;
      const at = queue.indexOf(start);
      if (at >= 0) queue.splice(at, 1);
      void mine?.remote.giveUp(id);
    },
  };
}

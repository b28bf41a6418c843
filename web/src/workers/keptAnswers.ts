import { computed, keepComputed } from '../data/computedStore.ts';
import workerUrl from './core.worker.ts?worker&url';
import type { TaskAnswer, TaskName } from './tasks.ts';

/** While the application is written its code changes under one address. */
const keeps = import.meta.env.PROD;

/**
 * What is asked, by which code: the worker's address changes with whatever it reckons with, so that no answer outlives the code that
 * gave it. Throws where the browser makes no digest, as on an address without TLS.
 */
async function keyOf(name: TaskName, question: string): Promise<string> {
  const text = new TextEncoder().encode(`${workerUrl} ${name} ${question}`);
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', text));
  return Array.from(digest, (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** What a worker of this very code answered before to the same question: a page that is opened again need not compute. */
export async function keptAnswer<K extends TaskName>(
  name: K,
  question: string,
): Promise<{ answer: TaskAnswer<K> } | undefined> {
  if (!keeps) return undefined;
  const found = await keyOf(name, question)
    .then(computed)
    .catch(() => undefined);
  return found as { answer: TaskAnswer<K> } | undefined;
}

/** Keeps an answer; where that cannot be, it is computed again. */
export async function keepAnswer<K extends TaskName>(
  name: K,
  question: string,
  answer: TaskAnswer<K>,
): Promise<void> {
  if (!keeps) return;
  await keyOf(name, question)
    .then((key) => keepComputed(key, answer))
    .catch(() => undefined);
}

import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** Answers that are kept at the most. */
const most = 100;
/** Which of them are of use is noted by the day. */
const dayMs = 86_400e3;

interface Schema extends DBSchema {
  /** `at` is when an answer was last of use, ms. */
  answers: { key: string; value: { answer: unknown; at: number }; indexes: { at: number } };
}

let opening: Promise<IDBPDatabase<Schema>> | undefined;

/**
 * Where answers of workers are kept: beside what a person entered and not with it, for it may go at any time and nothing is lost.
 * Every function here fails where the browser keeps nothing.
 */
const opened = (): Promise<IDBPDatabase<Schema>> =>
  (opening ??= openDB<Schema>('katharos-computed', 1, {
    upgrade: (db) => void db.createObjectStore('answers').createIndex('at', 'at'),
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      opening = undefined;
    },
    terminated: () => (opening = undefined),
  }));

/** The answer under a key, as a worker gave it. */
export async function computed(key: string): Promise<{ answer: unknown } | undefined> {
  const db = await opened();
  const found = await db.get('answers', key);
  if (found && Date.now() - found.at > dayMs) {
    await db.put('answers', { ...found, at: Date.now() }, key);
  }
  return found;
}

/** Keeps an answer; those that were of no use for longest go. */
export async function keepComputed(key: string, answer: unknown): Promise<void> {
  const { store, done } = (await opened()).transaction('answers', 'readwrite');
  await store.put({ answer, at: Date.now() }, key);
  const tooMany = (await store.count()) - most;
  let cursor = tooMany > 0 ? await store.index('at').openCursor() : null;
  for (let left = tooMany; cursor && left > 0; left -= 1) {
    await cursor.delete();
    cursor = await cursor.continue();
  }
  await done;
}

export const forgetComputed = async (): Promise<void> => (await opened()).clear('answers');

import type { Job } from '@katharos/contract';
import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';
import type { Deed, KeptDeed, Lane } from './deeds.ts';

/** A job as the server last confirmed it to this browser, and what stands between it and what is kept here. */
export interface KeptJob {
  id: string;
  job: Job;
  /** Deeds up to this one were sent under this key and not answered yet: they are sent again just so. */
  inflight?: { key: string; upTo: number };
  /** Someone else changed the same; a person has to choose. */
  conflict?: { theirs: Job; paths: string[] };
  /** The server refused what was sent, and why; a further deed of the job tries again. */
  refusal?: { message: string; path: string | null; upTo: number };
}

/** An answer of the server, for when it cannot be asked. */
interface KeptAnswer {
  address: string;
  body: unknown;
  /** Of the contract that it came under; lacks where an older version kept it. */
  mark?: string | null;
  at: string;
}

interface Schema extends DBSchema {
  jobs: { key: string; value: KeptJob };
  deeds: { key: number; value: Deed & { seq?: number }; indexes: { lane: Lane } };
  answers: { key: string; value: KeptAnswer };
}

let opening: Promise<IDBPDatabase<Schema>> | undefined;

/** This browser's store; opened once. Fails where the browser allows none. */
function opened(): Promise<IDBPDatabase<Schema>> {
  opening ??= open().catch(async () => {
    // Forbidden, as in some private windows: what is done must still reach the server.
    onThisPageOnly = true;
    await import('fake-indexeddb/auto');
    return open();
  });
  return opening;
}

const open = (): Promise<IDBPDatabase<Schema>> =>
  openDB<Schema>('katharos', 1, {
    upgrade(db) {
      db.createObjectStore('jobs', { keyPath: 'id' });
      db.createObjectStore('deeds', { keyPath: 'seq', autoIncrement: true }).createIndex(
        'lane',
        'lane',
      );
      db.createObjectStore('answers', { keyPath: 'address' });
    },
    // Newer code in another tab wants to change the store: let it.
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      opening = undefined;
    },
    terminated: () => (opening = undefined),
  });

/** Whether this browser lets nothing be kept: then it is kept on this page alone, and said. */
let onThisPageOnly = false;
export const keepsNothing = (): boolean => onThisPageOnly;

const byOrder = (a: KeptDeed, b: KeptDeed) => a.seq - b.seq;

/** Keeps deeds, all or none; resolves when they would survive the browser. */
export async function keepDeeds(deeds: readonly Deed[]): Promise<void> {
  const transaction = (await opened()).transaction('deeds', 'readwrite', { durability: 'strict' });
  await Promise.all([...deeds.map((deed) => transaction.store.add(deed)), transaction.done]);
}

export const deedsOf = async (lane: Lane): Promise<KeptDeed[]> =>
  ((await (await opened()).getAllFromIndex('deeds', 'lane', lane)) as KeptDeed[]).sort(byOrder);

export const allDeeds = async (): Promise<KeptDeed[]> =>
  ((await (await opened()).getAll('deeds')) as KeptDeed[]).sort(byOrder);

export const keptJob = async (id: string): Promise<KeptJob | undefined> =>
  (await opened()).get('jobs', id);

/** Changes what is known of a job and of its deeds in one go, so that no other tab sees or leaves half of it. */
export async function changeLane(
  lane: Lane,
  change: (
    held: KeptJob | undefined,
    deeds: readonly KeptDeed[],
  ) => {
    job?: KeptJob | undefined;
    /** Deeds that are dealt with. */
    done?: readonly KeptDeed[];
    /** Deeds that say something else now. */
    rewritten?: readonly KeptDeed[];
  },
): Promise<void> {
  const transaction = (await opened()).transaction(['jobs', 'deeds'], 'readwrite', {
    durability: 'strict',
  });
  const [jobs, store] = [transaction.objectStore('jobs'), transaction.objectStore('deeds')];
  const held = await jobs.get(lane);
  const deeds = ((await store.index('lane').getAll(lane)) as KeptDeed[]).sort(byOrder);
  const { job, done = [], rewritten = [] } = change(held, deeds);
  await Promise.all([
    ...(job ? [jobs.put(job)] : []),
    ...done.map(({ seq }) => store.delete(seq)),
    ...rewritten.map((deed) => store.put(deed)),
    transaction.done,
  ]);
}

export async function keepAnswer(
  address: string,
  { body, mark }: { body: unknown; mark: string | null },
): Promise<void> {
  const db = await opened();
  await db.put('answers', { address, body, mark, at: new Date().toISOString() });
}

export const keptAnswer = async (address: string): Promise<KeptAnswer | undefined> =>
  (await opened()).get('answers', address);

/** Forgets what the server said, for the next person; with `deeds`, what was done here and not sent as well. */
export async function forgetAll({ deeds }: { deeds: boolean }): Promise<void> {
  const db = await opened();
  await Promise.all([db.clear('answers'), ...(deeds ? [db.clear('jobs'), db.clear('deeds')] : [])]);
}

import type { Lane } from './deeds.ts';
import type { LineState } from './lineSlice.ts';

/** What tabs of this browser tell each other. */
export type Message =
  /** Something was done in a tab and is kept: the sender has work. */
  | { about: 'kept'; lane: Lane }
  /** The document was edited in another tab. */
  | { about: 'deed'; lane: Lane }
  /** The browser will not keep what was done, or does again. */
  | { about: 'unkept'; unkept: boolean }
  /** What is known of a lane changed: confirmed, refused, taken in from others, or in need of a choice. */
  | { about: 'lane'; lane: Lane }
  /** The server's lists changed. */
  | {
      about: 'lists';
      of: 'jobs' | 'board' | 'van' | 'instruments' | 'photographs' | 'papers' | 'catalogue' | 'all';
    }
  /** The server did not want something that cannot be mended. */
  | { about: 'refused'; lane: Lane; kind: string; message: string }
  /** How the line to the server is. */
  | { about: 'line'; state: LineState }
  /** Somebody wants it tried now. */
  | { about: 'try' }
  /** Somebody signed in or out. */
  | { about: 'session' };

type Listener = (message: Message) => void;

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('katharos');
// In tests without a browser an open channel would keep the process alive.
(channel as unknown as { unref?: () => void } | null)?.unref?.();
const listeners = new Set<Listener>();

channel?.addEventListener('message', ({ data }) => {
  for (const listener of listeners) listener(data as Message);
});

/** Tells the other tabs. */
export const tellOthers = (message: Message): void => channel?.postMessage(message);

/** Tells the other tabs and this one. */
export function tellAll(message: Message): void {
  tellOthers(message);
  for (const listener of listeners) listener(message);
}

export function onMessage(listener: Listener): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

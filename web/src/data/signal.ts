import { useSyncExternalStore } from 'react';

/** A value outside of React that one part of the page shows and any other may set. */
export function signal<T>(first: T) {
  let value = first;
  const listeners = new Set<() => void>();
  const listen = (told: () => void): (() => void) => {
    listeners.add(told);
    return () => listeners.delete(told);
  };
  const get = (): T => value;
  return {
    get,
    set: (next: T): void => {
      value = next;
      for (const told of listeners) told();
    },
    use: (): T => useSyncExternalStore(listen, get),
  };
}

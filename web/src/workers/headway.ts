import { useSyncExternalStore } from 'react';

/** How far a computation is: apart from its state, for only who shows it is drawn anew with every share that is done. */
export class Headway {
  private share = 0;
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly now = (): number => this.share;

  readonly tell = (share: number): void => {
    this.share = share;
    for (const listener of this.listeners) listener();
  };
}

/** The share that is done, between 0 and 1. */
export const useShare = (headway: Headway): number =>
  useSyncExternalStore(headway.subscribe, headway.now);

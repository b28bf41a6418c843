import { type OpenQuestion, readingWorth } from '@katharos/core';
import { expose } from 'comlink';

/** A few hundred possible surveys, tried out off the interface's thread. */
const worth = {
  of: (question: OpenQuestion, onProgress: (share: number) => void) =>
    readingWorth(question, undefined, onProgress),
};
export type WorthWorker = typeof worth;
expose(worth);

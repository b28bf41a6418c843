import { recommend, type SizingTask } from '@katharos/core';
import { expose } from 'comlink';

/** Sizing off the interface's thread. */
const sizing = {
  recommend: (task: SizingTask, onProgress: (share: number) => void) => recommend(task, onProgress),
};
export type SizingWorker = typeof sizing;
expose(sizing);

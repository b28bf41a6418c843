import {
  type Practice,
  shownOf,
  type ReadingCode,
  readingCodes,
  seededRandom,
  type Seen,
  type TestReadings,
  usualTestInstruments,
} from '@katharos/core';
import { createContext, useSyncExternalStore } from 'react';
import { forgetLocal, readLocal, writeLocal } from '../../../data/localStore.ts';

/** A simulated copy of a job's system, which stand-ins are held to; it belongs to this browser and never to the job. */

const listeners = new Set<() => void>();
const kept = new Map<string, Practice | null>();

const keyOf = (jobId: string) => `practice:${jobId}`;

function practiceOf(jobId: string): Practice | null {
  const known = kept.get(jobId);
  if (known !== undefined) return known;
  const read = (readLocal(keyOf(jobId)) as Practice | undefined) ?? null;
  kept.set(jobId, read);
  return read;
}

export function setPractice(jobId: string, practice: Practice | null): void {
  kept.set(jobId, practice);
  if (practice) writeLocal(keyOf(jobId), practice);
  else forgetLocal(keyOf(jobId));
  for (const listener of listeners) listener();
}

function listen(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const usePractice = (jobId: string): Practice | null =>
  useSyncExternalStore(listen, () => practiceOf(jobId));

/** What is truly there to be read, and by what chance it is misread; nothing where nobody practises. */
export interface Practised {
  readings: TestReadings;
  seed: number;
}
export const PractisedContext = createContext<Practised | undefined>(undefined);

/** What stand-ins are held to at this moment. */
let held: TestReadings | undefined;
export const truthsHeld = (): TestReadings | undefined => held;
export function holdTruths(readings: TestReadings | undefined): void {
  held = readings;
}

/** What somebody sees who reads a simulated system by eye, jug or strip: the same every time. */
export function readByHand({ readings, seed }: Practised, code: ReadingCode): Seen | undefined {
  const truth = readings[code];
  if (truth === undefined) return undefined;
  const of = seed + 7919 * readingCodes.indexOf(code);
  return shownOf(code, truth, usualTestInstruments, seededRandom(of));
}

import { toCore } from '@katharos/core';
import type { Reading } from '../document/reading.ts';
import { visitFields } from '../document/visits.ts';
import type { NotedKey, VerifyKey } from '../fields/fields.ts';
import { dateOfInstant, type Installed, inUseSince } from './installed.ts';
import { visitsInOrder } from '../document/visitsInOrder.ts';

/** A figure that was read, in the core's units: what questions across a firm are asked of. */
export interface ReadRow {
  /** The hand-over, or a visit's id. */
  visit: string;
  figure: VerifyKey | NotedKey;
  /** ISO calendar day. */
  readOn: string;
  value: number;
}

/** All that was read at an installed system, hand-over and visits; no practice. */
export function readRowsOf(document: Installed): ReadRow[] {
  const since = inUseSince(document);
  if (!since) return [];
  const rows = (
    visit: string,
    readOn: string,
    readings: Partial<Record<VerifyKey | NotedKey, Reading | undefined>>,
  ) =>
    Object.entries(readings).flatMap(([key, reading]): ReadRow[] => {
      const figure = key as VerifyKey | NotedKey;
      return reading && !reading.simulated
        ? [{ visit, figure, readOn, value: toCore(visitFields[figure].dimension, reading) }]
        : [];
    });
  return [
    ...rows('hand-over', since, { ...document.verify.readings, ...document.verify.noted }),
    ...visitsInOrder(document).flatMap(([id, { at, readings, after = {} }]) => [
      ...rows(id, dateOfInstant(at), readings),
      ...rows(`${id}, after`, dateOfInstant(at), after),
    ]),
  ];
}

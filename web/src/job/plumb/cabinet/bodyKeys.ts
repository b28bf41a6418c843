import type { Body, Cabinet, Placed } from '@katharos/core';
import { type cabinetView, type Place, turnedOver, turning } from './cabinetView.ts';
import type { KeyboardEvent } from 'react';

/** How far an arrow moves a thing, and with Shift, m. */
const stepM = { plain: 0.05, fine: 0.01 } as const;

const arrows: Record<string, [across: number, down: number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Where a key puts a thing: an arrow beside, R turned; nothing for any other key. */
export function placeByKey(
  event: KeyboardEvent,
  body: Body,
  one: Placed,
  cabinet: Cabinet,
  { nudged }: ReturnType<typeof cabinetView>,
): Place | null {
  const arrow = arrows[event.key];
  if (arrow) {
    const step = event.shiftKey ? stepM.fine : stepM.plain;
    return nudged(one, arrow[0] * step, arrow[1] * step);
  }
  return event.key.toLowerCase() === 'r' && turning(body, one)
    ? turnedOver(body, one, cabinet)
    : null;
}

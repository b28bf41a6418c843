import { describe, expect, test } from '@jest/globals';
import { archetypes } from '../test/plumbingSamples.ts';
import type { Part } from '../catalogue/parts.ts';
import { partsPrice, slotKeys, slotsOf } from './slots.ts';
import { isAddedLamp, isUltravioletLine } from './ultravioletLine.ts';

/** Whatever in a system looks like a part of a catalogue: found by looking, not by knowing where parts stand. */
function partsWithin(thing: unknown): Part[] {
  if (typeof thing !== 'object' || thing === null) return [];
  const own = 'price' in thing && 'id' in thing ? [thing as Part] : [];
  return [...own, ...Object.values(thing).flatMap(partsWithin)];
}

describe('slots', () => {
  test.each(archetypes)('name every part of %s once, in their order', (_name, system) => {
    const slots = slotsOf(system);
    const within = isAddedLamp(system) ? [system.lamp] : partsWithin(system);
    expect(slots.map(({ part }) => part.id).sort()).toEqual(within.map(({ id }) => id).sort());
    const order = slots.map(({ key }) => slotKeys.indexOf(key));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    expect(slots.filter(({ key }) => key === 'prefilter').map(({ index }) => index)).toEqual(
      slots.filter(({ key }) => key === 'prefilter').map((_, i) => i + 1),
    );
  });

  test.each(archetypes)('of %s add up to its price, each element counted', (_name, system) => {
    const counted = slotsOf(system).reduce((sum, { count }) => sum + count, 0);
    const elements = isUltravioletLine(system) ? 0 : system.elements - 1;
    expect(counted).toBe(slotsOf(system).length + elements);
    // What a unit holds is in its price and not paid twice.
    const bought = slotsOf(system).filter(({ held }) => !held);
    expect(partsPrice(system)).toBe(
      bought.reduce((sum, { part, count, inKit }) => sum + part.price * (count - inKit), 0),
    );
  });
});

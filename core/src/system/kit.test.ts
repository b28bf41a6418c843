import { describe, expect, test } from '@jest/globals';
import type { KitPart, UnitPart } from '../catalogue/parts.ts';
import { sampleParts, tankDesign } from '../test/samples.ts';
import { withKit } from './kit.ts';
import { partsPrice } from './slots.ts';
import { isHeld, unitMisfit, withUnit } from './unit.ts';

const kit = (price: number, ...ids: string[]): KitPart => ({
  kind: 'kit',
  id: `k-${price}`,
  name: 'Kit',
  price,
  holds: ids.map((id) => ({ id, quantity: 1 })),
  fittings: [],
  tubes: [],
  colours: {},
  leastTankCycles: 2,
  warranty: '',
});
const unit: UnitPart = {
  kind: 'unit',
  id: 'u',
  name: 'Unit',
  price: 60,
  cartridges: 2,
  closing: 'housing',
  vessels: 1,
  holds: ['s-1'],
  piped: true,
  ports: { feed: '1/4"', product: '1/4"', drain: '1/4"' },
  mounting: 'hangs',
  weightKg: 3,
  housingBar: 8.6,
  vesselBar: 8.6,
};

describe('a kit', () => {
  test('is taken where it holds nothing that is not needed, and saves', () => {
    // Sediment, block and element are 65 by themselves.
    const bought = withKit(tankDesign, [...sampleParts, kit(60, 'sed', 'cb', 'm-mid')]);
    expect(bought.kit?.price).toBe(60);
    expect(partsPrice(tankDesign) - partsPrice(bought)).toBe(5);
    expect(withKit(tankDesign, [kit(70, 'sed', 'cb', 'm-mid')]).kit).toBeNull();
    expect(withKit(tankDesign, [kit(1, 'sed', 'cat')]).kit).toBeNull();
    // Of two that save, the one that saves more.
    expect(
      withKit(tankDesign, [kit(60, 'sed', 'cb', 'm-mid'), kit(50, 'cb', 'm-mid')]).kit?.price,
    ).toBe(50);
  });
});

describe('a unit', () => {
  test('is found for the parts that it takes, and given up when they change', () => {
    const made = withUnit(tankDesign, [...sampleParts, unit]);
    expect(made.unit?.id).toBe('u');
    expect(isHeld(made, made.shutoff!)).toBe(true);
    // What it holds is in its price.
    expect(partsPrice(made)).toBe(partsPrice(tankDesign) + 60 - 8);
    expect(withUnit({ ...made, elements: 2 }, [unit]).unit).toBeNull();
    expect(withUnit({ ...made, shutoff: null }, [unit]).unit).toBeNull();
  });

  test.each([
    ['cartridges', { ...unit, cartridges: 3 }],
    ['vessels', { ...unit, vessels: 0 }],
    ['built-in', { ...unit, holds: ['p-1'] }],
    ['tank', { ...unit, tankless: true }],
    ['tank', { ...unit, innerTank: true }],
  ])('says why it does not fit: %s', (why, other) => {
    expect(unitMisfit({ ...tankDesign, unit: other })).toBe(why);
    expect(unitMisfit({ ...tankDesign, unit })).toBeNull();
  });
});

import type { Part } from '../../catalogue/parts.ts';
import {
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
} from '../../system/ultravioletLine.ts';
import { isMakerPiped } from '../../system/design.ts';
import { isHeld } from '../../system/unit.ts';
import type { Body } from './placing.ts';

/** Usual sizes where the catalogue gives none, m; defaults. A housing of ten inches with its bracket, elements on top of them. */
const usual = {
  housing: { width: 0.13, height: 0.34, depth: 0.15, below: 0.06 },
  element: { height: 0.09 },
  tankless: { width: 0.15, height: 0.42, depth: 0.43 },
  compact: { width: 0.26, height: 0.42, depth: 0.4 },
  pump: { width: 0.21, height: 0.11, depth: 0.11 },
  lamp: { width: 0.07, height: 0.34, depth: 0.07, below: 0.05 },
  permeatePump: { width: 0.13, height: 0.09, depth: 0.09 },
  leakStop: { width: 0.1, height: 0.06, depth: 0.08 },
} as const;

/** Levels within a unit of housings, m above its foot: the housings, their heads' ports, and each row of elements on top. Defaults. */
export const housedUnit = {
  housingM: usual.housing.height,
  headM: usual.housing.height - 0.04,
  elementM: usual.element.height,
} as const;

/** A pump that touches a wall hums through the whole kitchen: it stands this far off everything, m. Default. */
const pumpGapM = 0.015;

/** Height of a tank over its diameter, and its valve on top, m. Defaults. */
const tankShape = { slender: 1.35, valveM: 0.06, filling: 0.75 } as const;

/** Size of a bladder tank of a volume, m: a cylinder with domed ends, a third as high again as it is wide. */
export function tankSize(volumeL: number): { diameter: number; height: number } {
  const { slender, filling, valveM } = tankShape;
  const diameter = ((volumeL / 1000 / filling / slender) * (4 / Math.PI)) ** (1 / 3);
  return { diameter, height: slender * diameter + valveM };
}

type Size = Pick<Body, 'width' | 'height' | 'depth'>;

/** The things that need a place in the cabinet, with the room that service asks for. */
export function bodiesOf(system: InstalledSystem, leakStop: boolean): Body[] {
  const bodies: Body[] = [];
  const add = (id: string, size: Size, change: Partial<Body> = {}) =>
    bodies.push({
      id,
      ...size,
      below: 0,
      gap: 0,
      frontFree: false,
      hangs: false,
      mayLie: false,
      ...change,
    });
  /** A part of the catalogue: as it says itself, else as usual. */
  const addPart = (id: string, { sizeM, service }: Part, size: Size, usually: Partial<Body>) =>
    add(id, sizeM ?? size, {
      ...usually,
      ...(service?.belowM === undefined ? {} : { below: service.belowM }),
      ...(service?.gapM === undefined ? {} : { gap: service.gapM }),
      ...(service?.mayLie === undefined ? {} : { mayLie: service.mayLie }),
    });
  const addLamp = (lamp: Part) =>
    addPart('lamp', lamp, usual.lamp, { hangs: true, below: usual.lamp.below });
  const row = (count: number, elements: number) => ({
    width: usual.housing.width * Math.max(count, 2),
    height: usual.housing.height + usual.element.height * Math.ceil(elements / 2),
    depth: usual.housing.depth,
  });
  if (isAddedLamp(system)) {
    // What it is added to stands there and is drawn as what is in the way.
    addLamp(system.lamp);
  } else if (isUltravioletLine(system)) {
    add('unit', row(system.prefilters.length, 0), {
      hangs: true,
      frontFree: true,
      below: usual.housing.below,
    });
    addLamp(system.lamp);
  } else {
    const { unit, tank, prefilters, elements, pump, permeatePump, lamp } = system;
    const hung = { hangs: true, frontFree: true, below: usual.housing.below };
    const closed = unit ? unit.mounting === 'stands' : isMakerPiped(system);
    const size = closed
      ? tank?.internal
        ? usual.compact
        : usual.tankless
      : row(prefilters.length, elements);
    if (unit) addPart('unit', unit, size, closed ? { frontFree: true } : hung);
    else add('unit', size, closed ? { frontFree: true } : hung);
    const beside = <T extends Part>(part: T | null): T | null =>
      part && !isHeld(system, part) ? part : null;
    if (unit || !isMakerPiped(system)) {
      const [ownPump, ownPermeatePump] = [beside(pump), beside(permeatePump)];
      if (tank && !tank.internal) {
        const { diameter, height } = tankSize(tank.volumeL);
        const size = { width: diameter, height, depth: diameter };
        // Its valve is closed at every change of a cartridge.
        addPart('tank', tank, size, { frontFree: true, mayLie: true });
      }
      if (ownPump) addPart('pump', ownPump, usual.pump, { gap: pumpGapM });
      if (ownPermeatePump)
        addPart('permeate-pump', ownPermeatePump, usual.permeatePump, { hangs: true });
    }
    if (lamp) addLamp(lamp);
  }
  if (leakStop) add('leak-stop', usual.leakStop);
  return bodies;
}

/** Weight of a tank when full, kg: its water, and its shell at a fifth of that. */
export const fullTankKg = (volumeL: number): number => volumeL * 1.2;

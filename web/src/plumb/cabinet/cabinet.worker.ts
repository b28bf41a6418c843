import {
  type Body,
  type Cabinet,
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
  missingRoom,
  type Obstacle,
  type Part,
  type Requirements,
  type SizingWaters,
  type WayOut,
  waysOut,
} from '@katharos/core';
import { expose } from 'comlink';

/** What does not fit, and where. */
export interface NoFitTask {
  bodies: readonly Body[];
  cabinet: Cabinet;
  obstacles: readonly Obstacle[];
  system: InstalledSystem;
  leakStop: boolean;
  catalogue: readonly Part[];
  waters: SizingWaters;
  requirements: Requirements;
}

/** By how much it does not fit, and every way out tried, off the interface's thread. */
export interface NoFit {
  room: Record<keyof Cabinet, number | null>;
  ways: WayOut[];
}

const cabinets = {
  noFit: (task: NoFitTask): NoFit => {
    const { bodies, cabinet, obstacles, system, leakStop, catalogue, waters, requirements } = task;
    return {
      room: missingRoom(bodies, cabinet, obstacles),
      ways: isAddedLamp(system)
        ? []
        : isUltravioletLine(system)
          ? [{ kind: 'remote' }]
          : waysOut(system, leakStop, cabinet, obstacles, catalogue, waters, requirements),
    };
  },
};
export type CabinetWorker = typeof cabinets;
expose(cabinets);

import type { Counter, PlumbingSite } from './siteFacts.ts';

export type DrillTool =
  | 'step-drill'
  | 'hole-punch'
  | 'wood-bit'
  | 'diamond-core'
  | 'knock-out'
  | 'none';

export type TapHoleRemark =
  | 'stop-for-a-mason'
  | 'wet-and-slow'
  | 'no-hammer'
  | 'pilot-first'
  | 'seal-the-edge'
  | 'from-below'
  | 'eyes'
  | 'nothing-below'
  | 'ask-first'
  | 'not-allowed'
  | 'counter-not-seen';

export interface TapHole {
  /** In a hole to be drilled, in one that is there, or on a bracket where nothing may be drilled. */
  mount: 'drilled' | 'existing' | 'bracket';
  /** Diameter of the hole, mm; 0 where there is one already. */
  holeMm: number;
  counter: Counter | null;
  tool: DrillTool;
  /** Pilot hole, mm; null where none is drilled. */
  pilotMm: number | null;
  /** Speed of the bit, rpm, from its cutting speed; null where nothing turns. */
  rpm: number | null;
  /** Drilling time for a counter of usual thickness, min. */
  minutes: number;
  remarks: TapHoleRemark[];
}

/** Cutting speed at the rim, m/min, and how fast the bit sinks, mm/min, by counter. Hand tools; defaults. */
const cutting: Record<
  Counter,
  { tool: DrillTool; speed: number; sinks: number; thickMm: number; pilotMm: number | null }
> = {
  steel: { tool: 'step-drill', speed: 12, sinks: 1, thickMm: 1, pilotMm: 4 },
  laminate: { tool: 'wood-bit', speed: 60, sinks: 40, thickMm: 38, pilotMm: 3 },
  wood: { tool: 'wood-bit', speed: 60, sinks: 40, thickMm: 38, pilotMm: 3 },
  composite: { tool: 'knock-out', speed: 25, sinks: 8, thickMm: 12, pilotMm: null },
  quartz: { tool: 'diamond-core', speed: 25, sinks: 3, thickMm: 20, pilotMm: null },
  granite: { tool: 'diamond-core', speed: 25, sinks: 2, thickMm: 30, pilotMm: null },
  porcelain: { tool: 'diamond-core', speed: 20, sinks: 1.5, thickMm: 12, pilotMm: null },
};

const stone: ReadonlySet<Counter> = new Set(['quartz', 'granite', 'porcelain']);
/** Stone from this hole on is a mason's work even where it is not brittle, mm. Default. */
const masonFromMm = 35;

const undrilled = { tool: 'none', pilotMm: null, rpm: null, minutes: 0 } as const;

/**
 * How the hole for the tap is made. Speed `n = v / (pi d)` from the rim's cutting speed; time from how fast the bit sinks, plus five
 * minutes to tape, mark and wipe.
 * @param holeMm the tap's own hole
 */
export function tapHole(site: PlumbingSite, holeMm: number): TapHole {
  const { counter, drilling } = site;
  if (site.holeThere === true) {
    return { ...undrilled, mount: 'existing', holeMm: 0, counter, remarks: ['nothing-below'] };
  }
  if (drilling === 'no') {
    return { ...undrilled, mount: 'bracket', holeMm: 0, counter, remarks: ['not-allowed'] };
  }
  const asked: TapHoleRemark[] = drilling === 'yes' ? [] : ['ask-first'];
  if (counter === null) {
    return {
      ...undrilled,
      mount: 'drilled',
      holeMm,
      counter,
      remarks: ['counter-not-seen', ...asked],
    };
  }
  const { tool, speed, sinks, thickMm, pilotMm } = cutting[counter];
  const isStone = stone.has(counter);
  const mason = isStone && (counter === 'porcelain' || holeMm >= masonFromMm);
  const remarks: [TapHoleRemark, boolean][] = [
    ['stop-for-a-mason', mason],
    ['wet-and-slow', isStone],
    ['no-hammer', isStone || counter === 'composite'],
    ['pilot-first', pilotMm !== null],
    ['seal-the-edge', counter === 'laminate' || counter === 'wood'],
    ['from-below', counter === 'composite'],
    ['eyes', true],
    ['nothing-below', true],
  ];
  return {
    mount: 'drilled',
    holeMm,
    counter,
    tool,
    pilotMm,
    rpm: Math.round((speed * 1000) / (Math.PI * holeMm) / 10) * 10,
    minutes: Math.ceil(5 + thickMm / sinks),
    remarks: [...remarks.filter(([, is]) => is).map(([remark]) => remark), ...asked],
  };
}

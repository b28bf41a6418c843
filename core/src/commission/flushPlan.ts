import { flushTimes, washout } from '../base/practice.ts';
import type { Assessment } from '../system/assessment.ts';
import type { SystemDesign } from '../system/design.ts';
import {
  isAddedLamp,
  type UltravioletAssessment,
  type UltravioletLine,
} from '../system/ultravioletLine.ts';
import { washoutCycles } from './tankWashout.ts';

/** What each kind of step is told by. Litres are of product unless said. */
export interface FlushData {
  'crack-feed-open': Record<never, never>;
  'leak-check': Record<never, never>;
  'prefilter-flush': { cartridges: number };
  'line-flush': { cartridges: number; litres: number };
  'reopen-existing': { tank: boolean };
  'lamp-fill': { litres: number };
  'mesh-check': { flowLPerH: number };
  'fit-membrane': { elements: number };
  'membrane-rinse': { litres: number };
  'close-tap-open-tank': Record<never, never>;
  'tank-fill': TankCycle;
  'tank-drain': TankCycle;
  'run-open-tap': { litres: number };
  'lamp-on': Record<never, never>;
  'dispenser-rinse': { litres: number; times: number };
  'heater-on': Record<never, never>;
  'rest-and-recheck': Record<never, never>;
}

/** One filling and emptying of the tank. */
interface TankCycle {
  cycle: number;
  cycles: number;
  litres: number;
  drainLitres: number;
}

export type FlushStepCode = keyof FlushData;

/** One thing to do or wait for. A step with minutes has a timer. */
export type FlushStep = {
  [C in FlushStepCode]: {
    id: string;
    code: C;
    /** Time the step takes or must run; null for what is simply done. */
    minutes: number | null;
    /** Whether someone has to stay beside it. */
    attended: boolean;
    data: Readonly<FlushData[C]>;
  };
}[FlushStepCode];

/** A tap that gives less is taken to give this, L/min, so that a time stays a time. */
const leastStreamLPerMin = 0.05;

function step<C extends FlushStepCode>(
  code: C,
  minutes: number | null,
  attended: boolean,
  data: FlushData[C],
  suffix = '',
): FlushStep {
  return { id: code + suffix, code, minutes, attended, data } as FlushStep;
}

/**
 * A lamp is lit last, in a reactor full of water: what lies in new filters would shade and coat the sleeve, and air leaves it hot.
 * One that was added is also tried against the flow from before: a reactor's inlet mesh catches what the cut left in the tube.
 */
export function ultravioletFlushPlan(
  system: UltravioletLine,
  { flowLPerMin }: UltravioletAssessment,
): FlushStep[] {
  if (isAddedLamp(system)) {
    const minutes = flushTimes.lampFill;
    return [
      step('reopen-existing', null, true, { tank: system.addedTo === 'tank-system' }),
      step('leak-check', flushTimes.leakWatch, true, {}),
      step('lamp-fill', minutes, true, { litres: flowLPerMin * minutes }),
      step('mesh-check', null, true, { flowLPerH: flowLPerMin * 60 }),
      step('lamp-on', flushTimes.lampWarmUp, true, {}),
      step('rest-and-recheck', null, true, {}),
    ];
  }
  const minutes = flushTimes.prefilter;
  return [
    step('crack-feed-open', null, true, {}),
    step('leak-check', flushTimes.leakWatch, true, {}),
    step('line-flush', minutes, true, {
      cartridges: system.prefilters.length,
      litres: flowLPerMin * minutes,
    }),
    step('lamp-on', flushTimes.lampWarmUp, true, {}),
    step('rest-and-recheck', null, true, {}),
  ];
}

/** A dispenser's tanks are rinsed with the heater off, which is switched on when its tank is full: dry it burns out. */
function dispenserSteps({ tap }: SystemDesign, { tapHalfLPerMin }: Assessment): FlushStep[] {
  if (!tap.dispenser) return [];
  const { hotL, coldL, heaterW } = tap.dispenser;
  const litres = washout.dispenserRinses * (hotL + coldL);
  return [
    step('dispenser-rinse', litres / Math.max(tapHalfLPerMin, leastStreamLPerMin), true, {
      litres,
      times: washout.dispenserRinses,
    }),
    ...(heaterW > 0 ? [step('heater-on', null, true, {})] : []),
  ];
}

/** The plan of flushing exactly this system in today's water. */
export function flushPlan(design: SystemDesign, today: Assessment): FlushStep[] {
  const start = [
    step('crack-feed-open', null, true, {}),
    step('leak-check', flushTimes.leakWatch, true, {}),
    step('prefilter-flush', flushTimes.prefilter, true, { cartridges: design.prefilters.length }),
    step('fit-membrane', null, true, { elements: design.elements }),
  ];
  const finish = [
    ...(design.lamp ? [step('lamp-on', flushTimes.lampWarmUp, true, {})] : []),
    ...dispenserSteps(design, today),
    step('rest-and-recheck', null, true, {}),
  ];
  if (!design.tank || !today.fill) {
    const litres = (today.running.permeateFlowLPerH * flushTimes.openTap) / 60;
    return [...start, step('run-open-tap', flushTimes.openTap, true, { litres }), ...finish];
  }
  const rinse = step('membrane-rinse', flushTimes.membraneRinse, true, {
    litres: (today.running.permeateFlowLPerH * flushTimes.membraneRinse) / 60,
  });
  if (!today.fill.shutsOff) {
    return [...start, rinse, ...finish];
  }
  const { fillTimeMin, usableVolumeL, drainVolumeL } = today.fill;
  const heelL = washout.heelShare * design.tank.volumeL;
  const cycles = Math.max(
    washout.leastTankCycles,
    washoutCycles(heelL, usableVolumeL, washout.leftShare),
  );
  const emptyMin = usableVolumeL / Math.max(today.tapHalfLPerMin, leastStreamLPerMin);
  const tank = Array.from({ length: cycles }, (_, i) => {
    const data = { cycle: i + 1, cycles, litres: usableVolumeL, drainLitres: drainVolumeL };
    return [
      step('tank-fill', fillTimeMin, false, data, `-${i + 1}`),
      step('tank-drain', emptyMin, true, data, `-${i + 1}`),
    ];
  }).flat();
  return [...start, rinse, step('close-tap-open-tank', null, true, {}), ...tank, ...finish];
}

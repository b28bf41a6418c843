import { borneWaitMin, comfortLPerMin, glassL, patienceMin } from '../base/practice.ts';
import { tankPressure, tankVolume } from '../tank/bladderTank.ts';
import { columnAt, pressureAtHours, tankFactor } from '../system/filling/productionCurve.ts';
import type { Draw } from './household.ts';
import type { Supply } from './supply.ts';

/** A moment of the day for a picture of it. */
export interface DayMoment {
  minute: number;
  litres: number;
  producing: boolean;
}

/** What the tap was asked for and what came. */
export interface ServedDraw extends Draw {
  servedL: number;
  /** Longer than at the tap's flow with a full tank, or, without a tank, than at a comfortable tap; min. */
  waitMin: number;
}

/** The water of a stretch of days, every litre of it in one place. */
export interface Ledger {
  feedL: number;
  drainL: number;
  productL: number;
  drawnL: number;
  startL: number;
  endL: number;
}

export interface SimulatedDays {
  days: number;
  ledger: Ledger;
  /** Kept, like the moments, only when asked for. */
  draws: ServedDraw[];
  /** Litres asked for that did not come. */
  shortL: number;
  longestWaitMin: number;
  /** Draws that waited longer than people bear, or were not served whole. */
  disappointed: number;
  /** Starts of production. */
  starts: number;
  runningMin: number;
  leastL: number;
  /** Worst first quarter litre of a tankless unit after standing, mg/L; null with a tank. */
  firstGlassMgL: number | null;
  moments: DayMoment[];
}

/** Longest step while a tap is open, min; by the midpoint rule within 1e-3 of steps a tenth of it (`day.test.ts`). */
export const openStepMin = 0.5;

const minutesPerDay = 1440;

/** Simulates days one after the other, each given as its draws; the tank starts full. */
export function simulateDays(
  supply: Supply,
  days: readonly (readonly Draw[])[],
  { keep = false, stepMin = openStepMin }: { keep?: boolean; stepMin?: number } = {},
): SimulatedDays {
  return supply.kind === 'tank'
    ? simulateTank(supply, days, keep, stepMin)
    : simulateDirect(supply, days, keep);
}

const emptyResult = (days: number, startL: number): SimulatedDays => ({
  days,
  ledger: { feedL: 0, drainL: 0, productL: 0, drawnL: 0, startL, endL: startL },
  draws: [],
  shortL: 0,
  longestWaitMin: 0,
  disappointed: 0,
  starts: 0,
  runningMin: 0,
  leastL: startL,
  firstGlassMgL: null,
  moments: [],
});

function record(
  result: SimulatedDays,
  draw: Draw,
  servedL: number,
  waitMin: number,
  keep: boolean,
): void {
  const shortL = Math.max(draw.litres - servedL, 0);
  if (keep) result.draws.push({ ...draw, servedL, waitMin });
  result.shortL += shortL;
  result.longestWaitMin = Math.max(result.longestWaitMin, waitMin);
  if (shortL > 1e-9 || waitMin > borneWaitMin(draw.litres)) result.disappointed += 1;
}

/** A column at a place between two of its nodes. */
const between = (column: Float64Array, place: number): number => {
  const i = place | 0;
  const left = column[i]!;
  return left + (place - i) * (column[i + 1]! - left);
};

function simulateTank(
  supply: Extract<Supply, { kind: 'tank' }>,
  days: readonly (readonly Draw[])[],
  keep: boolean,
  stepMin: number,
): SimulatedDays {
  const { curve, tank, tapLPerMin, fullL, reopenL } = supply;
  const shutsOff = curve.reachesClosing;
  const factor = tankFactor(tank);
  const hoursToEnd = curve.hours.at(-1)!;
  const quickestLPerMin = tapLPerMin.at(-1)!;
  const stalledDrainLPerMin = curve.last.concentrateFlowLPerH / 60;
  const result = emptyResult(days.length, fullL);
  const { ledger } = result;
  let litres = fullL;
  let producing = !shutsOff;
  let now = 0;

  const show = () => {
    if (keep) result.moments.push({ minute: now, litres, producing });
  };
  const book = (madeL: number, drainL: number, minutes: number): void => {
    ledger.productL += madeL;
    ledger.drainL += drainL;
    ledger.feedL += madeL + drainL;
    litres += madeL;
    result.runningMin += minutes;
  };
  /** Lets production go on for a time with the tap closed: one look along the curve. Returns how long it ran. */
  const produce = (minutes: number): number => {
    const fromBar = tankPressure(tank, litres);
    const from = columnAt(curve, curve.hours, fromBar);
    const toFull = 60 * factor * Math.max(hoursToEnd - from, 0);
    const running = Math.min(minutes, toFull);
    const toBar =
      running < toFull ? pressureAtHours(curve, from + running / 60 / factor) : curve.endBar;
    const madeL = Math.max((running < toFull ? tankVolume(tank, toBar) : fullL) - litres, 0);
    let drainL =
      factor * (columnAt(curve, curve.drain, toBar) - columnAt(curve, curve.drain, fromBar));
    if (!shutsOff) drainL += (minutes - running) * stalledDrainLPerMin;
    book(madeL, drainL, shutsOff ? running : minutes);
    if (shutsOff && running >= toFull) producing = false;
    return running;
  };
  const wait = (minutes: number): void => {
    if (producing && minutes > 0) {
      const running = produce(minutes);
      now += running;
      show();
      now += minutes - running;
    } else {
      now += minutes;
    }
    show();
  };
  const last = curve.hours.length - 1;
  /** Place in the curve's columns of a tank that holds so much: the whole part is the node, the rest the way to the next. */
  const placeOf = (tankL: number): number => {
    const place = (tankPressure(tank, tankL) - curve.prechargeBar) / curve.stepBar;
    return place > 0 ? Math.min(place, last - 1e-9) : 0;
  };
  const serve = (draw: Draw): void => {
    const quickest = draw.litres / quickestLPerMin;
    // What is made, and what the tank's pressure pushes out or, where it cannot, what is made meanwhile; L/min.
    let [makes, out] = [0, quickestLPerMin];
    let [served, spent] = [0, 0];
    while (served < draw.litres - 1e-12 && spent < quickest + patienceMin) {
      const most = Math.min(stepMin, quickest + patienceMin - spent);
      // Midpoint rule: the rates where the tank stands half a step on, as far as the last rates tell.
      const rough = Math.min(most, out > 0 ? (draw.litres - served) / out : most);
      const middle = litres - ((out - makes) * rough) / 2;
      const place = placeOf(middle < 0 ? 0 : middle > fullL ? fullL : middle);
      makes = producing ? between(curve.permeateLPerH, place) / 60 : 0;
      out = Math.max(between(tapLPerMin, place), makes);
      const minutes = Math.min(most, out > 0 ? (draw.litres - served) / out : most);
      if (producing) {
        const drainL = (between(curve.concentrateLPerH, place) / 60) * minutes;
        book(Math.min(makes * minutes, fullL - litres), drainL, minutes);
      }
      const outL = Math.min(out * minutes, draw.litres - served, litres);
      served += outL;
      litres -= outL;
      ledger.drawnL += outL;
      spent += minutes;
      if (!producing && litres < reopenL) {
        producing = true;
        result.starts += 1;
      }
    }
    result.leastL = Math.min(result.leastL, litres);
    now += spent;
    show();
    record(result, draw, served, Math.max(spent - quickest, 0), keep);
  };

  show();
  days.forEach((draws, day) => {
    for (const draw of draws) {
      wait(Math.max(day * minutesPerDay + draw.minute - now, 0));
      serve(draw);
    }
  });
  wait(Math.max(days.length * minutesPerDay - now, 0));
  ledger.endL = litres;
  return result;
}

/**
 * TDS of product that stood behind an idle membrane: salt diffuses through until both sides are alike,
 * `cf - (cf - cp) exp(-b t / V)`.
 */
export function standingTds(
  feedMgL: number,
  productMgL: number,
  saltPermeanceLPerH: number,
  standingL: number,
  idleMin: number,
): number {
  return (
    feedMgL - (feedMgL - productMgL) * Math.exp((-saltPermeanceLPerH * idleMin) / 60 / standingL)
  );
}

function simulateDirect(
  supply: Extract<Supply, { kind: 'direct' }>,
  days: readonly (readonly Draw[])[],
  keep: boolean,
): SimulatedDays {
  const { productLPerMin, drainLPerMin, productMgL, feedMgL, standingL } = supply;
  const result = emptyResult(days.length, 0);
  const { ledger } = result;
  let closed = -Infinity;
  let worst = productMgL;
  days.forEach((draws, day) => {
    for (const draw of draws) {
      const opened = Math.max(day * minutesPerDay + draw.minute, closed);
      const minutes = draw.litres / productLPerMin;
      const idle = Number.isFinite(closed) ? opened - closed : 8 * 60;
      const stood = standingTds(feedMgL, productMgL, supply.saltPermeanceLPerH, standingL, idle);
      const first = Math.min(standingL, glassL);
      worst = Math.max(worst, (first * stood + (glassL - first) * productMgL) / glassL);
      ledger.productL += draw.litres;
      ledger.drawnL += draw.litres;
      ledger.drainL += minutes * drainLPerMin;
      ledger.feedL += draw.litres + minutes * drainLPerMin;
      result.starts += 1;
      result.runningMin += minutes;
      closed = opened + minutes;
      const asked = day * minutesPerDay + draw.minute;
      record(
        result,
        draw,
        draw.litres,
        Math.max(closed - asked - draw.litres / comfortLPerMin, 0),
        keep,
      );
    }
  });
  result.firstGlassMgL = worst;
  return result;
}

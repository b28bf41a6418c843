import { borneWaitMin, comfortLPerMin, glassL, patienceMin } from '../base/practice.ts';
import { atmosphereBar, tankPressure, tankVolume } from '../tank/bladderTank.ts';
import { columnAt, pressureAtHours, tankFactor } from '../system/filling/productionCurve.ts';
import type { Draw } from './household.ts';
import type { DirectSupply, Supply, TankSupply } from './supply.ts';

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

/** How well a time was served. */
interface Service {
  /** Litres asked for that did not come. */
  shortL: number;
  longestWaitMin: number;
  /** Draws that waited longer than people bear, or were not served whole. */
  disappointed: number;
  /** Least that the tank held; 0 without one, L. */
  leastL: number;
}

/** One day of a stretch, which begins with the tank as the day before left it. */
export interface LivedDay extends Service {
  draws: number;
  drawnL: number;
}

export interface SimulatedDays extends Service {
  days: number;
  /** Day by day. */
  lived: LivedDay[];
  ledger: Ledger;
  /** Kept, like the moments, only when asked for. */
  draws: ServedDraw[];
  /** Starts of production. */
  starts: number;
  runningMin: number;
  /** Worst first quarter litre of a tankless unit after standing, mg/L; null with a tank. */
  firstGlassMgL: number | null;
  moments: DayMoment[];
}

/** Longest step while a tap is open, min; by the midpoint rule within 1e-3 of steps a tenth of it (`day.test.ts`). */
export const openStepMin = 0.5;

export const minutesPerDay = 1440;

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

/** Days of a stretch on which somebody waited longer than people bear, or went short. */
export const disappointingDays = ({ lived }: Pick<SimulatedDays, 'lived'>): number =>
  lived.filter((day) => day.disappointed > 0).length;

const emptyResult = (days: number, startL: number): SimulatedDays => ({
  days,
  lived: [],
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

/** Opens the book of the next day. */
function openDay({ lived }: SimulatedDays, leastL: number): void {
  lived.push({ draws: 0, drawnL: 0, shortL: 0, longestWaitMin: 0, disappointed: 0, leastL });
}

/** Books a draw, and what it left in the tank, in its day. */
function record(
  { lived, draws }: SimulatedDays,
  draw: Draw,
  { servedL, waitMin, leftL }: { servedL: number; waitMin: number; leftL: number },
  keep: boolean,
): void {
  const today = lived[lived.length - 1]!;
  const shortL = Math.max(draw.litres - servedL, 0);
  today.draws += 1;
  today.drawnL += servedL;
  today.shortL += shortL;
  today.longestWaitMin = Math.max(today.longestWaitMin, waitMin);
  today.leastL = Math.min(today.leastL, leftL);
  if (shortL > 1e-9 || waitMin > borneWaitMin(draw.litres)) today.disappointed += 1;
  if (keep) draws.push({ ...draw, servedL, waitMin });
}

/** Adds up the days. */
function addUp(result: SimulatedDays): SimulatedDays {
  for (const day of result.lived) {
    result.ledger.drawnL += day.drawnL;
    result.shortL += day.shortL;
    result.disappointed += day.disappointed;
    result.longestWaitMin = Math.max(result.longestWaitMin, day.longestWaitMin);
    result.leastL = Math.min(result.leastL, day.leastL);
  }
  return result;
}

/** Where a tank's days stand. Every litre is booked in `result.ledger` as it moves. */
interface TankState {
  /** Minutes since the first midnight. */
  now: number;
  litres: number;
  producing: boolean;
  result: SimulatedDays;
}

/** What happens next: nobody draws until a minute, or somebody does. */
type TankEvent = { untilMinute: number } | { draw: Draw };

function simulateTank(
  supply: TankSupply,
  days: readonly (readonly Draw[])[],
  keep: boolean,
  stepMin: number,
): SimulatedDays {
  const state: TankState = {
    now: 0,
    litres: supply.fullL,
    producing: !supply.curve.reachesClosing,
    result: emptyResult(days.length, supply.fullL),
  };
  const go = (event: TankEvent): void => {
    if ('draw' in event) {
      serve(supply, state, event.draw, stepMin, keep);
    } else {
      rest(supply, state, Math.max(event.untilMinute - state.now, 0), keep);
    }
  };
  show(state, keep);
  days.forEach((draws, day) => {
    go({ untilMinute: day * minutesPerDay });
    openDay(state.result, state.litres);
    for (const draw of draws) {
      go({ untilMinute: day * minutesPerDay + draw.minute });
      go({ draw });
    }
  });
  go({ untilMinute: days.length * minutesPerDay });
  state.result.ledger.endL = state.litres;
  return addUp(state.result);
}

function show({ now, litres, producing, result }: TankState, keep: boolean): void {
  if (keep) result.moments.push({ minute: now, litres, producing });
}

/** The tap stays closed for a time: production goes on, where it does, to the end of it or until the tank is full. */
function rest(supply: TankSupply, state: TankState, minutes: number, keep: boolean): void {
  const running = state.producing && minutes > 0 ? fill(supply, state, minutes) : 0;
  state.now += running;
  if (running > 0) show(state, keep);
  state.now += minutes - running;
  show(state, keep);
}

/** Fills with the tap closed: one look along the curve. Returns how long it ran. */
function fill({ curve, tank, fullL }: TankSupply, state: TankState, minutes: number): number {
  const { ledger } = state.result;
  const shutsOff = curve.reachesClosing;
  const factor = tankFactor(tank);
  const fromBar = tankPressure(tank, state.litres);
  const from = columnAt(curve, curve.hours, fromBar);
  const toFull = 60 * factor * Math.max(curve.hours.at(-1)! - from, 0);
  const running = Math.min(minutes, toFull);
  const isFull = running >= toFull;
  const toBar = isFull ? curve.endBar : pressureAtHours(curve, from + running / 60 / factor);
  const madeL = Math.max((isFull ? fullL : tankVolume(tank, toBar)) - state.litres, 0);
  let drainL =
    factor * (columnAt(curve, curve.drain, toBar) - columnAt(curve, curve.drain, fromBar));
  // What never shuts off runs to the drain with nothing more to show for it.
  if (!shutsOff) drainL += ((minutes - running) * curve.last.concentrateFlowLPerH) / 60;
  ledger.productL += madeL;
  ledger.drainL += drainL;
  ledger.feedL += madeL + drainL;
  state.litres += madeL;
  state.result.runningMin += shutsOff ? running : minutes;
  if (shutsOff && isFull) state.producing = false;
  return running;
}

/** Serves one draw in steps by the midpoint rule. One flat loop over numbers alone: a search spends much of its time in it. */
function serve(
  { curve, tank, tapLPerMin, fullL, reopenL }: TankSupply,
  state: TankState,
  draw: Draw,
  stepMin: number,
  keep: boolean,
): void {
  const { permeateLPerH, concentrateLPerH, prechargeBar, stepBar } = curve;
  const lastPlace = curve.hours.length - 1 - 1e-9;
  const emptyBar = prechargeBar + atmosphereBar;
  const wantedL = draw.litres;
  const quickestLPerMin = tapLPerMin[tapLPerMin.length - 1]!;
  const quickestMin = wantedL / quickestLPerMin;
  const longestMin = quickestMin + patienceMin;
  let { litres, producing } = state;
  let starts = 0;
  let servedL = 0;
  let spentMin = 0;
  let productL = 0;
  let drainL = 0;
  let runningMin = 0;
  // What is made, and what the tank's pressure pushes out or, where it cannot, what is made meanwhile; L/min.
  let makes = 0;
  let out = quickestLPerMin;
  while (servedL < wantedL - 1e-12 && spentMin < longestMin) {
    const leftMin = longestMin - spentMin;
    const most = stepMin < leftMin ? stepMin : leftMin;
    // The rates where the tank stands half a step on, as far as the last rates tell.
    const sooner = out > 0 ? (wantedL - servedL) / out : most;
    const rough = sooner < most ? sooner : most;
    let middleL = litres - ((out - makes) * rough) / 2;
    middleL = middleL < 0 ? 0 : middleL > fullL ? fullL : middleL;
    // Place of so full a tank in the curve's columns: the whole part is the node, the rest the way to the next.
    const bar = emptyBar / (1 - middleL / tank.volumeL) - emptyBar;
    let place = bar / stepBar;
    place = place > 0 ? (place < lastPlace ? place : lastPlace) : 0;
    const i = place | 0;
    const way = place - i;
    const makesLPerH = permeateLPerH[i]! + way * (permeateLPerH[i + 1]! - permeateLPerH[i]!);
    makes = producing ? makesLPerH / 60 : 0;
    const pushed = tapLPerMin[i]! + way * (tapLPerMin[i + 1]! - tapLPerMin[i]!);
    out = pushed > makes ? pushed : makes;
    const enough = out > 0 ? (wantedL - servedL) / out : most;
    const minutes = enough < most ? enough : most;
    if (producing) {
      const drainLPerH =
        concentrateLPerH[i]! + way * (concentrateLPerH[i + 1]! - concentrateLPerH[i]!);
      const roomL = fullL - litres;
      const madeL = makes * minutes < roomL ? makes * minutes : roomL;
      productL += madeL;
      drainL += (drainLPerH / 60) * minutes;
      litres += madeL;
      runningMin += minutes;
    }
    let outL = out * minutes;
    if (outL > wantedL - servedL) outL = wantedL - servedL;
    if (outL > litres) outL = litres;
    servedL += outL;
    litres -= outL;
    spentMin += minutes;
    if (!producing && litres < reopenL) {
      producing = true;
      starts += 1;
    }
  }
  const { result } = state;
  const { ledger } = result;
  ledger.productL += productL;
  ledger.drainL += drainL;
  ledger.feedL += productL + drainL;
  result.runningMin += runningMin;
  result.starts += starts;
  state.litres = litres;
  state.producing = producing;
  state.now += spentMin;
  show(state, keep);
  const waitMin = Math.max(spentMin - quickestMin, 0);
  record(result, draw, { servedL, waitMin, leftL: litres }, keep);
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
  supply: DirectSupply,
  days: readonly (readonly Draw[])[],
  keep: boolean,
): SimulatedDays {
  const { productLPerMin, drainLPerMin, productMgL, feedMgL, standingL } = supply;
  const result = emptyResult(days.length, 0);
  const { ledger } = result;
  let closed = -Infinity;
  let worst = productMgL;
  days.forEach((draws, day) => {
    openDay(result, 0);
    for (const draw of draws) {
      const opened = Math.max(day * minutesPerDay + draw.minute, closed);
      const minutes = draw.litres / productLPerMin;
      const idle = Number.isFinite(closed) ? opened - closed : 8 * 60;
      const stood = standingTds(feedMgL, productMgL, supply.saltPermeanceLPerH, standingL, idle);
      const first = Math.min(standingL, glassL);
      worst = Math.max(worst, (first * stood + (glassL - first) * productMgL) / glassL);
      ledger.productL += draw.litres;
      ledger.drainL += minutes * drainLPerMin;
      ledger.feedL += draw.litres + minutes * drainLPerMin;
      result.starts += 1;
      result.runningMin += minutes;
      closed = opened + minutes;
      const asked = day * minutesPerDay + draw.minute;
      const waitMin = Math.max(closed - asked - draw.litres / comfortLPerMin, 0);
      record(result, draw, { servedL: draw.litres, waitMin, leftL: 0 }, keep);
    }
  });
  result.firstGlassMgL = worst;
  return addUp(result);
}

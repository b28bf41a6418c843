import { lookUp } from '../tank/fillPath.ts';
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

/** How long a person holds a jug under a trickle before giving up, min. Default. */
export const patienceMin = 6;

/** What people bear without complaint: a minute, and half a minute more for every litre of a pot. Default. */
export const borneWaitMin = (litres: number): number => 1 + litres / 2;

/** A tap that nobody calls slow, L/min: what a tankless unit is held to, having no full tank to compare with. Default. */
export const comfortLPerMin = 1.5;

/** Step while a tap is open, min. A glass takes about one, a pot some ten. */
const openStepMin = 0.1;

const minutesPerDay = 1440;
const glassL = 0.25;

/** Simulates days one after the other, each given as its draws; the tank starts full. */
export function simulateDays(
  supply: Supply,
  days: readonly (readonly Draw[])[],
  { keep = false }: { keep?: boolean } = {},
): SimulatedDays {
  return supply.kind === 'tank'
    ? simulateTank(supply, days, keep)
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

function simulateTank(
  supply: Extract<Supply, { kind: 'tank' }>,
  days: readonly (readonly Draw[])[],
  keep: boolean,
): SimulatedDays {
  const { path, shutsOff, reopenL, tapLitres, tapLPerMin } = supply;
  const result = emptyResult(days.length, path.fullL);
  const { ledger } = result;
  let litres = path.fullL;
  let producing = !shutsOff;
  let now = 0;

  const show = () => {
    if (keep) result.moments.push({ minute: now, litres, producing });
  };
  /** Lets production go on for a time with the tap closed: one look into the path. */
  const produce = (minutes: number): number => {
    const from = lookUp(path.litres, path.minutes, litres);
    const toFull = path.minutes.at(-1)! - from;
    const running = Math.min(minutes, toFull);
    const to = running < toFull ? lookUp(path.minutes, path.litres, from + running) : path.fullL;
    const madeL = Math.max(to - litres, 0);
    let drainL = lookUp(path.litres, path.drainL, to) - lookUp(path.litres, path.drainL, litres);
    if (!shutsOff) drainL += (minutes - running) * supply.stalledDrainLPerMin;
    ledger.productL += madeL;
    ledger.drainL += drainL;
    ledger.feedL += madeL + drainL;
    litres += madeL;
    result.runningMin += shutsOff ? running : minutes;
    if (shutsOff && litres >= path.fullL) producing = false;
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
  const serve = (draw: Draw): void => {
    const quickest = draw.litres / tapLPerMin.at(-1)!;
    let [served, spent] = [0, 0];
    while (served < draw.litres - 1e-12 && spent < quickest + patienceMin) {
      const before = litres;
      if (producing) produce(openStepMin);
      const madeL = litres - before;
      // What the tank's pressure pushes out, or, where it cannot, what the membrane makes meanwhile.
      const flow = Math.max(lookUp(tapLitres, tapLPerMin, litres) * openStepMin, madeL);
      const out = Math.min(flow, draw.litres - served, litres);
      const share = flow > 0 ? Math.min(out / flow, 1) : 1;
      served += out;
      litres -= out;
      ledger.drawnL += out;
      spent += openStepMin * (served < draw.litres - 1e-12 ? 1 : share);
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

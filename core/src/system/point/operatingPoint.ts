import { firstOutOfRange } from '../../base/guard.ts';
import { findRoot } from '../../base/numeric/findRoot.ts';
import { fedShare, pumpPressure } from '../../hydraulics/pumpPressure.ts';
import { restrictorFlow } from '../../hydraulics/restrictorFlow.ts';
import { limits } from '../../base/limits.ts';
import { type LocalFlux, localFlux } from '../../membrane/localFlux.ts';
import { type BankMarch, marchBank, newBankMarch } from '../../membrane/marchBank.ts';
import { concentrationPolarisation } from '../../membrane/concentrationPolarisation.ts';
import { fail, type Outcome, succeed } from '../../base/outcome.ts';
import { osmoticPressure } from '../../water/osmoticPressure.ts';
import { type ResolvedSystem, resolveSystem, type RoSystem } from './roSystem.ts';

/** Where a system settles: every flow, strength and pressure of it. */
export interface OperatingPoint {
  feedFlowLPerH: number;
  permeateFlowLPerH: number;
  concentrateFlowLPerH: number;
  recovery: number;
  membranePressureBar: number;
  permeateTdsMgL: number;
  concentrateTdsMgL: number;
  rejection: number;
  permeateBackPressureBar: number;
  /** Marches along an element that it took. */
  marches: number;
}

/** Flows and pressures in balance, whether or not any product is made. */
export interface Balance {
  feedFlowLPerH: number;
  permeateFlowLPerH: number;
  concentrateFlowLPerH: number;
  /** Behind the feed valve, bar gauge. */
  inletBar: number;
  membranePressureBar: number;
  permeateBackPressureBar: number;
  /** Of what is made; the feed's where nothing is. */
  permeateTdsMgL: number;
  concentrateTdsMgL: number;
  /** Marches along an element that it took. */
  marches: number;
}

/** Pressure in bar against which something flows, as a function of its flow in L/h. */
export type BackPressure = (flowLPerH: number) => number;

/** The relation of ASTM D4516 is stated to 70,000 mg/L; a concentrate beyond it is not a residential system. */
const strongestConcentrateMgL = 70000;

/** Miss that a point is solved to, over its feed flow, unless a caller that asks for many is content with less. */
const usualTolerance = 1e-9;
const maxPasses = 150;
/** Feed flow that is none, L/h. */
const standstill = 1e-9;
/** Passes that a smooth miss never needs; one that jumps, where part of a membrane stops, is halved every other time from there on. */
const smoothPasses = 12;

/** Solves one resolved system over and over, at changing product-side pressure, starting each time from the last answer. */
export class OperatingPointSolver {
  private readonly system: ResolvedSystem;
  private readonly bank: BankMarch;
  private readonly flux: LocalFlux = { water: 0, permeateMgL: 0, passage: 0 };
  private readonly tolerance: number;
  /** Back pressures and feed flows of the last points, the newest first, and the slope of the miss at the newest. */
  private readonly lastBacks = [NaN, NaN, NaN];
  private readonly lastFeeds = [NaN, NaN, NaN];
  private lastSlope = NaN;
  private membraneBar = 0;
  private concentrate = 0;
  private backBar = 0;
  private leaked = 0;
  private drainOutlet: BackPressure | undefined;

  constructor(system: ResolvedSystem, tolerance = usualTolerance) {
    this.system = system;
    this.tolerance = tolerance;
    this.bank = newBankMarch(system.count);
  }

  /**
   * The feed flow at which the bank's concentrate is what the restrictor passes.
   *
   * The feed flow fixes the membrane pressure (pre-filters, pump), that fixes the concentrate, the rest is product, and the
   * product fixes its own back pressure; the one residual is that product less the march's. It rises with feed flow.
   * Errors: 'no-driving-pressure' if the product side is at or above the pressure with no flow; 'pressure-below-osmotic' if no
   * part of the membrane makes product; 'concentrate-too-strong'; 'iteration-limit'.
   */
  solve(backPressure: BackPressure): Outcome<OperatingPoint> {
    const deadHead = this.membranePressure(0);
    const restingBack = backPressure(0);
    if (!(deadHead > restingBack)) {
      return fail('no-driving-pressure', 'feed.pressureBar', {
        membraneBar: deadHead,
        backBar: restingBack,
      });
    }
    const balance = this.settle(backPressure);
    return balance.ok ? this.judge(balance.value) : balance;
  }

  /**
   * The same, with no refusal for what a fault can do: a membrane that makes nothing, a concentrate however strong.
   * @param drainOutlet pressure behind the restrictor by the drain's flow; the open drain's where absent
   * Errors: 'iteration-limit'.
   */
  settle(backPressure: BackPressure, drainOutlet?: BackPressure): Outcome<Balance> {
    this.drainOutlet = drainOutlet;
    const feed = this.search(backPressure, this.membranePressure(0), backPressure(0));
    if (Number.isNaN(feed)) return fail('iteration-limit', 'feedFlowLPerH', { passes: maxPasses });
    return succeed(this.balance(feed));
  }

  private membranePressure(feed: number): number {
    const { prefilterResistance, pump, pumpStarves } = this.system;
    const behindFilters = this.inletPressure(feed) - prefilterResistance * feed;
    return pumpPressure(pump, behindFilters, feed, pumpStarves ? fedShare(behindFilters) : 1);
  }

  private inletPressure(feed: number): number {
    return this.system.feed.pressureBar - this.system.feedValve * feed * feed;
  }

  /** What the restrictor passes into the open drain, or against what its outlet meets. */
  private drained(membraneBar: number): number {
    const { restrictorCoefficient: k } = this.system;
    const outlet = this.drainOutlet;
    if (!outlet) return restrictorFlow(k, membraneBar);
    if (!(membraneBar > outlet(0))) return 0;
    const most = restrictorFlow(k, membraneBar - outlet(0)) * 1.001;
    const miss = (flow: number) => flow - restrictorFlow(k, membraneBar - outlet(flow));
    return findRoot(miss, 0, most, { tolerance: 1e-10 }).x;
  }

  /** Product that the flows leave over, less product that the bank makes; marching, or from the mean strength alone. */
  private residual(feed: number, backPressure: BackPressure, marched: boolean): number {
    const { element, count, series, feed: water, leak, brineSealShare } = this.system;
    this.membraneBar = this.membranePressure(feed);
    this.concentrate = this.drained(this.membraneBar);
    const left = feed - this.concentrate;
    this.backBar = backPressure(Math.max(left, 0));
    const gross = this.membraneBar - this.backBar;
    this.leaked = leak > 0 && gross > 0 ? leak * Math.sqrt(gross) : 0;
    const made = left - this.leaked;
    if (this.system.membraneAbsent) {
      this.bank.permeateLPerH = 0;
      this.bank.permeateSaltMgPerH = 0;
      return made;
    }
    const fed = (1 - brineSealShare) * feed;
    if (marched) {
      // What leaks past the membrane has gone along it as concentrate, what passes outside of it has not.
      const along = Math.max(this.concentrate + this.leaked - brineSealShare * feed, 0);
      marchBank(element, count, series, fed, water.tdsMgL, gross, along, this.bank);
      return made - this.bank.permeateLPerH;
    }
    const recovery = Math.min(Math.max(made / fed, 1e-6), 0.98);
    const beta = concentrationPolarisation(series ? recovery / count : recovery);
    const mean = (-water.tdsMgL * Math.log1p(-recovery)) / recovery;
    localFlux(element, gross, beta, mean, this.flux);
    return made - count * this.flux.water;
  }

  /**
   * Safeguarded secant search. The mean-strength residual, fifty times cheaper than a march, is solved first and gives the
   * starting point and the slope; from there three or four marches do. A step that leaves the bracket is replaced by a halving.
   */
  private search(backPressure: BackPressure, deadHead: number, restingBack: number): number {
    let low = 0;
    // At this feed even a pump at dead head and pure water would leave water over.
    const drop = Math.max(deadHead - Math.min(restingBack, 0), 0);
    let high =
      1.01 *
      (restrictorFlow(this.system.restrictorCoefficient, deadHead) +
        this.system.count * this.system.element.water * drop +
        this.system.leak * Math.sqrt(drop));
    let x = this.expectedFeed(restingBack);
    let slope = this.lastSlope;
    if (!(x > low && x < high)) x = this.roughFeed(backPressure, low, high);
    if (!(slope > 0.05)) slope = this.roughSlope(x, backPressure);
    let before = NaN;
    let missBefore = NaN;
    for (let pass = 0; pass < maxPasses; pass += 1) {
      const miss = this.residual(x, backPressure, true);
      // A drain that is shut leaves no flow at all: there the bracket shrinks to nothing.
      if (Math.abs(miss) <= this.tolerance * x || high - low <= 1e-13 * high || high < standstill) {
        this.remember(restingBack, x, slope);
        return x;
      }
      if (miss > 0) high = x;
      else low = x;
      const renewed = (miss - missBefore) / (x - before);
      if (renewed > 0.05) slope = renewed;
      before = x;
      missBefore = miss;
      const halved = pass >= smoothPasses && pass % 2 === 1;
      const next = halved ? NaN : x - miss / slope;
      x = next > low && next < high ? next : (low + high) / 2;
    }
    return NaN;
  }

  /** Where the last points lead to at another back pressure: through three a parabola, through two a line, from one itself. */
  private expectedFeed(back: number): number {
    const [b0, b1, b2] = this.lastBacks as [number, number, number];
    const [f0, f1, f2] = this.lastFeeds as [number, number, number];
    const first = (f1 - f0) / (b1 - b0);
    if (!Number.isFinite(first)) return f0;
    const line = f0 + first * (back - b0);
    const bend = ((f2 - f1) / (b2 - b1) - first) / (b2 - b0);
    return Number.isFinite(bend) ? line + bend * (back - b0) * (back - b1) : line;
  }

  private remember(back: number, feed: number, slope: number): void {
    const { lastBacks, lastFeeds } = this;
    if (back !== lastBacks[0]) {
      lastBacks[2] = lastBacks[1]!;
      lastBacks[1] = lastBacks[0]!;
      lastFeeds[2] = lastFeeds[1]!;
      lastFeeds[1] = lastFeeds[0]!;
    }
    lastBacks[0] = back;
    lastFeeds[0] = feed;
    this.lastSlope = slope;
  }

  /** Slope of the miss by feed flow, from the mean strength alone. */
  private roughSlope(x: number, backPressure: BackPressure): number {
    const step = 1e-4;
    const rise =
      this.residual(x * (1 + step), backPressure, false) - this.residual(x, backPressure, false);
    const slope = rise / (x * step);
    return slope > 0.05 ? slope : 1;
  }

  /** Root of the mean-strength residual to a part in a thousand, by bisection and false position. */
  private roughFeed(backPressure: BackPressure, from: number, to: number): number {
    let low = from;
    let high = to;
    let rLow = NaN;
    let rHigh = this.residual(high, backPressure, false);
    for (let pass = 0; pass < 40 && high - low > 1e-3 * high; pass += 1) {
      const guess = (low * rHigh - high * rLow) / (rHigh - rLow);
      const width = high - low;
      const x =
        guess > low + 0.02 * width && guess < high - 0.02 * width && pass % 3 !== 2
          ? guess
          : low + 0.5 * width;
      const r = this.residual(x, backPressure, false);
      if (Math.abs(r) < 1e-3 * x) return x;
      if (r > 0) {
        high = x;
        rHigh = r;
      } else {
        low = x;
        rLow = r;
      }
    }
    return (low + high) / 2;
  }

  /** Reads the last residual's march as a balance. */
  private balance(feedFlowLPerH: number): Balance {
    const { bank, leaked, system } = this;
    const { tdsMgL: feedMgL } = system.feed;
    const fed = (1 - system.brineSealShare) * feedFlowLPerH;
    const alongMgL =
      (fed * feedMgL - bank.permeateSaltMgPerH) / Math.max(fed - bank.permeateLPerH, 1e-12);
    const permeateFlowLPerH = bank.permeateLPerH + leaked;
    const permeateSalt = bank.permeateSaltMgPerH + (leaked === 0 ? 0 : leaked * alongMgL);
    const concentrateFlowLPerH = feedFlowLPerH - permeateFlowLPerH;
    return {
      feedFlowLPerH,
      permeateFlowLPerH,
      concentrateFlowLPerH,
      inletBar: this.inletPressure(feedFlowLPerH),
      membranePressureBar: this.membraneBar,
      permeateBackPressureBar: this.backBar,
      permeateTdsMgL: permeateFlowLPerH > 0 ? permeateSalt / permeateFlowLPerH : feedMgL,
      concentrateTdsMgL: (feedFlowLPerH * feedMgL - permeateSalt) / concentrateFlowLPerH,
      marches: bank.marches,
    };
  }

  /** A balance as an operating point, if it is one that a system can stand at. */
  private judge(balance: Balance): Outcome<OperatingPoint> {
    const { tdsMgL: feedMgL, temperatureC } = this.system.feed;
    if (!(balance.permeateFlowLPerH > 0)) {
      const osmoticBar = osmoticPressure(feedMgL, temperatureC);
      return fail('pressure-below-osmotic', 'feed.pressureBar', {
        membraneBar: balance.membranePressureBar,
        backBar: balance.permeateBackPressureBar,
        osmoticBar,
      });
    }
    if (!(balance.concentrateTdsMgL <= strongestConcentrateMgL)) {
      return fail('concentrate-too-strong', 'restrictor.flowMlMin', {
        concentrateMgL: balance.concentrateTdsMgL,
        maxMgL: strongestConcentrateMgL,
      });
    }
    // Named one by one: a search asks for some hundred thousand, and taking the rest of an object is slow.
    return succeed({
      feedFlowLPerH: balance.feedFlowLPerH,
      permeateFlowLPerH: balance.permeateFlowLPerH,
      concentrateFlowLPerH: balance.concentrateFlowLPerH,
      recovery: balance.permeateFlowLPerH / balance.feedFlowLPerH,
      membranePressureBar: balance.membranePressureBar,
      permeateTdsMgL: balance.permeateTdsMgL,
      concentrateTdsMgL: balance.concentrateTdsMgL,
      rejection: 1 - balance.permeateTdsMgL / feedMgL,
      permeateBackPressureBar: balance.permeateBackPressureBar,
      marches: balance.marches,
    });
  }
}

/**
 * Operating point of a system against a fixed product-side pressure.
 * Units: L/h, mg/L, bar gauge, fractions. Errors: those of `resolveSystem` and of the solver.
 * Source: solution-diffusion with concentration polarisation; osmotic pressure by ASTM D4516.
 */
export function operatingPoint(
  system: RoSystem & { permeateBackPressureBar?: number },
): Outcome<OperatingPoint> {
  const { permeateBackPressureBar = 0 } = system;
  const refused = firstOutOfRange([
    ['permeateBackPressureBar', permeateBackPressureBar, limits.backPressureBar],
  ]);
  if (refused) return refused;
  const resolved = resolveSystem(system);
  if (!resolved.ok) return resolved;
  return new OperatingPointSolver(resolved.value).solve(() => permeateBackPressureBar);
}

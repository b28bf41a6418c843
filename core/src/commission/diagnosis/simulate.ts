import { gaussSix } from '../../base/numeric/gaussSix.ts';
import { findRoot } from '../../base/numeric/findRoot.ts';
import { integrate } from '../../base/numeric/integrate.ts';
import type { Failure } from '../../base/outcome.ts';
import { flowThrough, tapLossOf } from '../../hydraulics/tapLine.ts';
import { type ElementPermeance, elementPermeance } from '../../membrane/elementPermeance.ts';
import { stallShare } from '../../system/filling/endOfFill.ts';
import { type Balance, OperatingPointSolver } from '../../system/point/operatingPoint.ts';
import { coefficientsOf, type RoSystem } from '../../system/point/roSystem.ts';
import {
  type BladderTank,
  shutoffPressure,
  tankPressure,
  tankVolume,
  volumePerBar,
} from '../../tank/bladderTank.ts';
import { calciteContact } from '../../water/carbonate/calciteContact.ts';
import { carbonDioxide, phOfProduct } from '../../water/carbonate/permeatePh.ts';
import { risePressure } from '../../water/waterDensity.ts';
import { boostTimes } from './fault.ts';
import type { ReadingCode, Seen } from './reading.ts';
import type { Scenario } from './scenario.ts';

/** Practice of the readings, and where a state is taken to end. */
const rules = {
  /** Chlorine that passes sound carbon. */
  soundCarbonShare: 0.02,
  /** Product under this is no water, L/h. */
  noWaterLPerH: 0.2,
  /** The tap is shut when it runs under this, L/h. */
  trickleLPerH: 24,
  /** Where filling never ends, the tank is sampled at this share of the pressure at which it stalls. */
  sampledStallShare: 0.8,
  /** Volume under which a tank is as good as empty, L. */
  noVolumeL: 0.05,
  noDrawL: 0.02,
  drawnBetweenL: 2,
  dropMin: 10,
} as const;

/** How finely a simulation is solved: `exact` for what is shown, `quick` where hundreds are weighed. */
export type Precision = 'exact' | 'quick';

/** Flows and pressures of a scenario that could not be brought into balance. */
export class NoBalance extends Error {
  readonly failure: Failure;

  constructor(failure: Failure) {
    super(failure.code);
    this.failure = failure;
  }
}

/** Water that leaves the unit towards tap and tank, whichever of its ports that is. */
interface Delivered {
  flowLPerH: number;
  tdsMgL: number;
}

/**
 * One system in one condition in its water of today: what would be read of it, without noise. Every state is solved once, when a reading
 * first asks for it.
 * @throws NoBalance where a state cannot be solved
 */
export class Simulation {
  private readonly as: Scenario;
  private readonly precision: Precision;
  private readonly solver: OperatingPointSolver;
  private readonly tapLoss: (flowLPerH: number) => number;
  private readonly permeance: ElementPermeance;
  private readonly known = new Map<string, unknown>();

  /** @param permeance of the system's rating, solved before */
  constructor(as: Scenario, permeance: ElementPermeance, precision: Precision = 'exact') {
    this.as = as;
    this.precision = precision;
    this.permeance = permeance;
    this.solver = this.solverOf(as);
    this.tapLoss = tapLossOf(as.system.tapLine, as.system.feed.temperatureC);
  }

  private solverOf({ system, trouble }: Scenario): OperatingPointSolver {
    const { feed, membrane, restrictor, prefilters, pump } = system;
    const asRo: RoSystem = {
      feed,
      membrane,
      restrictor,
      prefilters,
      pump: trouble.pumpOff ? boostTimes(pump, 0) : pump,
      trouble,
    };
    const tolerance = this.precision === 'exact' ? 1e-9 : 1e-6;
    return new OperatingPointSolver(coefficientsOf(asRo, this.permeance), tolerance);
  }

  private once<T>(key: string, make: () => T): T {
    if (!this.known.has(key)) this.known.set(key, make());
    return this.known.get(key) as T;
  }

  private get stuckClosed(): boolean {
    return this.as.trouble.shutoffStuck === 'closed';
  }

  private kinkBar(flowLPerH: number): number {
    const { kinkKv } = this.as.trouble;
    return kinkKv === undefined ? 0 : (flowLPerH / 1000 / kinkKv) ** 2;
  }

  private settled(
    solver: OperatingPointSolver,
    productSide: (flow: number) => number,
    drainSide?: (flow: number) => number,
  ): Balance {
    const balance = solver.settle(productSide, drainSide);
    if (!balance.ok) throw new NoBalance(balance.failure);
    return balance.value;
  }

  /** State R: tank valve closed, tap open, steady. */
  get running(): Balance {
    return this.once('running', () =>
      this.as.trouble.linesSwapped
        ? this.settled(this.solver, () => 0, this.tapLoss)
        : this.settled(this.solver, (flow) => this.tapLoss(flow) + this.kinkBar(flow)),
    );
  }

  /** What comes to the tap in state R, and what to the drain. */
  private get toTap(): Delivered {
    return this.deliveredOf(this.running);
  }

  /** Strength of what comes to the tap in state R, mg/L. */
  get productMgL(): number {
    return this.toTap.tdsMgL;
  }

  private deliveredOf(at: Balance): Delivered {
    return this.as.trouble.linesSwapped
      ? { flowLPerH: at.concentrateFlowLPerH, tdsMgL: at.concentrateTdsMgL }
      : { flowLPerH: at.permeateFlowLPerH, tdsMgL: at.permeateTdsMgL };
  }

  /** What goes towards a tank, or a shut line, that stands at a pressure. */
  private against(tankBar: number): Delivered {
    const lineBar = tankBar * (this.as.system.backPressureShare ?? 1);
    return this.deliveredOf(
      this.as.trouble.linesSwapped
        ? this.settled(
            this.solver,
            () => 0,
            () => lineBar,
          )
        : this.settled(this.solver, (flow) => lineBar + this.kinkBar(flow)),
    );
  }

  private get tank(): BladderTank | undefined {
    const { tank } = this.as.system;
    const { airPocketShare } = this.as.trouble;
    return tank && airPocketShare !== undefined
      ? { volumeL: tank.volumeL * airPocketShare, prechargeBar: 0 }
      : tank;
  }

  private get riseBar(): number {
    const { tankElevationM = 0, feed } = this.as.system;
    return risePressure(tankElevationM, feed.temperatureC);
  }

  /** Pressure in the product line at which production is to end. */
  private get closingBar(): number {
    return shutoffPressure(this.as.system.shutoff, this.running.inletBar);
  }

  /** How filling ends: where, and whether it closes there. */
  private get end(): { bar: number; shuts: boolean } {
    return this.once('end', () => {
      const emptyBar = (this.tank?.prechargeBar ?? 0) + (this.tank ? this.riseBar : 0);
      const emptyLPerH = this.against(emptyBar).flowLPerH;
      const stalledLPerH = stallShare * emptyLPerH;
      const closing = this.closingBar + (this.tank ? this.riseBar : 0);
      const surplusAt = (lineBar: number) => this.against(lineBar).flowLPerH - stalledLPerH;
      if (this.as.trouble.shutoffStuck !== 'open' && surplusAt(closing) > 0) {
        return { bar: this.closingBar, shuts: true };
      }
      // No line stands above what the feed side brings at no flow.
      const most = Math.max(this.running.membranePressureBar, this.running.inletBar) + 20;
      const tolerance = this.precision === 'exact' ? 1e-7 : 1e-4;
      const search = findRoot(surplusAt, emptyBar, most, { tolerance });
      const stall = search.status === 'converged' ? search.x : emptyBar;
      return { bar: stall - (this.tank ? this.riseBar : 0), shuts: false };
    });
  }

  /** In the line at the tank when filling has ended. */
  private get fullBar(): number {
    return this.stuckClosed ? 0 : this.end.bar;
  }

  private get hasTankInLine(): boolean {
    return this.tank !== undefined && !this.as.trouble.tankValveClosed && !this.stuckClosed;
  }

  private get fullL(): number {
    return this.hasTankInLine ? tankVolume(this.tank!, this.fullBar) : 0;
  }

  private get drainStops(): boolean {
    if (this.stuckClosed) return true;
    const { system, trouble } = this.as;
    return trouble.checkValveLeakLPerH === undefined && !system.neverCloses && this.end.shuts;
  }

  /** A fill from empty up to a pressure: its minutes, and the mean strength of what is in the tank. */
  private filledTo(endBar: number): { minutes: number; tdsMgL: number } {
    return this.once(`filled ${endBar}`, () => {
      const tank = this.tank!;
      const slices = (bar: number, into: Float64Array) => {
        const { flowLPerH, tdsMgL } = this.against(bar + this.riseBar);
        const slope = volumePerBar(tank, bar);
        into[0] = (60 * slope) / Math.max(flowLPerH, 1e-9);
        into[1] = slope * tdsMgL;
      };
      const { prechargeBar } = tank;
      const [minutes, salt] =
        this.precision === 'exact'
          ? integrate(slices, 2, prechargeBar, endBar, { tolerance: 1e-5 }).values
          : gaussSix(slices, 2, prechargeBar, endBar);
      return { minutes: minutes!, tdsMgL: salt! / tankVolume(tank, endBar) };
    });
  }

  private get sampledTankBar(): number {
    return this.end.shuts ? this.fullBar : rules.sampledStallShare * this.fullBar;
  }

  private get fillMin(): number | null {
    if (this.stuckClosed || !this.end.shuts) return null;
    if (!this.hasTankInLine || this.fullL <= rules.noVolumeL) return 0;
    return this.filledTo(this.fullBar).minutes;
  }

  private tapFlowAt(drawnL: number): number {
    const heldL = this.fullL - drawnL;
    if (heldL <= rules.noDrawL) return 0;
    const { tapLine } = this.as.system;
    return flowThrough(this.tapLoss, tapLine, tankPressure(this.tank!, heldL)) / 60;
  }

  private get deliveredL(): number {
    if (!this.hasTankInLine) return 0;
    const trickleBar = this.tapLoss(rules.trickleLPerH);
    const lastBar = Math.max(this.tank!.prechargeBar, trickleBar);
    return Math.max(this.fullL - tankVolume(this.tank!, lastBar), 0);
  }

  private get dropBar(): number {
    const { checkValveLeakLPerH: leak } = this.as.trouble;
    if (leak === undefined || this.fullL <= 0) return 0;
    const lostL = (leak * Math.sqrt(Math.max(this.fullBar, 0)) * rules.dropMin) / 60;
    return this.fullBar - tankPressure(this.tank!, Math.max(this.fullL - lostL, 0));
  }

  /** Whether water comes where the product is sampled. */
  private get runs(): boolean {
    return !this.stuckClosed && this.toTap.flowLPerH >= rules.noWaterLPerH;
  }

  /** The product at the sample point: strength, pH and hardness, whatever meter reads it. */
  private get sample(): { meterMgL: number; pH: number; hardnessMgL: number } {
    return this.once('sample', () => {
      const { samplePoint, trouble, system } = this.as;
      if (samplePoint === 'tap-after-minerals' || trouble.sampledAfterMinerals) {
        const mineralised = this.afterMinerals();
        if (mineralised) return mineralised;
      }
      const tdsMgL = samplePoint === 'tap-after-tank' ? this.tankMgL : this.toTap.tdsMgL;
      const passage = tdsMgL / system.feed.tdsMgL;
      return {
        meterMgL: tdsMgL + (trouble.preservativeMgL ?? 0),
        pH: phOfProduct(system.feed, Math.max(passage, 1e-6)),
        hardnessMgL: system.feed.calciumMgL * passage,
      };
    });
  }

  private get tankMgL(): number {
    if (!this.hasTankInLine) return this.toTap.tdsMgL;
    const filledL = tankVolume(this.tank!, this.sampledTankBar);
    if (filledL <= rules.noVolumeL) return this.toTap.tdsMgL;
    return this.filledTo(this.sampledTankBar).tdsMgL;
  }

  private afterMinerals() {
    const { system, dissolvedFactor } = this.as;
    const { feed, remineralisation } = system;
    if (!remineralisation) return null;
    const { flowLPerH, tdsMgL } = this.toTap;
    const passage = tdsMgL / feed.tdsMgL;
    const water = {
      tdsMgL: Math.max(tdsMgL, 0.1),
      alkalinityMgL: feed.alkalinityMgL * passage,
      calciumMgL: feed.calciumMgL * passage,
      co2MgL: carbonDioxide(feed),
      temperatureC: feed.temperatureC,
    };
    const risen = calciteContact(
      water,
      remineralisation,
      Math.max(flowLPerH, 0.001),
      dissolvedFactor,
    );
    if (!risen.ok) return null;
    const { meterTdsMgL, pH, hardnessMgL } = risen.value;
    return { meterMgL: meterTdsMgL, pH, hardnessMgL };
  }

  /** A reading without noise; null where it was tried and no water came, or filling never ends. */
  read(code: ReadingCode): Seen {
    const { system, trouble, meterReferenceMgL } = this.as;
    const meter = trouble.meterFactor ?? 1;
    switch (code) {
      case 'feedTdsMgL':
        return system.feed.tdsMgL * meter * (trouble.feedMeterFactor ?? 1);
      case 'temperatureC':
        return system.feed.temperatureC;
      case 'supplyPressureBar':
        return system.feed.pressureBar;
      case 'meterCheckMgL':
        return meterReferenceMgL * meter;
      case 'chlorineAfterCarbonMgL':
        return (system.feed.chlorineMgL ?? 0) * (trouble.chlorineShare ?? rules.soundCarbonShare);
      case 'pumpRunning':
        return !trouble.pumpOff && !this.stuckClosed;
      case 'tankPressureEmptyPrechargeBar':
        return this.tank?.prechargeBar ?? 0;
      case 'waterAtAirValve':
        return trouble.airPocketShare !== undefined;
      case 'dynamicPressureBar':
        return this.stuckClosed ? system.feed.pressureBar : this.running.inletBar;
      case 'membranePressureBar':
        return this.stuckClosed ? 0 : this.running.membranePressureBar;
      case 'productFlowLPerH':
        return this.stuckClosed ? 0 : this.toTap.flowLPerH;
      case 'drainFlowLPerH':
        return this.stuckClosed ? 0 : this.drainFlow(this.running);
      case 'productFlowTubeOffLPerH':
        return this.stuckClosed ? 0 : this.productTubeOff.permeateFlowLPerH;
      case 'drainFlowTubeOffLPerH':
        return this.stuckClosed ? 0 : this.drainTubeOff.concentrateFlowLPerH;
      case 'drainStopsAfterTankClosed':
      case 'drainStopsWhenFull':
        return this.drainStops;
      case 'tankPressureFullBar':
        return this.fullBar;
      case 'deliveredVolumeL':
        return this.deliveredL;
      case 'tapFlowStartLPerMin':
        return this.tapFlowAt(0);
      case 'tapFlowAfter2LLPerMin':
        return this.tapFlowAt(rules.drawnBetweenL);
      case 'tankPressureDropBar':
        return this.dropBar;
      case 'fillTimeMin':
        return this.fillMin;
      case 'productPh':
        return this.runs ? this.sample.pH : null;
      case 'productHardnessMgL':
        return this.runs ? this.sample.hardnessMgL : null;
      case 'productTdsRepeatMgL':
        return this.runs ? this.sample.meterMgL * meter : null;
      case 'productTdsMgL': {
        if (!this.runs) return null;
        const { meterMgL } = this.sample;
        const crept = (trouble.creptShare ?? 0) * (system.feed.tdsMgL - meterMgL);
        return (meterMgL + crept) * meter;
      }
    }
  }

  private drainFlow(at: Balance): number {
    return this.as.trouble.linesSwapped ? at.permeateFlowLPerH : at.concentrateFlowLPerH;
  }

  private get productTubeOff(): Balance {
    return this.once('product tube off', () => this.settled(this.solver, () => 0));
  }

  /** With the drain tube off: the restrictor runs free; with swapped lines, all of both ports do. */
  private get drainTubeOff(): Balance {
    return this.once('drain tube off', () => {
      const { drainLineFactor, linesSwapped } = this.as.trouble;
      if (linesSwapped) return this.productTubeOff;
      if (drainLineFactor === undefined) return this.running;
      const { drainLineFactor: _blocked, ...trouble } = this.as.trouble;
      const free = this.solverOf({ ...this.as, trouble });
      return this.settled(free, (flow) => this.tapLoss(flow) + this.kinkBar(flow));
    });
  }
}

/**
 * The simulation of a scenario whose rating was not solved before.
 * @throws RangeError where the element's rating is none; designs are made of ratings that were checked
 */
export function simulationOf(as: Scenario, precision: Precision = 'exact'): Simulation {
  const permeance = elementPermeance(as.system.membrane);
  if (!permeance.ok) throw new RangeError(`a rating without permeance: ${permeance.failure.path}`);
  return new Simulation(as, permeance.value, precision);
}

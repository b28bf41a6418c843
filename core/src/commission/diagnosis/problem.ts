import type { ElementPermeance } from '../../membrane/elementPermeance.ts';
import { faultKind, type FaultCode, type Severity, severityAt } from './fault.ts';
import type { ReadingCode, Seen } from './reading.ts';
import type { Scenario } from './scenario.ts';
import { NoBalance, Simulation } from './simulate.ts';
import { spreadBy, type SpreadOf, spreadsOf } from './spread.ts';
import { type Given, logLikelihood, type TestInstruments } from './uncertainty.ts';

/** A way in which something may be wrong: a fault, and of those with two sides one of them. */
export interface Cause {
  fault: FaultCode;
  severity: Severity | null;
  alter: (as: Scenario, severity: number) => Scenario;
  /** Share of the fault's prior that is this side's. */
  share: number;
}

export const causesOf = (fault: FaultCode): Cause[] => {
  const { branches } = faultKind(fault);
  return branches.map((branch) => ({ fault, ...branch, share: 1 / branches.length }));
};

/** Where in its spreads, and how bad: standard deviations, and the severity's share of its range. */
export interface Place {
  z: Float64Array;
  u: number;
}

/** What is to be explained: the system as surveyed, what was read of it, and with what. */
export class Problem {
  readonly base: Scenario;
  readonly given: readonly Given[];
  readonly codes: readonly ReadingCode[];
  readonly instruments: TestInstruments;
  readonly spreads: readonly SpreadOf[];
  private readonly permeance: ElementPermeance;
  /** Forward simulations so far: the cost of an answer. */
  simulations = 0;

  constructor(
    base: Scenario,
    permeance: ElementPermeance,
    given: readonly Given[],
    instruments: TestInstruments,
  ) {
    this.base = base;
    this.permeance = permeance;
    this.given = given;
    this.codes = given.map(({ code }) => code);
    this.instruments = instruments;
    this.spreads = spreadsOf(base.system);
  }

  scenario({ severity, alter }: Cause, { z, u }: Place): Scenario {
    const by: Partial<Record<SpreadOf, number>> = {};
    this.spreads.forEach((of, i) => {
      by[of] = z[i]!;
    });
    const spread = spreadBy(this.base, by);
    return alter(spread, severityAt(severity, u, this.base.system));
  }

  /** What would be read there, without noise, in the order of the codes. */
  predict(cause: Cause, place: Place, codes = this.codes): Seen[] {
    this.simulations += 1;
    try {
      const simulation = new Simulation(this.scenario(cause, place), this.permeance, 'quick');
      return codes.map((code) => simulation.read(code));
    } catch (error) {
      if (!(error instanceof NoBalance)) throw error;
      // A place that cannot be solved explains nothing that was read.
      return codes.map(() => null);
    }
  }

  /** Log of the chance of what was read, where that is predicted. */
  logLikelihood(predicted: readonly Seen[]): number {
    return this.given.reduce(
      (sum, given, i) => sum + logLikelihood(given, predicted[i]!, this.instruments),
      0,
    );
  }
}

export const sumOfSquares = (z: Float64Array): number => z.reduce((sum, v) => sum + v * v, 0);

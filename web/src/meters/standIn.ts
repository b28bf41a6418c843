import {
  channelOf,
  channelsOf,
  type MeterChannel,
  type MeterKind,
  type ReadingCode,
  seededRandom,
  StandInSignal,
  type TestReadings,
} from '@katharos/core';
import { v4 as newId } from 'uuid';
import type { Meter, MeterEvents } from './meter.ts';

/** Time between two samples, ms. */
const everyMs = 300;
/** Share of a battery that an hour takes. */
const drainedPerHour = 0.06;
/** Under this a device switches itself off. */
const emptyShare = 0.02;

export const standInNames: Record<MeterKind, string> = {
  'tds-pen': 'Stand-in pen',
  gauge: 'Stand-in gauge',
  'flow-meter': 'Stand-in flow meter',
};

/** What every device that is connected does at each sample: all in the same moment, so that what shows them is drawn once. */
const steps = new Set<() => void>();
let beat: ReturnType<typeof setInterval> | undefined;

/** Takes a step with the others until it is ended. */
function keepStep(step: () => void): () => void {
  steps.add(step);
  beat ??= setInterval(() => {
    for (const each of steps) each();
  }, everyMs);
  return () => {
    steps.delete(step);
    if (steps.size > 0) return;
    clearInterval(beat);
    beat = undefined;
  };
}

/** A simulated device, held to a simulated system: it lags, flickers, drifts and runs empty as a real one does. */
export class StandIn implements Meter {
  readonly id = newId();
  readonly isStandIn = true;
  readonly kind: MeterKind;
  private readonly truths: () => TestReadings | undefined;
  private readonly signals: Map<MeterChannel, StandInSignal>;
  private battery: number;
  private code: ReadingCode | null = null;
  private end: () => void = () => undefined;

  /** @param truths what is there to be read at this moment */
  constructor(kind: MeterKind, seed: number, truths: () => TestReadings | undefined) {
    const random = seededRandom(seed);
    this.kind = kind;
    this.truths = truths;
    this.signals = new Map(
      channelsOf(kind).map((channel) => [channel, new StandInSignal(channel, random)]),
    );
    this.battery = 0.5 + 0.5 * random();
  }

  get name(): string {
    return standInNames[this.kind];
  }

  connect = (events: MeterEvents): Promise<void> => {
    events.battery(this.battery);
    this.end = keepStep(() => this.step(events));
    return Promise.resolve();
  };

  disconnect = (): Promise<void> => {
    this.end();
    return Promise.resolve();
  };

  holdTo = (code: ReadingCode | null): void => {
    this.code = code;
  };

  private step(events: MeterEvents): void {
    const before = Math.ceil(100 * this.battery);
    this.battery -= (drainedPerHour * everyMs) / 3600e3;
    if (this.battery < emptyShare) {
      this.end();
      events.lost();
      return;
    }
    if (Math.ceil(100 * this.battery) !== before) events.battery(this.battery);
    const truths = this.truths();
    for (const [channel, signal] of this.signals) {
      const truth = this.truthOf(channel, truths);
      // Not held to anything that this channel can read: it shows what an idle device shows.
      events.sample(channel, signal.next(truth ?? null, Date.now(), everyMs / 1000));
    }
  }

  private truthOf(channel: MeterChannel, truths: TestReadings | undefined): number | null {
    const { code } = this;
    if (!code || !truths) return null;
    // A pen in any cup shows its temperature as well.
    const of =
      channel === 'temperature' ? 'temperatureC' : channelOf(code) === channel ? code : null;
    const truth = of && truths[of];
    return typeof truth === 'number' ? truth : null;
  }
}

import { normalQuantile } from '../../base/numeric/lowDiscrepancy.ts';
import type { Random } from '../../household/household.ts';
import { channelKinds, type MeterChannel } from './channel.ts';
import type { MeterSample } from './steady.ts';

/** Hours in which a device's zero wanders by its whole constant uncertainty. */
const driftHours = 200;

/**
 * What a simulated device shows: its own error, fixed when it is made, a slow drift, a lag and a flicker over the truth, rounded to its
 * last digit and cut off at the ends of its range.
 */
export class StandInSignal {
  private readonly channel: MeterChannel;
  private readonly random: Random;
  private readonly gain: number;
  private readonly offset: number;
  private readonly driftPerS: number;
  private shown: number | null = null;
  private ageS = 0;

  constructor(channel: MeterChannel, random: Random) {
    const { share, absolute } = channelKinds[channel];
    this.channel = channel;
    this.random = random;
    this.gain = 1 + share * this.deviate();
    this.offset = absolute * this.deviate();
    this.driftPerS = (absolute * this.deviate()) / (driftHours * 3600);
  }

  private deviate(): number {
    return normalQuantile(this.random());
  }

  /**
   * The next sample.
   * @param truth in the core's unit; null where there is nothing to read, as in an empty cup
   * @param stepS time since the one before, s
   */
  next(truth: number | null, atMs: number, stepS: number): MeterSample {
    const { lagS, step, range, share, absolute, flicker } = channelKinds[this.channel];
    this.ageS += stepS;
    const goal = truth === null ? 0 : truth * this.gain + this.offset + this.driftPerS * this.ageS;
    const before = this.shown ?? 0;
    this.shown = before + (goal - before) * (1 - Math.exp(-stepS / lagS));
    const uncertain = Math.hypot(share * this.shown, absolute);
    const seen = this.shown + flicker * uncertain * this.deviate();
    if (seen > range.max) return { atMs, value: range.max, beyond: 'high' };
    // Gone through under its smallest figure: a dry cup, a flow too slow to be counted.
    if (seen < range.min || (truth === null && seen < step)) {
      return { atMs, value: range.min, beyond: 'low' };
    }
    return { atMs, value: Number((Math.round(seen / step) * step).toFixed(3)), beyond: null };
  }
}

import { channelKinds, type MeterChannel } from './channel.ts';

/** A figure as a device showed it. */
export interface MeterSample {
  atMs: number;
  /** In the core's unit. */
  value: number;
  /** Beyond what the device can show: then the value is the end of its range. */
  beyond: 'low' | 'high' | null;
}

/** How long a figure must stand still to be taken, ms, and how many samples make that up at the least. */
const stillMs = 2000;
const fewest = 4;
/** How far samples of a figure that stands still may lie apart: standard uncertainties of the device. */
const apart = 0.8;

/**
 * The figure that a device has settled on, as the mean of its last two seconds; null while it still moves, was too briefly there, or lies
 * beyond the range.
 * @param samples in the order in which they came
 */
export function steadyValue(channel: MeterChannel, samples: readonly MeterSample[]): number | null {
  const last = samples.at(-1);
  if (!last) return null;
  const late = samples.filter(({ atMs }) => atMs > last.atMs - stillMs);
  const begun = samples.length > late.length;
  if (!begun || late.length < fewest || late.some(({ beyond }) => beyond !== null)) return null;
  const values = late.map(({ value }) => value);
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const { share, absolute, step } = channelKinds[channel];
  const room = Math.max(apart * Math.hypot(share * mean, absolute), 2 * step);
  return Math.max(...values) - Math.min(...values) <= room ? mean : null;
}

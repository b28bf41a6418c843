import type { Range } from '../../base/guard.ts';
import { type ReadingCode, readingKind } from '../diagnosis/reading.ts';

/** Devices that show a figure by themselves, and what of it each channel shows. */
export const meterKinds = ['tds-pen', 'gauge', 'flow-meter'] as const;
export type MeterKind = (typeof meterKinds)[number];

export const meterChannels = ['tds', 'temperature', 'pressure', 'flow'] as const;
export type MeterChannel = (typeof meterChannels)[number];

interface ChannelKind {
  meter: MeterKind;
  /** What can be shown at all: mg/L, degrees C, bar gauge, L/h. */
  range: Range;
  /** Its last digit. */
  step: number;
  /** Time in which a change is followed to 63 %, s. */
  lagS: number;
  /** Standard uncertainty of this very device, as a share of the reading and as what is always there. */
  share: number;
  absolute: number;
  /** What flickers from reading to reading, as a share of its standard uncertainty. */
  flicker: number;
}

/** Channels of usual devices: ranges and digits of their customary data sheets. */
export const channelKinds: Record<MeterChannel, ChannelKind> = {
  tds: {
    meter: 'tds-pen',
    range: { min: 0, max: 9990 },
    step: 1,
    lagS: 0.7,
    share: 0.02,
    absolute: 0.5,
    flicker: 0.15,
  },
  temperature: {
    meter: 'tds-pen',
    range: { min: 0, max: 60 },
    step: 0.1,
    lagS: 0.8,
    share: 0,
    absolute: 0.7,
    flicker: 0.05,
  },
  pressure: {
    meter: 'gauge',
    range: { min: 0, max: 10 },
    step: 0.01,
    lagS: 0.3,
    share: 0,
    absolute: 0.1,
    flicker: 0.05,
  },
  flow: {
    meter: 'flow-meter',
    range: { min: 0.5, max: 400 },
    step: 0.1,
    lagS: 0.7,
    share: 0.02,
    absolute: 0.05,
    flicker: 0.2,
  },
};

export const channelsOf = (meter: MeterKind): MeterChannel[] =>
  meterChannels.filter((channel) => channelKinds[channel].meter === meter);

const flowCodes: readonly ReadingCode[] = [
  'productFlowLPerH',
  'drainFlowLPerH',
  'drainFlowTubeOffLPerH',
  'productFlowTubeOffLPerH',
];

/** The channel that can show a reading; undefined for what is looked at, timed, collected or coloured. */
export function channelOf(code: ReadingCode): MeterChannel | undefined {
  switch (readingKind(code).by) {
    case 'tds-meter':
      return 'tds';
    case 'thermometer':
      return 'temperature';
    case 'gauge':
      return 'pressure';
    case 'tank-gauge':
      // A fall over ten minutes is two readings and no figure of a device.
      return code === 'tankPressureDropBar' ? undefined : 'pressure';
    case 'jug':
      return flowCodes.includes(code) ? 'flow' : undefined;
    default:
      return undefined;
  }
}

import type { Dimension, MeterChannel, MeterKind } from '@katharos/core';

export const meterWords: Record<MeterKind, string> = {
  'tds-pen': 'TDS and temperature pen',
  gauge: 'Pressure gauge',
  'flow-meter': 'Flow meter',
};

/** What a channel shows. */
export const channelDimensions: Record<MeterChannel, Dimension> = {
  tds: 'tds',
  temperature: 'temperature',
  pressure: 'pressure',
  flow: 'flow',
};

/** What it says of a channel to be beyond what the meter can show, and what to do. */
export const beyondWords: Record<MeterChannel, Record<'low' | 'high', string>> = {
  tds: {
    low: 'Nothing to read: is it in water?',
    high: 'Beyond this pen. Dilute the cup one to one with distilled water, or take another.',
  },
  temperature: { low: 'Colder than it can show.', high: 'Hotter than it can show.' },
  pressure: {
    low: 'No pressure: is the valve before it open?',
    high: 'Beyond this gauge. Close the valve and take one with a longer scale.',
  },
  flow: {
    low: 'Too slow to be counted: use jug and watch.',
    high: 'Beyond this meter: use jug and watch.',
  },
};

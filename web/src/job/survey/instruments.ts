import type { Dimension } from '@katharos/core';

/** What a quantity is usually taken with, to pick from; any other can be typed. */
const usual: Partial<Record<Dimension, string[]>> = {
  tds: ['TDS pen', 'Conductivity meter', 'Laboratory'],
  pressure: ['Gauge 0–10 bar', 'Gauge 0–16 bar', 'Digital gauge', 'Utility'],
  temperature: ['Thermometer', 'TDS pen', 'Utility', 'Last winter'],
  hardness: ['Drop kit', 'Strip', 'Laboratory', 'Utility'],
  concentration: ['Strip', 'Drop kit', 'Photometer', 'Laboratory'],
  turbidity: ['Turbidity meter', 'Laboratory', 'By eye'],
  share: ['Laboratory', 'Handheld meter'],
  pH: ['Strip', 'pH meter', 'Laboratory', 'Utility'],
  length: ['Tape', 'Laser', 'By eye'],
  volume: ['Jug', 'By eye', 'Customer'],
  dailyVolume: ['Customer', 'Meter'],
};

export const instrumentsFor = (dimension: Dimension): string[] => usual[dimension] ?? [];

import type { FilterDrop } from '../../hydraulics/prefilterDrop.ts';
import type { Pump } from '../../hydraulics/pumpPressure.ts';
import type { Restrictor } from '../../hydraulics/restrictorFlow.ts';
import type { Feed, MembraneBank } from '../../system/point/roSystem.ts';

/** What was read at a visit; whatever was not is absent. */
export interface VisitReadings {
  /** ISO calendar day. */
  date: string;
  feedTdsMgL?: number | undefined;
  permeateTdsMgL?: number | undefined;
  temperatureC?: number | undefined;
  /** Ahead of the pre-filters, water running, bar gauge. */
  supplyPressureBar?: number | undefined;
  /** At a gauge behind pre-filters and pump, bar gauge. */
  membranePressureBar?: number | undefined;
  permeateFlowLPerH?: number | undefined;
  concentrateFlowLPerH?: number | undefined;
}

export const serviceEvents = [
  'membrane-change',
  'prefilter-change',
  'carbon-change',
  'sanitised',
  'other',
] as const;
export type ServiceEventKind = (typeof serviceEvents)[number];

export interface ServiceEvent {
  date: string;
  kind: ServiceEventKind;
}

/** Where a membrane is changed: factors against its own start. */
export interface TrendLimits {
  saltPassageFactor: number;
  flowFactor: number;
}

/** A doubled passage; three tenths of the flow lost. */
export const usualTrendLimits: TrendLimits = { saltPassageFactor: 2, flowFactor: 0.7 };

/** Standard uncertainties of what a visit reads with. */
export interface TrendInstruments {
  meterShare: number;
  meterDigitMgL: number;
  thermometerC: number;
  gaugeBar: number;
  flowShare: number;
}

export const usualTrendInstruments: TrendInstruments = {
  meterShare: 0.02,
  meterDigitMgL: 1,
  thermometerC: 1,
  gaugeBar: 0.2,
  flowShare: 0.025,
};

/** A system's years of readings, and the day on which is asked. */
export interface History {
  /** The usual water, for what a visit did not read. */
  feed: Feed;
  membrane: MembraneBank;
  restrictor: Restrictor;
  prefilters?: FilterDrop | undefined;
  pump?: Pump | undefined;
  /** On the product side while flows are taken, bar gauge. */
  permeateBackPressureBar?: number | undefined;
  readings: readonly VisitReadings[];
  events?: readonly ServiceEvent[] | undefined;
  limits?: { [K in keyof TrendLimits]?: number | undefined } | undefined;
  /** ISO day; what is dated later is left out. The last reading where it is absent. */
  asOf?: string | undefined;
  /** How far ahead a date is named. */
  horizonMonths?: number | undefined;
  /** Probability from which a series is called drifting. */
  driftThreshold?: number | { saltPassage: number; flow: number } | undefined;
  instruments?: Partial<TrendInstruments> | undefined;
}

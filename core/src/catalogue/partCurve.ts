import type { Dimension } from '../base/units/units.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import { type FilterDrop, filterResistance } from '../hydraulics/prefilterDrop.ts';
import { type Pump, pumpBoost } from '../hydraulics/pumpPressure.ts';
import { restrictorCoefficient, restrictorFlow } from '../hydraulics/restrictorFlow.ts';
import { concentrationPolarisation } from '../membrane/concentrationPolarisation.ts';
import { elementPermeance, type MembraneRating } from '../membrane/elementPermeance.ts';
import { marchElement, marchSteps, newMarch } from '../membrane/marchElement.ts';
import { temperatureCorrectionFactor } from '../membrane/temperatureCorrectionFactor.ts';
import { tankPressure } from '../tank/bladderTank.ts';
import { ratedTransmittance, ultravioletDose } from '../ultraviolet/ultravioletDose.ts';
import { osmoticScale } from '../water/osmoticPressure.ts';
import type { Part } from './parts.ts';

/** What a curve says of a part. */
export const curveKinds = [
  'production',
  'boost',
  'drain-flow',
  'drop',
  'tap-flow',
  'dose',
  'filling',
] as const;
export type CurveKind = (typeof curveKinds)[number];

export interface CurvePoint {
  x: number;
  y: number;
}

/** How a part behaves, by what its rating says: one line for each temperature of the water at which it differs. */
export interface PartCurve {
  kind: CurveKind;
  /** Of the axes; a dose has no unit of its own among the dimensions and is a count of mJ/cm2. */
  x: Dimension;
  y: Dimension;
  lines: readonly { temperatureC: number | null; points: readonly CurvePoint[] }[];
  /** What the data sheet says. */
  rated: readonly CurvePoint[];
}

const steps = 24;
/** Waters that a membrane and a filter are drawn for, C: as rated, and as it comes in winter. */
const waters = [25, 8] as const;

const points = (from: number, to: number, y: (x: number) => number): CurvePoint[] =>
  Array.from({ length: steps + 1 }, (_, i) => {
    const x = from + ((to - from) * i) / steps;
    return { x, y: y(x) };
  });

/** Product of an element over its feed pressure, at its rated feed of its rated water. */
function production(rating: MembraneRating): Outcome<PartCurve> {
  const permeance = elementPermeance(rating);
  if (!permeance.ok) return permeance;
  const feed = rating.ratedFlowLPerDay / 24 / rating.ratedRecovery;
  const beta = concentrationPolarisation(rating.ratedRecovery);
  const march = newMarch();
  const lines = waters.map((temperatureC) => {
    const factor = temperatureCorrectionFactor(temperatureC);
    const element = {
      water: permeance.value.water * factor,
      salt: permeance.value.salt * factor,
      osmoticScaleBar: osmoticScale(temperatureC),
    };
    return {
      temperatureC,
      points: points(0, 1.5 * rating.ratedPressureBar, (bar) => {
        if (bar === 0) return 0;
        const steps = marchSteps(Math.min(1.5 * rating.ratedRecovery, 0.8));
        marchElement(element, feed, rating.ratedTdsMgL, bar, beta, steps, march);
        return march.permeateLPerH * 24;
      }),
    };
  });
  return succeed({
    kind: 'production',
    x: 'pressure',
    y: 'dailyVolume',
    lines,
    rated: [{ x: rating.ratedPressureBar, y: rating.ratedFlowLPerDay }],
  });
}

const boost = ({ curve }: Pump): PartCurve => {
  const end = 1.1 * curve.at(-1)!.flowLPerH;
  return {
    kind: 'boost',
    x: 'flow',
    y: 'pressure',
    lines: [{ temperatureC: null, points: points(0, end, (flow) => pumpBoost(curve, flow)) }],
    rated: curve.map(({ flowLPerH, boostBar }) => ({ x: flowLPerH, y: boostBar })),
  };
};

const drop = (filter: FilterDrop): PartCurve => ({
  kind: 'drop',
  x: 'flow',
  y: 'pressure',
  lines: waters.map((temperatureC) => ({
    temperatureC,
    points: points(0, 1.5 * filter.atFlowLPerH, (x) => x * filterResistance(filter, temperatureC)),
  })),
  rated: [{ x: filter.atFlowLPerH, y: filter.dropBar }],
});

const one = (curve: Omit<PartCurve, 'lines'>, drawn: CurvePoint[]): PartCurve => ({
  ...curve,
  lines: [{ temperatureC: null, points: drawn }],
});

/**
 * The curve of a part from its rating, for whoever enters it from a data sheet; null where a part has none.
 * Errors: those of `elementPermeance`, where a rating cannot be calibrated.
 */
export function partCurve(part: Part): Outcome<PartCurve> | null {
  switch (part.kind) {
    case 'membrane':
      return production(part.rating);
    case 'pump':
      return succeed(boost(part.pump));
    case 'prefilter':
    case 'post-filter':
      return succeed(drop(part.filter));
    case 'restrictor': {
      const { flowMlMin, atPressureBar } = part.restrictor;
      const k = restrictorCoefficient(part.restrictor);
      const rated = [{ x: atPressureBar, y: 0.06 * flowMlMin }];
      return succeed(
        one(
          { kind: 'drain-flow', x: 'pressure', y: 'flow', rated },
          points(0, 1.5 * atPressureBar, (bar) => restrictorFlow(k, bar)),
        ),
      );
    }
    case 'tap':
      // Kv is the flow at one bar, m3/h.
      return succeed(
        one(
          {
            kind: 'tap-flow',
            x: 'pressure',
            y: 'tapFlow',
            rated: [{ x: 1, y: (part.kv * 1000) / 60 }],
          },
          points(0, 3, (bar) => (part.kv * 1000 * Math.sqrt(bar)) / 60),
        ),
      );
    case 'lamp':
      return succeed(
        one(
          {
            kind: 'dose',
            x: 'flow',
            y: 'count',
            rated: [{ x: part.ratedFlowLPerH, y: part.ratedDoseMjCm2 }],
          },
          points(0.5 * part.ratedFlowLPerH, 2 * part.ratedFlowLPerH, (flow) =>
            ultravioletDose(part, flow, ratedTransmittance),
          ),
        ),
      );
    case 'tank':
      return succeed(
        one(
          { kind: 'filling', x: 'volume', y: 'pressure', rated: [{ x: 0, y: part.prechargeBar }] },
          points(0, 0.75 * part.volumeL, (litres) => tankPressure(part, litres)),
        ),
      );
    default:
      return null;
  }
}

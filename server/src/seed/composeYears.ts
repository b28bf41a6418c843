import {
  expectedReadings,
  normalDeviate,
  type Random,
  seededRandom,
  type ServicedSite,
  servicedOf,
  type SystemDesign,
} from '@katharos/core';
import type { JobDocument, ServiceVisitRecord } from '@katharos/job';

/** Years of visits to a sample system: simulated by the product's own model, with the year's water, ageing and the noise of hands. */

const dayMs = 86_400_000;
/** A month, ms. */
export const monthMs = 30.4375 * dayMs;

/** How a sample system went since its hand-over; times in months. */
export interface YearsOf {
  since: number;
  /** Somebody came and read. */
  visits: readonly number[];
  /** Somebody came, read and changed what is changed once a year. */
  changeOuts: readonly number[];
  /** Of the logarithm of salt passage and flow, 1/year. */
  passagePerYear: number;
  flowPerYear: number;
  seed: number;
}

interface Water {
  tdsMgL: number;
  temperatureC: number;
  pressureBar: number;
}

/** What was read and done in the years since the hand-over. */
export function composeYears(
  design: SystemDesign,
  usual: Water,
  { handedOver, by, ...years }: YearsOf & { handedOver: string; by: string },
  site: ServicedSite,
): NonNullable<JobDocument['service']> {
  const random = seededRandom(years.seed);
  const start = Date.parse(handedOver);
  const changed = servicedOf(design, site).filter(({ kind }) =>
    [
      'sediment',
      'carbon',
      'post-filter',
      'tank-air',
      'sanitising',
      'leak-stop',
      'regulator',
    ].includes(kind),
  );
  const all = [...years.visits, ...years.changeOuts]
    .sort((a, b) => a - b)
    .map((months, i): [string, ServiceVisitRecord] => {
      const changes = years.changeOuts.includes(months);
      const at = new Date(start + months * monthMs).toISOString();
      return [
        `visit-${i + 1}`,
        {
          kind: changes ? 'change-out' : 'reading',
          at,
          by,
          readings: readAt(design, waterOn(usual, at, random), years, { months, at, by }, random),
          ...(changes
            ? {
                planned: changed.map(({ id }) => id),
                changed: Object.fromEntries(
                  changed.map(({ id, part }) => [
                    id,
                    { part: part?.name ?? '', batch: part ? `L${220 + 31 * i}` : '', at, by },
                  ]),
                ),
              }
            : {}),
          note: changes ? 'Pre-filters and post filter new; O-rings greased.' : '',
        },
      ];
    });
  return { visits: Object.fromEntries(all) };
}

function waterOn(usual: Water, at: string, random: Random): Water {
  const day = Date.parse(at) / dayMs;
  const wave = Math.cos((2 * Math.PI * (day - 215)) / 365.25);
  return {
    tdsMgL: usual.tdsMgL * (1 + 0.06 * wave + 0.03 * normalDeviate(random)),
    temperatureC: usual.temperatureC + 5 * wave + 0.5 * normalDeviate(random),
    pressureBar: usual.pressureBar + 0.1 * normalDeviate(random),
  };
}

function readAt(
  design: SystemDesign,
  water: Water,
  { passagePerYear, flowPerYear }: YearsOf,
  { months, at: takenAt, by }: { months: number; at: string; by: string },
  random: Random,
): ServiceVisitRecord['readings'] {
  const expected = expectedReadings(design, water, {
    flowFactor: Math.exp((flowPerYear * months) / 12 + 0.02 * normalDeviate(random)),
    saltPassageFactor: Math.exp((passagePerYear * months) / 12 + 0.04 * normalDeviate(random)),
  });
  if (!expected.ok) throw new Error('a sample system cannot run');
  const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = expected.value;
  const noisy = (value: number, share: number, absolute = 0) =>
    value * (1 + share * normalDeviate(random)) + absolute * normalDeviate(random);
  const reading = (value: number, unit: string) => ({ value, unit, takenAt, by });
  const mlMin = (flow: number) => reading(Math.round(noisy(flow, 0.025) / 0.06 / 5) * 5, 'mL/min');
  return {
    feedTds: reading(Math.round(noisy(water.tdsMgL, 0.02, 1)), 'ppm'),
    productTds: reading(Math.round(noisy(permeateTdsMgL, 0.02, 1)), 'ppm'),
    temperature: reading(Number(noisy(water.temperatureC, 0, 0.5).toFixed(1)), 'C'),
    pressure: reading(Number(noisy(water.pressureBar, 0, 0.1).toFixed(1)), 'bar'),
    productFlow: mlMin(permeateFlowLPerH),
    drainFlow: mlMin(concentrateFlowLPerH),
  };
}

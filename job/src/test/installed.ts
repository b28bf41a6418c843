import { expectedReadings, isUltravioletLine } from '@katharos/core';
import type { JobDocument } from '../document/job.ts';
import type { ServiceVisitRecord } from '../document/serviceRecord.ts';
import { plumbed, surveyed } from './plumbedJobs.ts';

export const at = (date: string) => `${date}T10:00:00.000Z`;
export const visitOn = (
  date: string,
  change: Partial<ServiceVisitRecord> = {},
): ServiceVisitRecord => ({
  kind: 'reading',
  at: at(date),
  by: 'Wren',
  readings: {},
  note: '',
  ...change,
});

/** A system that was handed over, and visited. */
export function installed(visits: Record<string, ServiceVisitRecord> = {}): JobDocument {
  const document = surveyed();
  const { design } = plumbed(document);
  if (isUltravioletLine(design)) throw new Error('it has no membrane');
  document.system = { design, chosenAt: at('2022-03-01'), chosenBy: 'Odo', agreed: null };
  document.keep.issued = { at: at('2022-03-10'), by: 'Odo' };
  document.service = { visits };
  return document;
}

/** What the system shows with its salt passage times a factor, in the water of the survey. */
export function readingsOf(document: JobDocument, factor: number): ServiceVisitRecord['readings'] {
  const { design } = document.system!;
  if (isUltravioletLine(design)) throw new Error('it has no membrane');
  const expected = expectedReadings(
    design,
    { tdsMgL: 420, temperatureC: 13, pressureBar: 2.8 },
    { flowFactor: 1, saltPassageFactor: factor },
  );
  if (!expected.ok) throw new Error(expected.failure.code);
  const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = expected.value;
  const of = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });
  return {
    feedTds: of(420, 'ppm'),
    productTds: of(permeateTdsMgL, 'ppm'),
    temperature: of(55.4, 'F'),
    pressure: of(2.8, 'bar'),
    productFlow: of((permeateFlowLPerH * 1000) / 60, 'mL/min'),
    drainFlow: of(concentrateFlowLPerH, 'L/h'),
  };
}

import { expect, test } from '@jest/globals';
import { recommend, slotsOf } from '@katharos/core';
import { starterCatalogue } from '../catalogue/starterCatalogue.ts';
import { newJobDocument } from '../document/newJob.ts';
import { briefOf } from './brief.ts';

const read = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });

/** What is proposed for a house out of a catalogue, part by part, and what it costs. */
function proposed(catalogue: typeof starterCatalogue, pressureBar: number): string[] {
  const { survey } = newJobDocument('Odo');
  survey.readings.feedTds = read(420, 'mg/L');
  survey.readings.pressure = read(pressureBar, 'bar');
  survey.readings.temperature = read(12, 'C');
  survey.readings.demand = read(9, 'L/day');
  const brief = briefOf(survey, catalogue);
  if (!brief.ok) throw new Error(brief.failure.code);
  const design = recommend(brief.value.task)?.best.design;
  return design ? slotsOf(design).map(({ key, part }) => `${key} ${part.id}`) : [];
}

/** The same parts in another order, by a fixed rule. */
const turned = (by: number) =>
  starterCatalogue
    .map((part, i) => ({ part, place: (i * by) % 1009 }))
    .sort((a, b) => a.place - b.place)
    .map(({ part }) => part);

test.each([[4.2], [2.1]])(
  'what is proposed does not hang on the order of the catalogue, at %f bar',
  (pressureBar) => {
    const usual = proposed(starterCatalogue, pressureBar);
    expect(usual.length).toBeGreaterThan(4);
    expect(proposed([...starterCatalogue].reverse(), pressureBar)).toEqual(usual);
    for (const by of [17, 389]) expect(proposed(turned(by), pressureBar)).toEqual(usual);
  },
  120_000,
);

import { recommend, type Recommendation } from '@katharos/core';
import { starterCatalogue } from '../catalogue/starterCatalogue.ts';
import { briefOf, optionsOf } from '../brief/brief.ts';
import type { JobDocument } from '../document/job.ts';
import { newJobDocument } from '../document/newJob.ts';
import { plumbingOf } from '../brief/plumbingTask.ts';

export const reading = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });

/** A job whose survey was taken, in units as they come. */
export function surveyed(change: (document: JobDocument) => void = () => undefined): JobDocument {
  const document = newJobDocument('Odo Marsh');
  document.survey.readings = {
    feedTds: reading(420, 'ppm'),
    pressure: reading(2.8, 'bar'),
    highestPressure: reading(7, 'bar'),
    temperature: reading(13, 'C'),
    demand: reading(12, 'L/day'),
  };
  document.survey.details = {
    cabinetWidth: reading(80, 'cm'),
    cabinetHeight: reading(70, 'cm'),
    cabinetDepth: reading(20, 'in'),
    drainPipe: reading(1.5, 'in'),
    fridgeLine: reading(4, 'm'),
  };
  change(document);
  return document;
}

/** What is recommended for a survey: searched once, since many jobs here differ only in how they are plumbed. */
const recommended = new Map<string, Recommendation['best']['design']>();

/** What is recommended for a survey, and the plumbing of it. */
export function plumbed(document: JobDocument) {
  const brief = briefOf(document.survey, starterCatalogue, {
    overruled: optionsOf(document.size.overruled),
  });
  if (!brief.ok) throw new Error(brief.failure.code);
  const key = JSON.stringify([document.survey, document.size.overruled]);
  const design = recommended.get(key) ?? recommend(brief.value.task)!.best.design;
  recommended.set(key, design);
  return { design, brief: brief.value, plumbing: plumbingOf(document, design, brief.value) };
}

import type { InstalledSystem, Part, Plumbing } from '@katharos/core';
import type { JobDocument } from '../document/job.ts';
import type { FirmSettings } from '../fields/firmSettings.ts';
import { briefOf, type JobBrief, optionsOf } from './brief.ts';
import { plumbingOf } from './plumbingTask.ts';

/** A job's system with the brief it answers and what it is plumbed by. */
export interface PlumbedJob {
  brief: JobBrief;
  system: InstalledSystem;
  plumbing: Plumbing;
}

/** Reads a job as what is made of it needs it; nothing where no system was chosen, or the survey contradicts itself. */
export function plumbedJobOf(
  document: JobDocument,
  catalogue: readonly Part[],
  { standards }: Pick<FirmSettings, 'standards'>,
): PlumbedJob | undefined {
  const brief = briefOf(document.survey, catalogue, {
    standards,
    overruled: optionsOf(document.size.overruled),
  });
  if (!document.system || !brief.ok) return undefined;
  const { design: system } = document.system;
  return { brief: brief.value, system, plumbing: plumbingOf(document, system, brief.value) };
}

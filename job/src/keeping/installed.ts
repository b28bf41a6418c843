import { assess, isUltravioletLine, type ServicedSite, type SystemDesign } from '@katharos/core';
import { briefOf, isOwnSource, optionsOf } from '../brief/brief.ts';
import type { JobDocument } from '../document/job.ts';

/** What of a document tells of an installed system and its years. */
export type Installed = Pick<
  JobDocument,
  'survey' | 'size' | 'system' | 'verify' | 'keep' | 'service'
>;

export const dateOfInstant = (at: string): string => at.slice(0, 10);

/** Calendar day from which a system counts as in use; undefined while it is not handed over. */
export const inUseSince = ({ system, keep, service }: Installed): string | undefined =>
  system
    ? (service?.since ?? (keep.issued ? dateOfInstant(keep.issued.at) : undefined))
    : undefined;

/** The design of a system with a membrane. */
export const membraneDesign = ({ system }: Installed): SystemDesign | undefined =>
  system && !isUltravioletLine(system.design) ? system.design : undefined;

/** The water and the household of an installed system; undefined while the survey contradicts itself. */
export function briefFor(document: Installed) {
  const design = membraneDesign(document);
  if (!design) return undefined;
  const brief = briefOf(document.survey, [], { overruled: optionsOf(document.size.overruled) });
  if (!brief.ok) return undefined;
  const water = brief.value.task.waters.today;
  const assessed = assess(design, water);
  return assessed.ok ? { brief: brief.value, water, assessed: assessed.value } : undefined;
}

/** What of the house belongs to the service of a job's system. */
export function servicedSiteOf({
  survey,
  size,
}: Pick<JobDocument, 'survey' | 'size'>): ServicedSite {
  const brief = briefOf(survey, [], { overruled: optionsOf(size.overruled) });
  return {
    ownSource: isOwnSource(survey),
    regulator: brief.ok && brief.value.settings.regulatorBar !== null,
    leakStop: brief.ok && brief.value.settings.leakStop,
  };
}

import {
  type Due,
  dayOf,
  dropDoubledAfter,
  duesOf,
  nextVisit,
  type Outcome,
  servicedOf,
  type ServiceVisit,
  trend,
  type Trend,
} from '@katharos/core';
import type { FirmSettings } from '../fields/firmSettings.ts';
import { usualKeeping } from '../fields/usualSettings.ts';
import { countedLPerDay, foundSpentOf, lampCounterOf, lastDoneOf } from './facts.ts';
import { historyOf } from './history.ts';
import {
  briefFor,
  type Installed,
  inUseSince,
  membraneDesign,
  servicedSiteOf,
} from './installed.ts';

/** What is known of an installed system on a day. */
export interface Kept {
  since: string;
  /** Null while nothing was read that a trend can be made of. */
  trend: Outcome<Trend> | null;
  dues: Due[];
  /** What a counter says that is drawn, L/day; null where the household's own figure stands. */
  countedLPerDay: number | null;
  visit: ServiceVisit | null;
  /** See the core's `dropDoubledAfter`. */
  dropDoubledAfterMonths: number | null;
  /** For how long the firm answers for what it put in; 0 for not. */
  warrantyMonths: number;
}

/**
 * How an installed system stands: its trend, what is due and why, and the next visit.
 * @param today ISO calendar day of whoever asks
 */
export function keptOf(
  document: Installed,
  { keeping }: Pick<FirmSettings, 'keeping'>,
  today: string,
): Kept | undefined {
  const design = membraneDesign(document);
  const since = inUseSince(document);
  const brief = briefFor(document);
  if (!design || !since || !brief) return undefined;
  const history = historyOf(document, brief, { keeping });
  // Asked for today: a membrane that was changed after its last reading is a new one.
  const lastRead =
    history?.readings
      .map(({ date }) => date)
      .sort()
      .at(-1) ?? today;
  const found = history ? trend({ ...history, asOf: lastRead > today ? lastRead : today }) : null;
  const { school, tripPrice, warrantyMonths } = { ...usualKeeping, ...keeping };
  const named = (key: 'saltPassage' | 'flow') => {
    const on = found?.ok && found.value[key].state !== 'not-enough' ? found.value[key].dueOn : null;
    return on === null ? null : dayOf(on);
  };
  const site = servicedSiteOf(document);
  const lastDone = lastDoneOf(document);
  const counted = countedLPerDay(document, since);
  const doubled = history && dropDoubledAfter(history);
  const dropDoubledAfterMonths = doubled?.ok ? doubled.value : null;
  const dues = duesOf({
    design,
    assessed: brief.assessed,
    demandLPerDay: counted ?? brief.brief.requirements.demandLPerDay,
    disinfectant: brief.brief.facts.disinfectant,
    site,
    handedOver: dayOf(since)!,
    lastDone,
    membraneDue: {
      saltPassage: named('saltPassage'),
      flow: named('flow'),
      told:
        found?.ok === true &&
        found.value.saltPassage.state !== 'not-enough' &&
        found.value.flow.state !== 'not-enough',
    },
    foundSpent: foundSpentOf(document, servicedOf(design, site)),
    dropDoubledAfterMonths,
    feedSolids: brief.brief.facts,
    lampCounter: lampCounterOf(document),
    school,
  });
  return {
    since,
    trend: found,
    dues,
    countedLPerDay: counted,
    warrantyMonths,
    dropDoubledAfterMonths,
    visit: nextVisit(dues, tripPrice, dayOf(today)!),
  };
}

import { daysInMonth } from '../../base/calendar.ts';
import { lifeMonths } from '../../base/practice.ts';
import type { Assessment } from '../../system/assessment.ts';
import type { SystemDesign } from '../../system/design.ts';
import { remineralise } from '../../system/remineralise.ts';
import { scaleRiskOf } from '../../system/scaleRisk.ts';
import { carbonLifeMonths, type Disinfectant } from '../../water/carbonLife.ts';
import { type FeedSolids, sedimentMonths } from './sedimentLife.ts';
import { type Serviced, type ServicedKind, type ServicedSite, servicedOf } from './serviced.ts';

/** Why something is due: by the calendar, or by what it has done and how it is. */
export const dueReasons = [
  'calendar',
  'disinfectant',
  'scaling',
  'dissolved',
  'salt-passage',
  'flow',
  'loading',
  'solids',
  'hours',
  'found',
  'yearly',
] as const;
export type DueReason = (typeof dueReasons)[number];

/** When something is due, by the first of all that can make it so. */
export interface Due extends Serviced {
  /** Days since 1970. */
  on: number;
  because: DueReason;
  /** When it was done last, or the system handed over. */
  since: number;
  /** The other reasons, with their days; the earlier first. */
  others: { because: DueReason; on: number }[];
}

/** A firm's school: by the calendar alone, by condition where it can be told, or whichever comes first. */
export type DueSchool = 'calendar' | 'condition' | 'first';

export interface DueTask {
  design: SystemDesign;
  assessed: Assessment;
  demandLPerDay: number;
  disinfectant: Disinfectant | null;
  site: ServicedSite;
  /** Day on which the system was handed over. */
  handedOver: number;
  /** Days on which things were done last, by id. */
  lastDone: Readonly<Record<string, number>>;
  /** Days on which the membrane's two factors meet their limits, where the trend names any; `told` where it can tell of both. */
  membraneDue: { saltPassage: number | null; flow: number | null; told: boolean };
  /** Days on which somebody found that something is spent, by id: brown, wetted, let through, not held. */
  foundSpent: Readonly<Record<string, number>>;
  /** Months after which a pre-filter's drop is surely doubled, by what visits read; null where they do not tell. */
  dropDoubledAfterMonths: number | null;
  /** What of the supply loads a sediment filter; absent where nobody knows the water. */
  feedSolids?: FeedSolids | undefined;
  /** A lamp's counter, h, and the day on which it was read; null where nobody looked since it was new. */
  lampCounter: { hours: number; on: number } | null;
  school: DueSchool;
}

/** Works that come round, months: defaults of practice. */
const roundMonths = {
  regulator: 12,
  'leak-stop': 12,
  'tank-air': 12,
  sanitising: 12,
  'germ-test': 12,
} as const;
const comesRound = (kind: ServicedKind): kind is keyof typeof roundMonths => kind in roundMonths;

/** Calcite of a bed, g/L, and the share of it after whose loss it is filled up: a default of practice. */
const bed = { gPerL: 1400, topUpShare: 0.5 } as const;

/** Beyond this nothing is planned, months. */
const farthestMonths = 120;

/**
 * When each thing of a system is due and why, the earliest first. What can be told of its condition comes from this very household and
 * water: disinfectant by litres of feed, calcite past the membrane, minerals that were given, the membrane by its trend.
 */
export function duesOf(task: DueTask): Due[] {
  return servicedOf(task.design, task.site)
    .map((serviced): Due => {
      const since = task.lastDone[serviced.id] ?? task.handedOver;
      const reasons = reasonsFor(task, serviced, since).sort((a, b) => a.on - b.on);
      const [first, ...others] = reasons;
      return { ...serviced, since, ...first!, others };
    })
    .sort((a, b) => a.on - b.on);
}

type Reason = Due['others'][number];

function reasonsFor(task: DueTask, { id, kind }: Serviced, since: number): Reason[] {
  const foundOn = task.foundSpent[id];
  // What somebody saw holds whatever the school.
  const found: Reason[] =
    foundOn !== undefined && foundOn >= since ? [{ because: 'found', on: foundOn }] : [];
  const after = (months: number, because: DueReason): Reason => ({
    because,
    on: Math.round(since + Math.min(months, farthestMonths) * daysInMonth),
  });
  if (comesRound(kind)) return [...found, after(roundMonths[kind], 'yearly')];
  const byCalendar = after(lifeMonths[kind === 'post-filter' ? 'postFilter' : kind], 'calendar');
  if (task.school === 'calendar') return [...found, byCalendar];
  const byCondition = conditionsOf(task, kind).flatMap(({ because, months, on }): Reason[] =>
    on !== undefined
      ? [{ because, on }]
      : months !== undefined && months < farthestMonths
        ? [after(months, because)]
        : [],
  );
  // Where nothing is known of a condition there is only the calendar.
  return task.school === 'condition' && byCondition.length > 0
    ? [...found, ...byCondition]
    : [...found, byCalendar, ...byCondition];
}

/** A lamp burns day and night: its customary life in hours, less what its counter has. */
const lampHoursLeft = ({ hours }: { hours: number }): number =>
  lifeMonths.lamp * daysInMonth * 24 - hours;

interface Condition {
  because: DueReason;
  /** After it was new. */
  months?: number;
  on?: number;
}

function conditionsOf(
  {
    design,
    assessed,
    demandLPerDay,
    disinfectant,
    membraneDue,
    dropDoubledAfterMonths,
    feedSolids,
    lampCounter,
  }: DueTask,
  kind: Exclude<ServicedKind, keyof typeof roundMonths>,
): Condition[] {
  switch (kind) {
    case 'carbon': {
      if (!disinfectant) return [];
      const feedLPerDay = demandLPerDay * (1 + assessed.drainLPerProductL);
      const capacities = design.prefilters.map(({ disinfectantG }) => disinfectantG);
      return [
        {
          because: 'disinfectant',
          months: carbonLifeMonths(capacities, disinfectant, feedLPerDay),
        },
      ];
    }
    case 'membrane':
      return [
        // What was read of the membrane itself speaks before what its water would do to it.
        ...(membraneDue.told
          ? []
          : [
              {
                because: 'scaling' as const,
                months: scaleRiskOf(design, assessed, demandLPerDay).months,
              },
            ]),
        ...(membraneDue.saltPassage === null
          ? []
          : [{ because: 'salt-passage' as const, on: membraneDue.saltPassage }]),
        ...(membraneDue.flow === null ? [] : [{ because: 'flow' as const, on: membraneDue.flow }]),
      ];
    case 'mineral': {
      const given = remineralise(design, assessed);
      const mgPerL = given?.calciumCarbonateAddedMgL ?? 0;
      const grams = bed.gPerL * bed.topUpShare * (design.mineral?.part.media.bedVolumeL ?? 0);
      const gPerDay = (mgPerL * demandLPerDay) / 1000;
      return gPerDay > 0 ? [{ because: 'dissolved', months: grams / gPerDay / daysInMonth }] : [];
    }
    case 'sediment':
      // What was read of the filter itself speaks before what its water would do to it.
      return dropDoubledAfterMonths !== null
        ? [{ because: 'loading', months: dropDoubledAfterMonths }]
        : feedSolids
          ? [
              {
                because: 'solids',
                months: sedimentMonths(
                  feedSolids,
                  demandLPerDay * (1 + assessed.drainLPerProductL),
                ),
              },
            ]
          : [];
    case 'lamp':
      return lampCounter === null
        ? []
        : [{ because: 'hours', on: Math.round(lampCounter.on + lampHoursLeft(lampCounter) / 24) }];
    case 'post-filter':
      return [];
  }
}

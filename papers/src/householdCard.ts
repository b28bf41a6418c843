import { flushSchedule, type FlushStep } from '@katharos/core';
import {
  certificationOf,
  type FirmSettings,
  flushRecordOf,
  type JobDocument,
  supplyOf,
} from '@katharos/job';
import { drinkingSentences, flushWords, readerOf, supplySentences } from '@katharos/words';

export interface HouseholdCardSource {
  number: number;
  document: JobDocument;
  firm: { name: string; settings: FirmSettings };
  steps: readonly FlushStep[];
  /** ms of the epoch. */
  now: number;
  /** Of the house, IANA name. */
  timeZone: string;
}

/** What is left with the household while its tank still fills. */
export interface HouseholdCard {
  number: number;
  firm: string;
  title: string;
  customer: string;
  paper: FirmSettings['paper'];
  /** When it was made. */
  made: string;
  /** What there is to do, by the clock; empty where nothing is left to them. */
  steps: { when: string; title: string; what: string; caution: string | null }[];
  /** From when water may be drunk, and what not until then. */
  rules: string[];
  call: string;
}

/** Hours of the house's clock between which a household is asked for something. */
const day = { from: 7, to: 22 } as const;
const hourMs = 3600e3;

/** The next moment at which people are up in a time zone: this one, or the coming morning. */
function awakeIn(timeZone: string): (at: number) => number {
  const hours = new Intl.DateTimeFormat('en-GB', { timeZone, hour: 'numeric', hourCycle: 'h23' });
  const hourAt = (at: number) => Number(hours.format(at));
  const isUp = (at: number) => hourAt(at) >= day.from && hourAt(at) < day.to;
  return (at) => {
    if (isUp(at)) return at;
    // From the full hour on, hour by hour: at most a night.
    let next = Math.ceil(at / (hourMs / 2)) * (hourMs / 2);
    while (!isUp(next)) next += hourMs / 2;
    return next;
  };
}

/** Makes the card of a flush as it stands: what is the household's to do, with clock times in the house's own zone. */
export function householdCardOf(source: HouseholdCardSource): HouseholdCard {
  const { number, document, firm, steps, now, timeZone } = source;
  const { customer, flush } = document;
  const { units, paper, phone } = firm.settings;
  const reader = readerOf({ units, timeZone });
  const schedule = flushSchedule(
    steps,
    (id) => flushRecordOf(flush.steps[id]),
    now,
    awakeIn(timeZone),
  );
  const day = (at: number) => reader.when(at, 'date');
  const time = (at: number) => reader.when(at, day(at) === day(now) ? 'time' : 'short-moment');
  const own = schedule.steps.filter(({ step, isDone }) => step.by === 'household' && !isDone);
  const hasMembrane = steps.some(
    ({ code }) => code === 'membrane-rinse' || code === 'run-open-tap',
  );
  // What is weighed of the readings holds nobody back from drinking; what is owed does.
  const certified = certificationOf(document, null, firm.settings.ionLimits);
  const isAllDone = schedule.steps.every(({ isDone }) => isDone);
  return {
    number,
    firm: firm.name,
    title: 'For the household',
    customer: [customer.name, customer.address].filter(Boolean).join(', '),
    paper,
    made: reader.when(now, 'short-moment'),
    steps: own.map(({ step, startsAt, endsAt }) => {
      const { title, instruction, caution } = flushWords(step, reader);
      return {
        when: step.attended ? time(startsAt) : `${time(startsAt)} to ${time(endsAt)}`,
        title,
        what: step.attended ? instruction : `Nothing to do. ${instruction}`,
        caution,
      };
    }),
    rules: [
      isAllDone
        ? 'The system is flushed.'
        : `Do not drink, cook with or make ice from this water before ${time(schedule.drinkFrom)}. ${hasMembrane ? 'Until then it carries a preservative; plants may have it.' : 'Until then it is not treated.'}`,
      ...supplySentences(supplyOf(document.survey)),
      ...(certified ? drinkingSentences(certified, reader) : []),
      ...(own.length > 0 ? ['If a step is done later, all that follow move by as much.'] : []),
      'Look for leaks tonight and tomorrow morning: run a dry tissue round every joint under the sink.',
      'Water where none should be: close the feed valve under the sink, then call.',
      ...(isAllDone && certified?.title === 'certificate'
        ? []
        : ['Small children and anyone who is ill drink other water until then.']),
    ],
    call: phone
      ? `${firm.name}, ${phone}`
      : `${firm.name}. The firm has not entered its telephone: note it here.`,
  };
}

import type { DueReason, ServicedKind } from '@katharos/core';
import {
  certificationOf,
  type FirmSettings,
  inUseSince,
  type JobDocument,
  supplyOf,
  visitsInOrder,
} from '@katharos/job';
import { drinkingSentences, readerOf, servicedNames, supplySentences } from '@katharos/words';

/** What a household finds on its own page: nothing that says who it is. */
export interface HouseholdPage {
  firm: string;
  water: string[];
  due: string[];
  done: { when: string; what: string }[];
  shut: string[];
  call: string;
}

export interface HouseholdPageSource {
  document: JobDocument;
  firm: { name: string; settings: FirmSettings };
  /** ISO calendar day. */
  today: string;
  visit: {
    on: string;
    dues: readonly { kind: ServicedKind; because: DueReason; on: string }[];
  } | null;
}

const shownVisits = 6;

/** Makes the page of a household's system. */
export function householdPageOf({
  document,
  firm,
  visit,
  today,
}: HouseholdPageSource): HouseholdPage {
  const reader = readerOf(firm.settings);
  const { phone, ionLimits } = firm.settings;
  const certified = certificationOf(document, null, ionLimits);
  const since = inUseSince(document);
  const visits = visitsInOrder(document);
  const last = visits.map(([, one]) => one).findLast(({ readings }) => readings.productTds);
  const { feedTds, productTds } = (last ?? document.verify).readings;
  return {
    firm: firm.name,
    water: [
      ...(certified ? drinkingSentences(certified, reader) : []),
      ...(certified?.title === 'certificate' ? [] : supplySentences(supplyOf(document.survey))),
      ...(since ? [`In use since ${reader.day(since, 'long-date')}.`] : []),
      ...(feedTds && productTds
        ? [
            `Dissolved solids when it was last read: ${reader.entered('tds', feedTds)} in the supply, ${reader.entered('tds', productTds)} in the drinking water.`,
          ]
        : []),
      'A meter of dissolved solids says nothing of germs. Ask for a laboratory where you doubt the water.',
    ],
    due: visit
      ? [
          `${visit.on < today ? `It has been due since ${reader.day(visit.on, 'month')}` : `Somebody should come about ${reader.day(visit.on, 'month')}`}, for: ${reader.list(
            [...new Set(visit.dues.map(({ kind }) => servicedNames[kind]))].map((name) =>
              reader.within(name),
            ),
          )}.`,
        ]
      : ['Nothing is due that is known of.'],
    done: visits
      // One that was only begun did nothing yet.
      .filter(
        ([, { readings, changed = {} }]) => Object.keys({ ...readings, ...changed }).length > 0,
      )
      .reverse()
      .slice(0, shownVisits)
      .map(([, { at, changed = {} }]) => {
        const parts = Object.values(changed).flatMap(({ part }) => (part ? [part] : []));
        return {
          when: reader.day(at.slice(0, 10), 'long-date'),
          what: parts.length > 0 ? `Changed: ${reader.list(parts)}.` : 'Looked after and read.',
        };
      }),
    shut: [
      'Under the sink: the small valve on the thin tube from the cold pipe. Handle across the tube is closed.',
      'The valve on the tank: handle across the tube is closed.',
      'Where water runs and neither helps: the stop valve of the house. Unplug what stands in water only with the current off.',
    ],
    call: phone ? `${firm.name}, ${phone}` : firm.name,
  };
}

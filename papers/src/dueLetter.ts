import type { DueReason, ServicedKind } from '@katharos/core';
import { certificationOf, type FirmSettings, type JobDocument, supplyOf } from '@katharos/job';
import { drinkingSentences, readerOf, servicedNames, supplySentences } from '@katharos/words';

/** A letter to a household of what is due on its system. */
export interface DueLetter {
  subject: string;
  text: string;
}

export interface DueLetterSource {
  firm: { name: string; settings: FirmSettings };
  name: string;
  /** ISO calendar days. */
  on: string;
  today: string;
  dues: readonly { kind: ServicedKind; because: DueReason }[];
  /** What keeps this household from drinking, told with whatever else is written to it. */
  document: JobDocument;
  /** Of the household's own page; null where there is none. */
  page: string | null;
}

/** Why a household should care, in a sentence each: what was measured as measured, what is reckoned as a date that is due. */
const reasons: Partial<Record<DueReason, string>> = {
  'salt-passage':
    'More salt comes through the membrane than when it was new, as measured at your visits.',
  flow: 'The membrane gives less water than when it was new, as measured at your visits.',
  loading: 'The first filter costs more pressure than when it was new.',
  disinfectant:
    'By the water that you use, the carbon is due: it takes the disinfectant out of your supply.',
  scaling: 'Your water is hard, and lime may settle on the membrane: we would measure it.',
  dissolved: 'By the water that you use, the mineral bed is due.',
  found: 'Something was found spent when somebody came last.',
};

/** Writes it, in the firm's own ways of dates; plain text, so that any telephone shows it. */
export function dueLetterOf({
  firm,
  name,
  on,
  today,
  dues,
  document,
  page,
}: DueLetterSource): DueLetter {
  const reader = readerOf(firm.settings);
  const kinds = [...new Set(dues.map(({ kind }) => servicedNames[kind]))];
  const why = [...new Set(dues.flatMap(({ because }) => reasons[because] ?? []))];
  const { phone } = firm.settings;
  const month = reader.day(on, 'month');
  const certified = certificationOf(document, null, firm.settings.ionLimits);
  const drinking = [
    ...(certified ? drinkingSentences(certified, reader) : []),
    ...(certified?.title === 'certificate' ? [] : supplySentences(supplyOf(document.survey))),
  ];
  return {
    subject:
      on < today
        ? 'Your drinking water system is overdue for service'
        : `Your drinking water system is due for service in ${month}`,
    text: [
      `${name},`,
      on < today
        ? `your drinking water system has been due for service since ${month}.`
        : `your drinking water system is due for service in ${month}.`,
      ...(drinking.length > 0 ? [drinking.join(' ')] : []),
      `What we would do: ${reader.list(kinds.map((one) => reader.within(one)))}.`,
      ...(why.length > 0 ? [why.join(' ')] : []),
      phone
        ? `Please call us for a day: ${phone}.`
        : 'Please answer this letter, and we will find a day.',
      ...(page ? [`What is due, what was done and how to shut it off: ${page}`] : []),
      firm.name,
    ].join('\n\n'),
  };
}

import type { DueReason, ServicedKind } from '@katharos/core';
import type { FirmSettings } from '@katharos/job';
import { readerOf, servicedNames } from '@katharos/words';

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
  /** Of the household's own page; null where there is none. */
  page: string | null;
}

/** Why a household should care, in a sentence each. */
const reasons: Partial<Record<DueReason, string>> = {
  'salt-passage': 'More salt comes through the membrane than when it was new.',
  flow: 'The membrane gives less water than when it was new.',
  loading: 'The first filter is nearly full.',
  disinfectant: 'The carbon has taken up what it can of the disinfectant in your supply.',
  scaling: 'Lime is settling on the membrane.',
  dissolved: 'The mineral bed is used up.',
  found: 'Something was found spent when somebody came last.',
};

/** Writes it, in the firm's own ways of dates; plain text, so that any telephone shows it. */
export function dueLetterOf({ firm, name, on, today, dues, page }: DueLetterSource): DueLetter {
  const reader = readerOf(firm.settings);
  const kinds = [...new Set(dues.map(({ kind }) => servicedNames[kind]))];
  const why = [...new Set(dues.flatMap(({ because }) => reasons[because] ?? []))];
  const { phone } = firm.settings;
  const month = reader.day(on, 'month');
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

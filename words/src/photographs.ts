import type { PhotographSubject } from '@katharos/job';

export const photographWords: Record<PhotographSubject, string> = {
  readings: 'Readings',
  cabinet: 'Cabinet',
  supply: 'Cold supply',
  drain: 'Drain',
  counter: 'Counter',
  work: 'Work done',
  complaint: 'From the household',
  other: 'Other',
};

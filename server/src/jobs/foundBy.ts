import { slotsOf } from '@katharos/core';
import { type JobDocument, surveyFields, visitsInOrder } from '@katharos/job';
import { fieldWords, readerOf } from '@katharos/words';

/** As it was entered; only notation is chosen here, and a search takes any. */
const reader = readerOf({});

/**
 * What a job is found by, a line for each thing: whose it is, where, what is in it, what was put in since, and what was read in its
 * survey. What was read at visits stands in rows of its own.
 */
export function foundByOf(document: JobDocument): string {
  const { customer, survey, system } = document;
  const { address, phone, email = '', note } = customer;
  const parts = system ? slotsOf(system.design).map(({ part }) => part.name) : [];
  const batches = visitsInOrder(document).flatMap(([, { changed = {} }]) =>
    Object.values(changed).map(({ part, batch }) => `${part} ${batch}`.trim()),
  );
  const readings = Object.values(surveyFields).flatMap(({ name, dimension }) => {
    const reading = survey.readings[name as keyof typeof surveyFields];
    return reading ? `${fieldWords[name].label} ${reader.entered(dimension, reading)}` : [];
  });
  const lines = [
    `${customer.name} ${address}`,
    phone,
    email,
    note,
    ...parts,
    ...batches,
    ...readings,
  ];
  return [...new Set(lines.map((line) => line.replace(/\s+/g, ' ').trim()).filter(Boolean))].join(
    '\n',
  );
}

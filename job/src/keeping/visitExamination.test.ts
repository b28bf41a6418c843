import { describe, expect, test } from '@jest/globals';
import { diagnose } from '@katharos/core';
import { installed, readingsOf, visitOn } from '../test/installed.ts';
import { coursesBefore, examinationOfVisit } from './visitExamination.ts';

/** Visits every four months, passage growing, and at the end a complaint. */
function complained(growth: number, last: number) {
  const document = installed();
  document.verify.readings = readingsOf(document, 1);
  const months = [4, 8, 12, 16, 20, 24];
  const date = (month: number) =>
    new Date(Date.UTC(2022, 2 + month, 10)).toISOString().slice(0, 10);
  document.service = {
    visits: {
      ...Object.fromEntries(
        months.map((month) => [
          `v${month}`,
          visitOn(date(month), { readings: readingsOf(document, 1 + (growth * month) / 24) }),
        ]),
      ),
      now: visitOn(date(28), {
        kind: 'complaint',
        readings: readingsOf(document, last),
        complaints: { taste: { at: `${date(28)}T10:00:00.000Z`, by: 'Wren' } },
      }),
    },
  };
  return document;
}

describe('a complaint at a visit', () => {
  test('is weighed with the years before it', () => {
    const drifted = complained(1, 2.2);
    expect(coursesBefore(drifted, 'now').saltPassage).toBe('gradual');
    const held = complained(0, 2.2);
    expect(coursesBefore(held, 'now').saltPassage).toBe('steady');
    const slowShare = (document: typeof held) => {
      const outcome = diagnose(examinationOfVisit(document, 'now')!);
      if (!outcome.ok) throw new Error(outcome.failure.code);
      const of = (fault: string) =>
        outcome.value.causes.find((one) => one.fault === fault)?.probability ?? 0;
      return (of('membrane-old') + of('membrane-oxidised')) / (of('membrane-bypass') + 1e-9);
    };
    // The same readings on the day; only the years differ.
    expect(slowShare(drifted)).toBeGreaterThan(2 * slowShare(held));
  });

  test('is no question before both waters were read, or where the visit is not there', () => {
    const document = complained(0, 1);
    expect(examinationOfVisit(document, 'elsewhere')).toBeUndefined();
    document.service!.visits!.now!.readings = {};
    expect(examinationOfVisit(document, 'now')).toBeUndefined();
  });
});

import { isPurposeIon, type Purpose, purposeTable, purposes } from '@katharos/core';
import { purposeNames } from './certify.ts';
import type { Reader } from './reader.ts';

/** A small concentration in the unit that people say it in: µg/L below a tenth of a milligram. */
export const traceOf = (mgL: number, reader: Reader): string =>
  mgL < 0.1
    ? `${reader.plainNumber(Number((mgL * 1000).toPrecision(2)))} µg/L`
    : `${reader.plainNumber(Number(mgL.toPrecision(3)))} mg/L`;

/** What takes it out, and what to know of it, beside what the table says in figures. */
const takenOutBy: Record<Purpose, string> = {
  taste: 'Carbon alone does this. It needs no membrane.',
  hardness: 'A membrane at the sink, or a softener for the whole house.',
  nitrate: 'A membrane. The limit is as nitrate; as nitrogen it is 10 mg/L.',
  arsenic:
    'A membrane, for As(V). As(III), common in wells, passes unless it is oxidised first: ask the laboratory for both.',
  lead: 'A membrane. Sample the first draw of the morning as well: lead comes from the pipes of the house.',
  fluoride: 'A membrane.',
  pfas: 'A membrane, then carbon.',
  boron: 'A membrane hardly holds boron back. Say so before it is sold.',
  germs: 'A lamp in clear water. A membrane is no barrier to vouch for.',
  machine: 'What its maker asks of the water comes first.',
};

const testWords = {
  ion: 'Test the drinking water in a laboratory.',
  germs: 'Test for germs in a laboratory.',
  none: '',
};

/** What a purpose takes: limit, what removes it and how well, and the test to order. */
export function purposeNote(purpose: Purpose, reader: Reader): string {
  const { limitMgL, rejection, test } = purposeTable[purpose];
  return [
    takenOutBy[purpose],
    ...(rejection && isPurposeIon(purpose)
      ? [
          `Usual rejection ${reader.number(rejection.least * 100, 0)} to ${reader.percent(rejection.most, 0)}.`,
        ]
      : []),
    ...(limitMgL === null
      ? []
      : [`Usual limit ${traceOf(limitMgL, reader)}; local law comes first.`]),
    ...(testWords[test] ? [testWords[test]] : []),
  ].join(' ');
}

/** What a system is bought for, as a household says it. */
export const purposeList = (chosen: readonly Purpose[], reader: Reader): string =>
  reader.list(
    purposes.filter((one) => chosen.includes(one)).map((one) => reader.within(purposeNames[one])),
  );

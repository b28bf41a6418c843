import { type Ion, solidsPerConductivity } from '@katharos/core';
import {
  analyteLabel,
  type ReportFindings,
  type ReportRow,
  type ReportTrouble,
} from '@katharos/job';
import type { Reader } from './reader.ts';

const troubles: Record<ReportTrouble, (row: ReportRow, reader: Reader) => string> = {
  'no-name': () => 'The line does not say what was measured.',
  'not-used': ({ name }) =>
    `“${name}” is kept with the report; nothing in the sizing depends on it. Choose what it is if it goes by another name.`,
  'no-number': ({ given }) => (given ? `“${given}” is not a number.` : 'There is no figure.'),
  'unknown-unit': ({ unit, analyte }, reader) =>
    `“${unit}” is not a unit of ${analyte ? reader.within(analyteLabel(analyte)) : 'this'}. Choose the unit.`,
  'at-least': ({ given }) =>
    `“${given}” only says that it is more. It is not taken: enter what the laboratory measured.`,
  impossible: ({ given, unit }) =>
    `${given} ${unit} is not possible in water; check figure and unit.`,
  'listed-before': ({ analyte }) =>
    `${analyte ? analyteLabel(analyte) : 'This'} is listed twice; the first line is taken.`,
  'left-out': () => 'Left out by you.',
};

/** Why a line of a report is not taken. */
export const troubleSentence = (row: ReportRow, reader: Reader): string =>
  row.trouble ? troubles[row.trouble](row, reader) : '';

const nameList = (list: readonly Ion[], reader: Reader): string =>
  reader.list(list.map((ion) => reader.within(analyteLabel(ion))));

/** What the charge balance of a report says; nothing where it lists no ions at all. */
export function balanceSentence(
  { balance }: ReportFindings,
  reader: Reader,
): { tone: 'good' | 'warn'; text: string } | null {
  const { cationsMeqL, anionsMeqL, difference, balanced, missing } = balance;
  if (cationsMeqL === 0 && anionsMeqL === 0) return null;
  const sums = `Cations sum to ${reader.number(cationsMeqL, 2)} and anions to ${reader.number(anionsMeqL, 2)} meq/L`;
  if (missing.length > 0) {
    return {
      tone: 'warn',
      text: `${sums}; the balance cannot be judged, for the report does not list ${nameList(missing, reader)}.`,
    };
  }
  return balanced
    ? {
        tone: 'good',
        text: `${sums}: they agree within ${reader.percent(Math.abs(difference), 1)}.`,
      }
    : {
        tone: 'warn',
        text: `${sums}: ${reader.percent(Math.abs(difference), 1)} apart, where 5 % is usual. A figure or a unit is wrong, or an ion was not measured.`,
      };
}

/** Whether solids, conductivity and the sum of ions go together. */
export function solidsSentences(
  findings: ReportFindings,
  reader: Reader,
): { tone: 'good' | 'warn'; text: string }[] {
  const list: { tone: 'good' | 'warn'; text: string }[] = [];
  const { solidsPerConductivity: found, solids } = findings;
  const { min, max } = solidsPerConductivity;
  if (found) {
    const ratio = `Dissolved solids are ${reader.number(found.ratio, 2)} of the conductivity`;
    list.push(
      found.usual
        ? { tone: 'good', text: `${ratio}, as usual (${min} to ${max}).` }
        : {
            tone: 'warn',
            text: `${ratio}; between ${min} and ${max} is usual. One of the two is off, or in another unit.`,
          },
    );
  }
  if (solids) {
    const off = Math.abs(solids.summed / solids.listed - 1);
    const sums = `The ions sum to ${reader.number(solids.summed, 0)} mg/L against ${reader.number(solids.listed, 0)} listed`;
    list.push(
      off <= 0.15
        ? { tone: 'good', text: `${sums}.` }
        : { tone: 'warn', text: `${sums}, ${reader.percent(off)} apart; 15 % is usual.` },
    );
  }
  return list;
}

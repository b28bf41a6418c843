import { type Reader } from '@katharos/words';
import { type Assessment, cabinetSpaceL, type JudgedDesign, partsPrice } from '@katharos/core';

/** One design in a comparison, with who reads it. */
export interface Compared {
  judged: JudgedDesign;
  reader: Reader;
}

const inWinter = (write: (worst: Assessment, compared: Compared) => string) => (c: Compared) =>
  c.judged.worst ? write(c.judged.worst, c) : '–';

/** What a person weighs one system against another by. */
export const comparedRows: [label: string, write: (compared: Compared) => string][] = [
  ['Water in the worst case', inWinter((w, c) => c.reader.say('dailyVolume', w.productionLPerDay))],
  [
    'Product TDS today',
    (c) => (c.judged.today ? c.reader.say('tds', c.judged.today.productTdsMgL) : '–'),
  ],
  [
    'To drain for 1 of product',
    (c) =>
      c.judged.today && Number.isFinite(c.judged.today.drainLPerProductL)
        ? c.reader.number(c.judged.today.drainLPerProductL, 1)
        : '–',
  ],
  [
    'A glass in the worst case',
    inWinter((w, { reader }) => `${reader.number(w.secondsPerGlass, 0)} s`),
  ],
  [
    'Days with a long wait in the worst case',
    (c) => (c.judged.waitingDays === null ? 'not tried' : c.reader.percent(c.judged.waitingDays)),
  ],
  [
    'Power while it runs',
    (c) => (c.judged.design.pump ? `${c.judged.design.pump.powerW} W` : 'none'),
  ],
  ['Room in the cabinet', (c) => c.reader.say('volume', cabinetSpaceL(c.judged.design), 0)],
  ['Parts to buy', (c) => c.reader.money(partsPrice(c.judged.design))],
  ['Five years, with water, power and cartridges', (c) => c.reader.money(c.judged.fiveYearCost)],
];

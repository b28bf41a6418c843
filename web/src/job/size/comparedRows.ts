import { type Say, writeNumber, writePercent } from '@katharos/words';
import { type Assessment, cabinetSpaceL, type JudgedDesign, partsPrice } from '@katharos/core';

/** One design in a comparison, with the writers of its reader. */
export interface Compared {
  judged: JudgedDesign;
  money: (amount: number) => string;
  say: Say;
}

const inWinter = (write: (worst: Assessment, compared: Compared) => string) => (c: Compared) =>
  c.judged.worst ? write(c.judged.worst, c) : '–';

/** What a person weighs one system against another by. */
export const comparedRows: [label: string, write: (compared: Compared) => string][] = [
  ['Water in the worst case', inWinter((w, c) => c.say('dailyVolume', w.productionLPerDay))],
  ['Product TDS today', (c) => (c.judged.today ? c.say('tds', c.judged.today.productTdsMgL) : '–')],
  [
    'To drain for 1 of product',
    (c) =>
      c.judged.today && Number.isFinite(c.judged.today.drainLPerProductL)
        ? writeNumber(c.judged.today.drainLPerProductL, 1)
        : '–',
  ],
  ['A glass in the worst case', inWinter((w) => `${writeNumber(w.secondsPerGlass, 0)} s`)],
  [
    'Days with a long wait',
    (c) => (c.judged.waitingDays === null ? 'not tried' : writePercent(c.judged.waitingDays)),
  ],
  [
    'Power while it runs',
    (c) => (c.judged.design.pump ? `${c.judged.design.pump.powerW} W` : 'none'),
  ],
  ['Room in the cabinet', (c) => c.say('volume', cabinetSpaceL(c.judged.design), 0)],
  ['Parts to buy', (c) => c.money(partsPrice(c.judged.design))],
  ['Five years, with water, power and cartridges', (c) => c.money(c.judged.fiveYearCost)],
];

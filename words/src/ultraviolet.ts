import { type LampFault, rejectionGrades, ultravioletLimits } from '@katharos/core';
import type { UltravioletVerdict } from '@katharos/job';
import type { Reader } from './reader.ts';

/** The verdict on a lamp in a sentence or two. */
export function ultravioletSentence(
  { flowLPerH, doseMjCm2, rejectionAhead }: UltravioletVerdict,
  reader: Reader,
): string {
  const { doseMjCm2: wanted } = ultravioletLimits;
  const held = doseMjCm2 >= wanted;
  const sentences = [
    `At ${reader.say('tapFlow', flowLPerH / 60)} the lamp still gives ${reader.number(doseMjCm2, 0)} mJ/cm² at the end of its life; ${wanted} mJ/cm² are wanted.`,
    held
      ? 'That is enough while its sleeve is clean.'
      : 'Hold the flow back, or fit a larger lamp, before anybody drinks.',
  ];
  if (rejectionAhead !== null) {
    const fails = rejectionAhead < rejectionGrades.marginal;
    sentences.push(
      `The membrane ahead holds back ${reader.percent(rejectionAhead)} of the dissolved solids${fails ? ': too little, mend it before the lamp is relied on' : ''}.`,
    );
  }
  return sentences.join(' ');
}

/** What speaks against a lamp in this water. */
export const lampFaultWords: Record<LampFault, string> = {
  membrane:
    'the system there holds back less than 80 % of the dissolved solids: mend it first, or its water coats the sleeve',
  iron: 'iron over 0.05 mg/L coats the sleeve',
  manganese: 'manganese over 0.05 mg/L coats the sleeve',
  hardness: 'hardness over 17 mg/L (1 gpg) bakes on to the sleeve; soften first',
  transmittance: 'the water lets less than 90 % of the light through',
  dose: 'the dose at the tap’s flow is too low; hold the flow back or take a larger lamp',
};

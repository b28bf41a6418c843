import {
  type Certification,
  type CertifyFault,
  type CertifyRequest,
  isKnownSafe,
  type PurposeIon,
} from '@katharos/core';
import { owedBeforeDrinking, purposeNames } from './certify.ts';
import type { Reader } from './reader.ts';

/** What is told to those who drink, wherever they are told when: a card, a page, a plan, a proposal, a letter. */

type Supply = CertifyRequest['supply'];

/** What is known of a supply's germs, for a household; nothing where it is known to be safe. */
export function supplySentences(supply: Supply): string[] {
  if (isKnownSafe(supply)) return [];
  const what =
    supply.safe === false
      ? 'Your supply is not safe to drink.'
      : 'Nobody has tested your supply for germs.';
  return [
    `${what} Boil it or drink bottled water until a laboratory has found no germs in the water from the new tap.`,
  ];
}

const faultsForHousehold: Record<Exclude<CertifyFault, `ion:${PurposeIon}`>, string> = {
  leak: 'a joint leaks',
  'runs-on': 'it does not stop by itself',
  germs: 'the laboratory found germs',
  'unsafe-without-lamp': 'the supply is not safe and nothing treats it',
  dose: 'the lamp does not treat this water',
  'lamp-alarm': 'the lamp’s alarm sounds',
  'membrane-unprotected': 'nothing protects the membrane from chlorine',
  'disinfectant-passes': 'chlorine passes the carbon',
  'not-sound': 'the readings show a fault',
};

const faultForHousehold = (fault: CertifyFault, reader: Reader): string =>
  fault.startsWith('ion:')
    ? `${reader.within(purposeNames[fault.slice('ion:'.length) as PurposeIon])} is over its limit`
    : faultsForHousehold[fault as keyof typeof faultsForHousehold];

/** The faults, and what has to happen first; nothing where the water may be drunk. */
export function drinkingSentences(
  { title, owed, faults }: Certification,
  reader: Reader,
): string[] {
  if (title === 'certificate') return [];
  return [
    ...(faults.length > 0
      ? [
          `Do not drink this water: ${reader.list(faults.map((fault) => faultForHousehold(fault, reader)))}. Your installer has to put that right first.`,
        ]
      : []),
    ...(owed.length > 0
      ? [`Do not drink this water until ${reader.list(owedBeforeDrinking(owed, reader))}.`]
      : []),
  ];
}

import type { GapCode } from '@katharos/job';

/** What is open, as it stands in a list and on the paper. */
export const gapWords: Record<GapCode, string> = {
  'not-agreed': 'the customer’s agreement is not noted',
  'nothing-ticked': 'no step of the work is ticked',
  'not-flushed': 'no step of the flushing is ticked',
  'leaks-unchecked': 'leaks were not checked',
  'shutoff-untested': 'the shut-off was not tested',
  'flows-unread': 'the flows of product and drain were not read',
  'germs-untested': 'no laboratory has looked for germs',
  'tds-unread': 'feed or product TDS was not read',
  'lamp-unchecked': 'the lamp’s dose or alarm was not checked',
  'chlorine-unread': 'total chlorine after the carbon was not read',
  'ions-unread': 'a laboratory has not measured what the system was bought against',
  simulated: 'readings come from simulated meters: this is practice and vouches for nothing',
};

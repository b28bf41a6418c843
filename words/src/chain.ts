import type { ChainFault, ChainReport } from '@katharos/contract';

const faultWords: Record<ChainFault, string> = {
  'missing-before': 'one or more before it were taken out.',
  'not-joined': 'it is not sealed to the one before it.',
  seal: 'what its record says was changed after it was sealed.',
  content: 'what stands on it was changed after it was issued.',
  'content-missing': 'what stood on it is not kept any more.',
};

/** Whether a firm's certificates hold together. */
export function chainSentence({ count, faults }: ChainReport): string {
  if (count === 0) return 'No certificate was issued yet.';
  const all = count === 1 ? 'The one certificate' : `All ${count} certificates`;
  if (faults.length === 0) return `${all} ${count === 1 ? 'stands' : 'stand'} as issued.`;
  const links = new Set(faults.map(({ link }) => link)).size;
  return `${links} of ${count} certificates ${links === 1 ? 'does' : 'do'} not hold.`;
}

/** Where the chain does not hold, and how. */
export const chainFaultSentence = ({
  link,
  job,
  version,
  fault,
}: ChainReport['faults'][number]): string =>
  `Certificate ${link} of the firm (job ${job}, version ${version}): ${faultWords[fault]}`;

import type { VerifyRecord } from './verifyRecord.ts';

/** Somebody's word that it is accepted all the same; it holds for what had been read then, and not for what was read after it. */
export function acceptedRegardless({
  accepted,
  readings,
  looks = {},
}: Pick<VerifyRecord, 'accepted' | 'readings' | 'looks'>): VerifyRecord['accepted'] {
  const isNewer = (at: string | null | undefined) => Boolean(accepted && at && at > accepted.at);
  const isOver =
    Object.values(readings).some((one) => isNewer(one?.takenAt)) ||
    Object.values(looks).some((one) => isNewer(one?.at));
  return isOver ? undefined : accepted;
}

type Told = Pick<VerifyRecord, 'readings' | 'looks' | 'shutoffSimulated' | 'earlier'>;

/**
 * Whether something of a verification, or of one before it, was told by a simulated system: then it is practice, and vouches for nothing.
 */
export const isPractice = ({
  readings,
  looks = {},
  shutoffSimulated,
  earlier = {},
}: Told): boolean =>
  shutoffSimulated === true ||
  [...Object.values(readings), ...Object.values(looks)].some((one) => one?.simulated === true) ||
  Object.values(earlier).some(isPractice);

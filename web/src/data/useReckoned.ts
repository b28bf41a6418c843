import { useState } from 'react';

/** While some systems are not reckoned yet, ms. */
const againMs = 1500;

interface Options {
  pollingInterval: number;
  refetchOnMountOrArgChange: true;
}

/** Asks what the server reckons a few systems at a time, and again until all are. @param useAsked the question's own hook */
export function useReckoned<A, R extends { data?: { waiting: number } | undefined }>(
  useAsked: (args: A, options: Options) => R,
  args: A,
): R {
  const [again, setAgain] = useState(false);
  const asked = useAsked(args, {
    pollingInterval: again ? againMs : 0,
    refetchOnMountOrArgChange: true,
  });
  const isWaiting = (asked.data?.waiting ?? 0) > 0;
  if (isWaiting !== again) setAgain(isWaiting);
  return asked;
}

import { useRef } from 'react';
import { isUnanswered } from '../data/keptQuery.ts';
import { v4 as newId } from 'uuid';

interface DeedKey {
  current: () => string;
  /** Says how the server answered. @returns whether no answer came, so that nobody knows whether it was done */
  answered: (error: object | undefined) => boolean;
}

/** The key of a deed, the same until the server has answered: sent again after a lost answer, it gets the answer of the first time. */
export function useDeedKey(): DeedKey {
  const key = useRef(newId());
  return {
    current: () => key.current,
    answered: (error) => {
      const isLost = error !== undefined && isUnanswered(error);
      if (!isLost) key.current = newId();
      return isLost;
    },
  };
}

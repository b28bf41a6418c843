import { useEffect, useState } from 'react';

/** Gives the focus back to whatever had it before, when what is drawn on top of the page goes, however it goes. */
export function useFocusBack(): void {
  // As nothing in it has the focus yet.
  const [opener] = useState(() => document.activeElement);
  useEffect(
    () => () => {
      setTimeout(() => {
        const isElsewhere = document.activeElement && document.activeElement !== document.body;
        if (!isElsewhere && opener instanceof HTMLElement) opener.focus({ preventScroll: true });
      });
    },
    [opener],
  );
}

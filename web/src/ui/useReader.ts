import { type Reader, readerOf } from '@katharos/words';
import { useSession } from '../data/session.ts';
import { useAppSelector } from '../data/store.ts';

/** The writer for whoever looks at this page: their units, else the firm's, and the firm's currency. */
export function useReader(): Reader {
  const own = useAppSelector((state) => state.reader.units);
  const settings = useSession()?.firm.settings;
  return readerOf({
    ...(own ? { units: own } : settings && { units: settings.units }),
    ...(settings && { currency: settings.currency }),
  });
}

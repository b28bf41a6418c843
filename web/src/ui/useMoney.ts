import { useMemo } from 'react';
import { useSession } from '../data/session.ts';

/** A writer of amounts in the firm's currency. */
export function useMoney(decimals = 0): (amount: number) => string {
  const session = useSession();
  const currency = session?.firm.settings.currency ?? 'EUR';
  return useMemo(() => {
    const format = new Intl.NumberFormat('en-GB', {
      style: 'currency',
      currency,
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
    });
    return (amount) => (Number.isFinite(amount) ? format.format(amount) : '–');
  }, [currency, decimals]);
}

/** Where a system stands, as far as an address tells. */
export interface Stop {
  address: string;
}

/** What an address ends with: a district, a village, a town. Empty where there is none. */
export const districtOf = (address: string): string =>
  (address.split(/[,\n]/).at(-1) ?? '').replace(/\b\d[\w-]*\b/g, '').trim();

const compare = (reader: string) =>
  new Intl.Collator(reader, { numeric: true, sensitivity: 'base' }).compare;

/**
 * Stops in an order in which they can be driven: districts as the firm drives them, others after them by name, and within a district by
 * street and number. It knows no roads; whoever drives knows better.
 */
export function drivingOrder<S extends Stop>(
  stops: readonly S[],
  districts: readonly string[],
  locale: string,
): S[] {
  const order = compare(locale);
  const names = districts.map((name) => name.trim()).filter(Boolean);
  const place = (district: string): number => {
    const at = names.findIndex((name) => order(name, district) === 0);
    return at < 0 ? names.length : at;
  };
  return stops
    .map((stop) => ({ stop, district: districtOf(stop.address), street: streetOf(stop.address) }))
    .sort(
      (a, b) =>
        place(a.district) - place(b.district) ||
        order(a.district, b.district) ||
        order(a.street.name, b.street.name) ||
        order(a.street.number, b.street.number),
    )
    .map(({ stop }) => stop);
}

/** The street and the number in it, wherever the number stands. */
function streetOf(address: string): { name: string; number: string } {
  const first = address.split(/[,\n]/)[0] ?? '';
  const number = /\d+\s*\w?\b/.exec(first)?.[0] ?? '';
  return { name: first.replace(number, '').trim(), number };
}

import { canBeDisinfected } from '../../commission/washout/disinfection.ts';
import type { SystemDesign } from '../../system/design.ts';

/** What of a system is serviced in the years: cartridges by their place, and works that come round. */
export const servicedKinds = [
  'sediment',
  'carbon',
  'membrane',
  'post-filter',
  'mineral',
  'lamp',
  'regulator',
  'leak-stop',
  'tank-air',
  'sanitising',
  'germ-test',
] as const;
export type ServicedKind = (typeof servicedKinds)[number];

/** One of them on a system; pre-filters by their place in the row. */
export interface Serviced {
  id: string;
  kind: ServicedKind;
  /** Name and price of one, and how many; works have none. */
  part: { name: string; price: number; count: number } | null;
}

/** What of the house belongs to a system's service. */
export interface ServicedSite {
  /** No authority tests the water. */
  ownSource: boolean;
  regulator: boolean;
  leakStop: boolean;
}

/** All that is serviced on a system, in the order of the water. */
export function servicedOf(
  design: SystemDesign,
  { ownSource, regulator, leakStop }: ServicedSite,
): Serviced[] {
  const { prefilters, membrane, elements, postFilter, mineral, lamp, tank } = design;
  const one = (kind: ServicedKind, part: { name: string; price: number } | null, count = 1) =>
    part
      ? [{ id: kind, kind, part: { name: part.name, price: part.price, count } } satisfies Serviced]
      : [];
  const work = (kind: ServicedKind, isThere: boolean): Serviced[] =>
    isThere ? [{ id: kind, kind, part: null }] : [];
  return [
    ...work('regulator', regulator),
    ...work('leak-stop', leakStop),
    ...prefilters.map((part, i): Serviced => ({
      id: `prefilter-${i + 1}`,
      kind: part.media === 'sediment' ? 'sediment' : 'carbon',
      part: { name: part.name, price: part.price, count: 1 },
    })),
    ...one('membrane', membrane, elements),
    ...one('post-filter', postFilter),
    ...one('mineral', mineral?.part ?? null),
    // The lamp itself is about a third of its reactor.
    ...one('lamp', lamp && { name: lamp.name, price: lamp.price / 3 }),
    ...work('tank-air', tank !== null && tank.internal !== true),
    // A sealed unit is only done as its maker says, and never due for it.
    ...work('sanitising', canBeDisinfected(design)),
    ...work('germ-test', ownSource || lamp !== null),
  ];
}

import type { JobDocument } from '@katharos/job';
import { proposeFor } from './proposeFor.ts';
import { rules } from './rules.ts';

/** How the proposals for some houses came out. */
export interface Tally {
  proposed: number;
  /** Houses as they are that nothing of the catalogue fits, each with its way out. */
  misfits: number;
  /** Houses with an absurd proposal by its kind. */
  absurd: Record<string, string[]>;
}

/** Composes the proposal for each house and holds it to every rule. */
export function tally(houses: readonly JobDocument[]): Tally {
  const absurd: Record<string, string[]> = Object.fromEntries(rules.map(({ kind }) => [kind, []]));
  let misfits = 0;
  for (const document of houses) {
    const house = proposeFor(document);
    if (house.misfit) misfits += 1;
    for (const { kind, isAbsurd } of rules)
      if (isAbsurd(house)) absurd[kind]!.push(document.customer.name);
  }
  return { proposed: houses.length, misfits, absurd };
}

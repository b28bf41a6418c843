import type { Part } from '@katharos/core';
import { type FirmSettings, type JobDocument, plumbedJobOf } from '@katharos/job';

/** What is the same for all jobs that are loaded for. */
export interface LoadHeld {
  catalogue: readonly Part[];
  settings: FirmSettings;
}

/** Reckons it beside the server's own thread. */
export interface LoadMill {
  load: (
    documents: readonly JobDocument[],
    held: LoadHeld,
    person: string,
  ) => Promise<(LoadLine[] | null)[]>;
}

export interface LoadLine {
  /** Null where the catalogue holds no such part. */
  partId: string | null;
  name: string;
  /** Pieces, or metres of tube. */
  quantity: number;
}

/** What a job wants loaded, without what comes in its kit; null where it is not that far. */
export function loadOf(
  document: JobDocument,
  { catalogue, settings }: LoadHeld,
): LoadLine[] | null {
  const plumbed = plumbedJobOf(document, catalogue, settings);
  if (!plumbed) return null;
  const known = new Set(catalogue.map(({ id }) => id));
  return plumbed.plumbing.parts.flatMap(({ id, name, quantity, inKit }) =>
    quantity > inKit
      ? [{ partId: known.has(id) ? id : null, name, quantity: quantity - inKit }]
      : [],
  );
}

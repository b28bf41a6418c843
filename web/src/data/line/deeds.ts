import type { PaperKind } from '@katharos/contract';
import type { UnitSystem, VanLine } from '@katharos/core';
import type { Calibration, Instrument, Patch, PhotographSubject } from '@katharos/job';

/** Something that a person did, kept in this browser until the server has it. */
export type Deed = {
  /** Its own id, under which the server does it once. */
  id: string;
  /** Whose turn it waits for: deeds of one job go one after the other, a refused one holds up no other job. */
  lane: Lane;
  /** When it was done, ISO 8601. */
  at: string;
  /** Who did it: nobody else's session may send it. */
  userId: string;
  /** Form that it is kept in; newer code reads older forms. */
  form: 1;
} & DeedKind;

/** A job by its id, the van, or the instruments. */
export type Lane = string;
export const vanLane: Lane = 'van';
export const instrumentsLane: Lane = 'instruments';

export type DeedKind =
  | { kind: 'document'; patches: Patch[] }
  | {
      kind: 'photograph';
      photographId: string;
      about: PhotographSubject;
      step: string | null;
      file: Blob;
    }
  | {
      kind: 'photograph-change';
      photographId: string;
      change: { about?: PhotographSubject; caption?: string };
    }
  | { kind: 'photograph-remove' | 'photograph-restore'; photographId: string }
  | { kind: 'take'; lines: VanLine[] }
  | { kind: 'put-back' }
  | {
      kind: 'paper';
      paper: PaperKind;
      units: UnitSystem;
      timeZone: string;
      reason: string;
      regardless: boolean;
      /** Of which visit a service report is. */
      visit?: string;
    }
  | {
      kind: 'stock';
      partId: string;
      quantity: number;
      /** The van of whoever counted, where none is named. */
      placeId?: string;
    }
  | { kind: 'instrument'; instrument: Instrument }
  | { kind: 'calibration'; instrumentId: string; calibration: Calibration };

/** As it lies in the store, in the order in which it was done. */
export type KeptDeed = Deed & { seq: number };

export type DocumentDeed = Extract<KeptDeed, { kind: 'document' }>;
export const isDocumentDeed = (deed: KeptDeed): deed is DocumentDeed => deed.kind === 'document';

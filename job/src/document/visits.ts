import {
  notedFields,
  type NotedKey,
  type QuantityField,
  verifyFields,
  type VerifyKey,
} from '../fields/fields.ts';

/** The years after the hand-over: visits to an installed system, each with what was read, done and put in. */

export const visitKinds = ['change-out', 'reading', 'complaint', 'repair', 'sanitising'] as const;
export type VisitKind = (typeof visitKinds)[number];

/** What a visit can read. */
export const visitFields: Record<VerifyKey | NotedKey, QuantityField> = {
  ...verifyFields,
  ...notedFields,
};

/** What is seen at a visit and says that something is spent. */
export const visitSigns = ['sediment-brown', 'pad-wet', 'pressure-unheld'] as const;
export type VisitSign = (typeof visitSigns)[number];

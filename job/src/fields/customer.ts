import { z } from 'zod';
import { fault } from './schemaFault.ts';
import { text, wantedText } from './text.ts';

/** Whose job it is, and where. */
export const customerSchema = z.strictObject({
  name: wantedText(120, fault('customer-missing')),
  address: text(300),
  phone: text(60),
  note: text(2000),
});

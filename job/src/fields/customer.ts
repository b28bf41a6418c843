import { z } from 'zod';
import { fault } from './schemaFault.ts';
import { text, wantedText } from './text.ts';

const isMailAddress = (email: string): boolean =>
  email === '' || z.email().safeParse(email).success;

/** Whose job it is, and where. */
export const customerSchema = z.strictObject({
  name: wantedText(120, fault('customer-missing')),
  address: text(300),
  phone: text(60),
  /** Where letters go, where there is one. */
  email: text(200).refine(isMailAddress, fault('email-form')).optional(),
  note: text(2000),
});

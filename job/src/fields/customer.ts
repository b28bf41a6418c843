import { z } from 'zod';

const text = (most: number) => z.string().trim().max(most);

/** Whose job it is, and where. */
export const customerSchema = z.strictObject({
  name: text(120).min(1, 'A job needs the name of a customer or a place.'),
  address: text(300),
  phone: text(60),
  note: text(2000),
});

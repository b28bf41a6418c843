import type { QueryInterface } from 'sequelize';
import { addMissingFittings } from './addMissingFittings.ts';

/** Unions, for a lamp in a product line that is there. */
export const up = (query: QueryInterface): Promise<void> => addMissingFittings(query);

/** What a firm's catalogue holds is its own by now. */
export const down = (): Promise<void> => Promise.resolve();

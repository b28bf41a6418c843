import type { QueryInterface } from 'sequelize';
import { addMissingParts } from './addMissingParts.ts';

/** Unions, for a lamp in a product line that is there. */
export const up = (query: QueryInterface): Promise<void> => addMissingParts(query, 'fitting');

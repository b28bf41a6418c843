import type { PartsLine } from '@katharos/core';
import Papa from 'papaparse';

/** The parts list as CSV. */
export const partsCsv = (lines: readonly PartsLine[]): string =>
  Papa.unparse({
    fields: ['id', 'name', 'quantity', 'unit', 'price'],
    data: lines.map(({ id, name, quantity, unit, price }) => [
      id,
      name,
      quantity,
      unit,
      price === null ? '' : price.toFixed(2),
    ]),
  });

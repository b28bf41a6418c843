/** Tube that is used under a sink, by its outside diameter. */
export const tubeSizes = ['1/4"', '3/8"'] as const;
export type TubeSize = (typeof tubeSizes)[number];

/** Usual bore by tube size, mm. */
export const boreMm: Record<TubeSize, number> = { '1/4"': 4.3, '3/8"': 6.35 };

/** Outside diameters by size, mm. */
export const outsideMm: Record<TubeSize, number> = { '1/4"': 6.35, '3/8"': 9.53 };

/** The tube size with this bore, mm; the product line of a design is given by its bore. */
export const sizeOfBore = (bore: number): TubeSize => (bore > 5 ? '3/8"' : '1/4"');

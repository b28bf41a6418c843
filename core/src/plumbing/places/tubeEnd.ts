/** How a tube ends. 'threaded' is a push-fit valve on a taped thread, as on a tank's nipple; 'open' ends over an air break. */
export const tubeEnds = ['push-fit', 'compression', 'threaded', 'barb', 'saddle', 'open'] as const;
export type TubeEnd = (typeof tubeEnds)[number];

/** Looks for leaks, by what the joints are under: just filled, under pressure, with the tank full. */
export const leakLooks = ['filled', 'pressure', 'tankFull'] as const;
export type LeakLooked = (typeof leakLooks)[number];

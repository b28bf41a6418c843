/** Where the concentrate goes. */
export const drainWays = ['saddle', 'air-gap-tap', 'standpipe'] as const;
export type DrainWay = (typeof drainWays)[number];

/** Tube under a sink or to a remote unit. */
export const routeRangeM = { min: 0.02, max: 60 };

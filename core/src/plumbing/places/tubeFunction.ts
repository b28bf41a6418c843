/** What a tube carries, from the street to the glass and the waste. */
export const tubeFunctions = ['feed', 'unit', 'tank', 'product', 'drain'] as const;
export type TubeFunction = (typeof tubeFunctions)[number];

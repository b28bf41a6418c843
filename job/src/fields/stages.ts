/** The stages of a job, in the order people work. */
export const stages = ['survey', 'size', 'plumb', 'flush', 'verify', 'keep'] as const;
export type Stage = (typeof stages)[number];

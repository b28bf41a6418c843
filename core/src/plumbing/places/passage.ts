/** What lines of a remote unit pass. */
export const passages = ['floor', 'wall'] as const;
export type Passage = (typeof passages)[number];

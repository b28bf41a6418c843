/** What a photograph shows. */
export const photographSubjects = [
  'readings',
  'cabinet',
  'supply',
  'drain',
  'counter',
  'work',
  'complaint',
  'other',
] as const;
export type PhotographSubject = (typeof photographSubjects)[number];

/** The most that one job keeps, and the largest file that is taken, bytes. What is kept is made smaller. */
export const photographLimits = { perJob: 60, fileBytes: 15_000_000 } as const;

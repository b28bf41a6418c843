/** Where a job lies: among those in work, put away, or deleted and not yet gone. */
export const shelves = ['open', 'archived', 'removed'] as const;
export type Shelf = (typeof shelves)[number];

/** Days that a deleted job can be brought back. */
export const removedJobDays = 30;

/** Packages that others import, from the inside out. */
export const workspaces = ['core', 'job', 'words', 'papers', 'contract'] as const;

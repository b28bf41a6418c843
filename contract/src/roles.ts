/** What somebody is in a firm. */
export const roles = ['owner', 'office', 'installer', 'helper'] as const;
export type Role = (typeof roles)[number];

/** What not everybody may. Reading, and recording on a job, everybody may. */
export const rights = [
  'people',
  'settings',
  'catalogue',
  'issue',
  'approve',
  'write',
  'shelve',
] as const;
export type Right = (typeof rights)[number];

const all: readonly Right[] = rights;

/** Who may what: a helper records and decides nothing; what belongs to the firm as such is its owner's. */
export const rightsOf: Readonly<Record<Role, readonly Right[]>> = {
  owner: all,
  office: ['settings', 'catalogue', 'issue', 'approve', 'write', 'shelve'],
  installer: ['issue', 'approve', 'write', 'shelve'],
  helper: [],
};

export const may = (role: Role, right: Right): boolean => rightsOf[role].includes(right);

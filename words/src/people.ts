import type { Role } from '@katharos/contract';

/** What somebody is in a firm. */
export const roleNames: Record<Role, string> = {
  owner: 'Owner',
  office: 'Office',
  installer: 'Installer',
  helper: 'Helper',
};

/** What each may. */
export const roleExplanations: Record<Role, string> = {
  owner: 'May everything, and sees to people.',
  office: 'Agrees, issues papers, writes letters, and sets how the firm works.',
  installer: 'Agrees, issues papers and writes letters.',
  helper: 'Reads and records on every job; agrees to nothing and issues nothing.',
};

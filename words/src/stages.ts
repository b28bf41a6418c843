import type { Stage } from '@katharos/job';

/** The six stages as people call them. */
export const stageNames: Record<Stage, string> = {
  survey: 'Survey',
  size: 'Size',
  plumb: 'Plumb',
  flush: 'Flush',
  verify: 'Verify',
  keep: 'Keep',
};

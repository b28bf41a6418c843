import type { Stage } from '@katharos/job';
import type { ComponentType } from 'react';

/** Each stage's code is loaded when it is first wanted. */
export const stageModules: Record<Stage, () => Promise<ComponentType>> = {
  survey: async () => (await import('../survey/SurveyStage.tsx')).SurveyStage,
  size: async () => (await import('../size/SizeStage.tsx')).SizeStage,
  plumb: async () => (await import('../plumb/PlumbStage.tsx')).PlumbStage,
  flush: async () => (await import('../flush/FlushStage.tsx')).FlushStage,
  verify: async () => (await import('../verify/VerifyStage.tsx')).VerifyStage,
  keep: async () => (await import('../keep/KeepStage.tsx')).KeepStage,
};

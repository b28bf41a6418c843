import { type Stage, stages } from '@katharos/job';
import type { Params } from 'react-router';
import { openingApi } from '../../data/openingApi.ts';
import { store } from '../../data/store.ts';
import { stageModules } from './stageModules.ts';

export const isStage = (text: string | undefined): text is Stage => stages.includes(text as Stage);

/** Asks for all that a job's page will want at once, rather than one after the other as it is drawn. */
export function askAhead({ id = '', stage }: Params): void {
  // A stage that cannot be fetched is told where it is drawn.
  if (isStage(stage)) void stageModules[stage]().catch(() => undefined);
  if (store.getState().reader.waterlineOpen) {
    void import('../waterline/OpenLine.tsx').catch(() => undefined);
  }
  void store.dispatch(openingApi.endpoints.job.initiate(id, { subscribe: false }));
  void store.dispatch(openingApi.endpoints.catalogue.initiate(undefined, { subscribe: false }));
}

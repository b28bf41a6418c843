import { stages } from '@katharos/job';
import type { LoaderFunctionArgs } from 'react-router';
import { jobApi } from '../../data/jobApi.ts';
import { store } from '../../data/store.ts';
import { stageModules } from './stageModules.ts';

/** A job's page as the router loads it. */
export { JobPage as Component } from './JobPage.tsx';

/** Asks for all that the page will want at once, rather than one after the other as it is drawn. */
export function loader({ params: { id = '', stage } }: LoaderFunctionArgs): null {
  const wanted = stages.find((name) => name === stage);
  // A stage that cannot be fetched is told where it is drawn.
  if (wanted) void stageModules[wanted]().catch(() => undefined);
  if (store.getState().job?.id === id) return null;
  void store.dispatch(jobApi.endpoints.job.initiate(id, { subscribe: false, forceRefetch: true }));
  void store.dispatch(jobApi.endpoints.catalogue.initiate(undefined, { subscribe: false }));
  return null;
}

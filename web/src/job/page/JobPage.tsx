import { type Stage, stages } from '@katharos/job';
import { useJobQuery } from '../../data/openingApi.ts';
import { troubleOf } from '../../data/api.ts';
import { MissingPage } from '../../ui/FailurePages.tsx';
import {
  addMiddleware,
  rootReducer,
  store,
  useAppDispatch,
  useAppSelector,
} from '../../data/store.ts';
import { LoadTrouble } from '../../ui/LoadTrouble.tsx';
import { SizingProvider } from './SizingProvider.tsx';
import {
  followOpenJob,
  leaveJob,
  openJob,
  openJobMiddleware,
  openKeptJob,
} from '../../data/openJob.ts';
import { takeIn } from '../../data/line/sender.ts';
import { askAhead, isStage } from './askAhead.ts';
import { StageToCome, StageView } from './StageView.tsx';
import { JobBand } from './JobBand.tsx';
import { jobReducer, redone, undone } from '../../data/jobSlice.ts';
import { SaveNotice } from './SaveNotice.tsx';
import { useOpenJob } from '../open/useJob.ts';
import { Loader, Stack } from '@mantine/core';
import { useShortcuts, type Shortcut } from '../../ui/useShortcuts.ts';
import { TypedScope } from '../../ui/typed/halfTyped.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';
import { Soon } from '../../ui/Soon.tsx';
import { stageNames } from '@katharos/words';
import { useEffect, useState } from 'react';
import { Navigate, useNavigate, useParams } from 'react-router';

// What is done to an open job is kept by whoever opens one.
rootReducer.inject({ reducerPath: 'job', reducer: jobReducer });
addMiddleware(openJobMiddleware.middleware);

/** What was asked for while the page was on its way is new enough, s. */
const newEnoughS = 5;

/** One job: its header, its waterline and the stage that is worked in. */
export function JobPage() {
  const { id = '', stage } = useParams();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { data, error, refetch } = useJobQuery(id, {
    refetchOnMountOrArgChange: newEnoughS,
  });
  const isOpen = useAppSelector((state) => state.job?.id === id);
  const [isNowhere, setNowhere] = useState(false);

  useEffect(() => askAhead({ id, stage }), [id, stage]);
  // The cache may open a job before the server has answered; what it then says goes in under what is done here.
  useEffect(() => {
    if (data?.id !== id) return;
    if (isOpen) void takeIn(data).catch(() => undefined);
    else void dispatch(openJob(data));
  }, [data, id, isOpen, dispatch]);
  useEffect(() => {
    if (error && !isOpen) void dispatch(openKeptJob(id)).then((found) => setNowhere(!found));
  }, [error, id, isOpen, dispatch]);
  useEffect(() => followOpenJob(dispatch, () => store.getState()), [dispatch]);
  useEffect(() => () => void dispatch(leaveJob()), [dispatch, id]);
  useShortcuts([
    ['mod+z', () => dispatch(undone())],
    ['mod+shift+z', () => dispatch(redone())],
    ...stages.map((name, i): Shortcut => [
      String(i + 1),
      () => void navigate(`/jobs/${id}/${name}`),
    ]),
  ]);

  if (error && !isOpen && isNowhere) {
    const trouble = troubleOf(error);
    if (trouble.code === 'not-found') return <MissingPage />;
    return <LoadTrouble message={trouble.message} onRetry={refetch} />;
  }
  if (!isStage(stage)) return <Navigate to={`/jobs/${id}/survey`} replace />;
  if (!isOpen) return <Loader aria-label="Opening the job" />;
  return (
    <SizingProvider>
      <TypedScope value={id}>
        <Stack gap="sm">
          <JobTitle stage={stage} />
          <JobBand stage={stage} />
          <SaveNotice />
          <Soon fallback={<StageToCome />}>
            <StageView key={stage} stage={stage} />
          </Soon>
        </Stack>
      </TypedScope>
    </SizingProvider>
  );
}

function JobTitle({ stage }: { stage: Stage }) {
  const name = useOpenJob(({ document }) => document.customer.name);
  return <PageTitle>{`${stageNames[stage]}, ${name}`}</PageTitle>;
}

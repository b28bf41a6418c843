import { type Stage, stages } from '@katharos/job';
import { useJobQuery } from '../../data/jobApi.ts';
import { troubleOf } from '../../data/api.ts';
import { MissingPage } from '../../ui/FailurePages.tsx';
import { addMiddleware, useAppDispatch, useAppSelector } from '../../data/store.ts';
import { LoadTrouble } from '../../ui/LoadTrouble.tsx';
import { SizingProvider } from './SizingProvider.tsx';
import { autosave, leaveJob, openJob } from '../../data/autosave.ts';
import { StageView } from './StageView.tsx';
import { JobBand } from './JobBand.tsx';
import { redone, undone } from '../../data/jobSlice.ts';
import { SaveNotice } from './SaveNotice.tsx';
import { useOpenJob } from '../open/useJob.ts';
import { Loader, Stack } from '@mantine/core';
import { useShortcuts, type Shortcut } from '../../ui/useShortcuts.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';
import { stageNames } from '@katharos/words';
import { useEffect } from 'react';
import { Navigate, useNavigate, useParams } from 'react-router';

// An open job is saved by whoever opens one.
addMiddleware(autosave.middleware);

const isStage = (text: string | undefined): text is Stage => stages.includes(text as Stage);

/** One job: its header, its waterline and the stage that is worked in. */
export function JobPage() {
  const { id = '', stage } = useParams();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { data, error, refetch } = useJobQuery(id);
  const isOpen = useAppSelector((state) => state.job?.id === id);
  const version = useAppSelector((state) => state.job?.version);
  const isUntouched = useAppSelector((state) => state.job?.save.kind === 'saved');

  // The cache may open a job before the server has answered; what it then says is newer goes in, unless something is edited already.
  const isOutdated = isOpen && data?.id === id && version !== undefined && data.version > version;
  useEffect(() => {
    if (data?.id === id && (!isOpen || (isOutdated && isUntouched))) dispatch(openJob(data));
  }, [data, id, isOpen, isOutdated, isUntouched, dispatch]);
  useEffect(() => () => void dispatch(leaveJob()), [dispatch, id]);
  useShortcuts([
    ['mod+z', () => dispatch(undone())],
    ['mod+shift+z', () => dispatch(redone())],
    ...stages.map((name, i): Shortcut => [
      String(i + 1),
      () => void navigate(`/jobs/${id}/${name}`),
    ]),
  ]);

  if (error && !isOpen) {
    const trouble = troubleOf(error);
    if (trouble.code === 'not-found') return <MissingPage />;
    return <LoadTrouble message={trouble.message} onRetry={refetch} />;
  }
  if (!isStage(stage)) return <Navigate to={`/jobs/${id}/survey`} replace />;
  if (!isOpen) return <Loader aria-label="Opening the job" />;
  return (
    <SizingProvider>
      <Stack gap="sm">
        <JobTitle stage={stage} />
        <JobBand stage={stage} />
        <SaveNotice />
        <StageView key={stage} stage={stage} />
      </Stack>
    </SizingProvider>
  );
}

function JobTitle({ stage }: { stage: Stage }) {
  const name = useOpenJob(({ document }) => document.customer.name);
  return <PageTitle>{`${stageNames[stage]}, ${name}`}</PageTitle>;
}

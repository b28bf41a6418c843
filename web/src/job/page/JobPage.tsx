import { type Stage, stages } from '@katharos/job';
import { useJobQuery } from '../../data/jobApi.ts';
import { troubleOf } from '../../data/api.ts';
import { MissingPage } from '../../ui/FailurePages.tsx';
import { addMiddleware, useAppDispatch, useAppSelector } from '../../data/store.ts';
import { FlushStage } from '../flush/FlushStage.tsx';
import { KeepStage } from '../keep/KeepStage.tsx';
import { PlumbStage } from '../plumb/PlumbStage.tsx';
import { LoadTrouble } from '../../ui/LoadTrouble.tsx';
import { SizeStage } from '../size/SizeStage.tsx';
import { SizingProvider } from './SizingProvider.tsx';
import { SurveyStage } from '../survey/SurveyStage.tsx';
import { VerifyStage } from '../verify/VerifyStage.tsx';
import { autosave, leaveJob, openJob } from '../../data/autosave.ts';
import { JobBand } from './JobBand.tsx';
import { redone, undone } from '../../data/jobSlice.ts';
import { SaveNotice } from './SaveNotice.tsx';
import { JobContext } from '../open/useJob.ts';
import { Loader, Stack } from '@mantine/core';
import { useShortcuts, type Shortcut } from '../../ui/useShortcuts.ts';
import { PageTitle } from '../../ui/PageTitle.tsx';
import { stageNames } from '@katharos/words';
import { type ComponentType, useEffect } from 'react';
import { Navigate, useNavigate, useParams } from 'react-router';

// An open job is saved by whoever opens one.
addMiddleware(autosave.middleware);

const stageViews: Record<Stage, ComponentType> = {
  survey: SurveyStage,
  size: SizeStage,
  plumb: PlumbStage,
  flush: FlushStage,
  verify: VerifyStage,
  keep: KeepStage,
};

const isStage = (text: string | undefined): text is Stage => stages.includes(text as Stage);

/** One job: its header, its waterline and the stage that is worked in. */
export function JobPage() {
  const { id = '', stage } = useParams();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { data, error, refetch } = useJobQuery(id, { refetchOnMountOrArgChange: true });
  const job = useAppSelector((state) => state.job);
  const isOpen = job?.id === id;

  // The cache may open a job before the server has answered; what it then says is newer goes in, unless something is edited already.
  const isOutdated = isOpen && data?.id === id && data.version > job.version;
  const isUntouched = isOpen && job.save.kind === 'saved';
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
  const View = stageViews[stage];
  return (
    <JobContext value={job}>
      <SizingProvider>
        <Stack gap="sm">
          <PageTitle>{`${stageNames[stage]}, ${job.document.customer.name}`}</PageTitle>
          <JobBand stage={stage} />
          <SaveNotice />
          <View key={stage} />
        </Stack>
      </SizingProvider>
    </JobContext>
  );
}

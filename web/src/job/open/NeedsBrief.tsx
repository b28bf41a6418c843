import { failureSentence } from '@katharos/words';
import { Skeleton } from '@mantine/core';
import { Link } from 'react-router';
import { Tone } from '../../ui/Tone.tsx';
import { useSizing } from './sizingContext.ts';
import { useJobId } from './useJob.ts';

/** Stands in for a stage that reckons with the survey: room for it while the catalogue comes, a sentence where the readings contradict. */
export function NeedsBrief() {
  const jobId = useJobId();
  const { brief } = useSizing();
  if (!brief || brief.ok) return <Skeleton height="70vh" radius="lg" aria-label="Opening" />;
  return (
    <Tone kind="bad" head="These readings contradict each other" role="alert">
      {failureSentence(brief.failure)}{' '}
      <Link to={`/jobs/${jobId}/survey`}>Correct them in the survey.</Link>
    </Tone>
  );
}

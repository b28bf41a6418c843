import type { FirmSettings } from '@katharos/job';
import type { Job, Session } from '@katharos/contract';
import { useReader } from '../ui/useReader.ts';
import { useLine } from '../data/line/useLine.ts';
import { timeZone } from './useIssue.ts';
import { usePresentJob } from './usePresentJob.ts';
import { troubleOf, useSessionQuery } from '../data/api.ts';
import { MissingPage } from '../ui/FailurePages.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Button, Container, Group, Loader } from '@mantine/core';
import type { ReactNode } from 'react';
import { Link, Navigate, useLocation, useParams } from 'react-router';

interface Props {
  /** What paper it is. */
  name: string;
  /** Stage to go back to. */
  back: string;
  /** Address of the same paper as a PDF, under the job. */
  pdf?: string;
  /** Called when it is printed or taken as a PDF. */
  onOutput?: () => void;
  children: (job: Job, firm: Session['firm']) => ReactNode;
}

/** A paper of a job alone on the page, for reading and printing, in the reader's units. */
export function PaperPage({ name, back, pdf, onOutput, children }: Props) {
  const { id = '' } = useParams();
  const { pathname } = useLocation();
  const session = useSessionQuery();
  const { job, isMissing } = usePresentJob(id);
  const { units } = useReader();
  useLine(session.data?.user.id);
  if (session.error && troubleOf(session.error).code === 'not-signed-in') {
    return <Navigate to={`/sign-in?to=${encodeURIComponent(pathname)}`} replace />;
  }
  if (isMissing) return <MissingPage />;
  if (!job || !session.data) return <Loader aria-label="Opening" m="xl" />;
  const { firm } = session.data;
  return (
    <main>
      <PageTitle>{`${name}, ${job.document.customer.name}`}</PageTitle>
      <style>{pageRule(firm.settings.paper)}</style>
      <Container size={880} py="lg">
        <Group className="no-print" mb="md" justify="space-between">
          <Button variant="default" size="md" component={Link} to={`/jobs/${id}/${back}`}>
            Back to the job
          </Button>
          <Group>
            {pdf && (
              <Button
                variant="default"
                size="md"
                component="a"
                href={`/api/jobs/${id}/${pdf}?units=${units}&timeZone=${encodeURIComponent(timeZone())}`}
                onClick={onOutput}
              >
                PDF
              </Button>
            )}
            <Button
              size="md"
              onClick={() => {
                onOutput?.();
                window.print();
              }}
            >
              Print
            </Button>
          </Group>
        </Group>
        {children(job, { ...firm, settings: { ...firm.settings, units } })}
      </Container>
    </main>
  );
}

const pageRule = (paper: FirmSettings['paper']): string =>
  `@page { size: ${paper === 'A4' ? 'A4' : 'letter'}; margin: 18mm; }`;

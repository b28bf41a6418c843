import { type JobDocument, jobFileOf, newJobDocument } from '@katharos/job';
import { stageNames } from '@katharos/words';
import { Button, Text, Title } from '@mantine/core';
import { memo } from 'react';
import { Link, useNavigate } from 'react-router';
import { v4 as newId } from 'uuid';
import { troubleOf, useJobsInfiniteQuery, useOpenJobFileMutation } from '../../../data/api.ts';
import { serverNow } from '../../../data/serverClock.ts';
import { notify } from '../../../ui/notices.tsx';
import { useJobId, useOpenJob } from '../../open/useJob.ts';

const plain = (text: string): string => text.trim().toLocaleLowerCase().replace(/\s+/g, ' ');

/** Other systems at the same address, and one more: whose house it is and its water are known already. */
export const SitePanel = memo(function SitePanel() {
  const jobId = useJobId();
  const customer = useOpenJob((job) => job.document.customer);
  const survey = useOpenJob((job) => job.document.survey);
  const navigate = useNavigate();
  const { address } = customer;
  const { data } = useJobsInfiniteQuery(
    { search: address.slice(0, 100), shelf: 'open' },
    { skip: address.trim() === '' },
  );
  const [open, { isLoading }] = useOpenJobFileMutation();
  const others = (data?.pages.flatMap(({ jobs }) => jobs) ?? []).filter(
    (job) => job.id !== jobId && plain(job.address) === plain(address),
  );
  const begin = async () => {
    const content = jobFileOf(
      { number: 1, document: besideOf({ customer, survey }) },
      [],
      new Date(serverNow()),
    );
    const answer = await open({ content, key: newId() });
    if (answer.error) {
      notify({ message: troubleOf(answer.error).message, color: 'red' });
      return;
    }
    await navigate(`/jobs/${answer.data.id}/survey`);
  };
  return (
    <section className="panel" aria-label="At this place">
      <Title order={3} size="h4" mb="xs">
        At this place
      </Title>
      {others.length === 0 ? (
        <Text size="sm" c="dimmed">
          No other system is known at this address.
        </Text>
      ) : (
        <ul aria-label="Other systems at this place">
          {others.map(({ id, number, name, stage, finished }) => (
            <li key={id} style={{ minHeight: 44, alignContent: 'center' }}>
              <Link to={`/jobs/${id}/${finished ? 'keep?view=service' : stage}`}>
                No. {number}, {name}
              </Link>
              {`, ${finished ? 'in service' : `at ${stageNames[stage]}`}`}
            </li>
          ))}
        </ul>
      )}
      <Button variant="default" size="md" mt="sm" loading={isLoading} onClick={() => void begin()}>
        Another system here
      </Button>
    </section>
  );
});

/** A new job for the same household: its people and its water, nothing of the system. */
function besideOf({ customer, survey }: Pick<JobDocument, 'customer' | 'survey'>): JobDocument {
  return { ...newJobDocument(customer.name, customer.address), customer, survey };
}

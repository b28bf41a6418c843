import { feedRemarkWords, feedWords, stepParts, workWords } from '@katharos/words';
import type { Plumbing, FeedConnection } from '@katharos/core';
import { useEdit } from '../../open/useJob.ts';
import { useReader } from '../../../ui/useReader.ts';
import { Remarks } from './Remarks.tsx';
import { NativeSelect, Text, Title } from '@mantine/core';

/** How the feed is taken off the cold supply: parts and steps follow. */
export function FeedPanel({ plumbing: { feed, steps, parts } }: { plumbing: Plumbing }) {
  const { edit } = useEdit();
  const reader = useReader();
  const step = steps.find(({ id }) => id === 'feed');
  return (
    <section className="panel" aria-label="Feed">
      <Title order={3} size="h4" mb="xs">
        Feed
      </Title>
      <NativeSelect
        label="Taken by"
        size="md"
        data={feed.possible.map((way) => ({ value: way, label: feedWords[way] }))}
        value={feed.way}
        onChange={(event) => {
          const way = event.currentTarget.value as FeedConnection;
          edit(({ plumb }) => ({ plumb: { ...plumb, feed: way } }));
        }}
      />
      {feed.thread && <Text mt="xs">Thread of the valve: {feed.thread}.</Text>}
      {step && (
        <Text mt="xs">
          {workWords(step, reader).instruction} Takes: {stepParts(step, parts).join(', ')}.
        </Text>
      )}
      <Remarks lines={feed.remarks.map((remark) => feedRemarkWords[remark])} />
    </section>
  );
}

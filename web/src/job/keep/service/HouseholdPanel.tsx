import type { HouseholdWord } from '@katharos/contract';
import { complaintWords } from '@katharos/words';
import { Anchor, Button, Group, Stack, Text, Title } from '@mantine/core';
import QRCode from 'qrcode';
import { memo, useEffect, useState } from 'react';
import { troubleOf } from '../../../data/api.ts';
import { notify } from '../../../ui/notices.tsx';
import { SvgPicture } from '../../../ui/SvgPicture.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { useJobId } from '../../open/useJob.ts';
import { useEndPageMutation, useHouseholdSideQuery, useMakePageMutation } from './householdApi.ts';

/** The household's own page: its address and code, and what was said there. */
export const HouseholdPanel = memo(function HouseholdPanel({
  onVisit,
}: {
  onVisit: (word: HouseholdWord) => void;
}) {
  const jobId = useJobId();
  const reader = useReader();
  const { data, refetch } = useHouseholdSideQuery(jobId);
  const [make, { isLoading }] = useMakePageMutation();
  const [end] = useEndPageMutation();
  const address = data?.path ? new URL(data.path, window.location.href).href : '';
  const code = useCode(address);
  const act = async (what: typeof make) => {
    const answer = await what(jobId);
    if (answer.error) notify({ message: troubleOf(answer.error).message, color: 'red' });
    await refetch();
  };
  if (!data) return null;
  return (
    <section className="panel" aria-label="The household’s page">
      <Stack gap="sm">
        <Title order={3} size="h4">
          The household’s page
        </Title>
        <Text size="sm" c="dimmed">
          What is due, what was done, how to shut it off and whom to call; and a form for what is
          not right. It names nobody. Whoever has its address can read it.
        </Text>
        {address && (
          <Group align="start">
            {code && <SvgPicture svg={code} label="Code of the household’s page" />}
            <Anchor
              href={address}
              target="_blank"
              rel="noreferrer"
              style={{ overflowWrap: 'anywhere' }}
            >
              {address}
            </Anchor>
          </Group>
        )}
        <Group>
          <Button variant="default" size="md" loading={isLoading} onClick={() => void act(make)}>
            {address ? 'Make a new address' : 'Make its address'}
          </Button>
          {address && (
            <Button variant="subtle" size="md" onClick={() => void act(end)}>
              End it
            </Button>
          )}
        </Group>
        {data.words.length > 0 && (
          <ul aria-label="What the household said">
            {data.words.map((word) => (
              <li key={word.id}>
                {reader.when(word.saidAt, 'date')}: {complaintWords[word.complaint]}
                {word.text && `, “${word.text}”`}{' '}
                <Button variant="subtle" size="sm" mih={44} onClick={() => onVisit(word)}>
                  Begin a visit for it
                </Button>
                {word.photographId && (
                  <img
                    src={`/api/jobs/${jobId}/photographs/${word.photographId}`}
                    alt={`Photograph sent with: ${complaintWords[word.complaint]}`}
                    loading="lazy"
                    style={{ display: 'block', maxWidth: 'min(100%, 320px)', borderRadius: 8 }}
                  />
                )}
              </li>
            ))}
          </ul>
        )}
      </Stack>
    </section>
  );
});

/** An address as a code that a telephone reads; empty while it is made. */
function useCode(address: string): string {
  const [code, setCode] = useState({ of: '', svg: '' });
  useEffect(() => {
    if (!address) return;
    let isWanted = true;
    void QRCode.toString(address, { type: 'svg', margin: 1, width: 140 }).then((svg) => {
      if (isWanted) setCode({ of: address, svg });
    });
    return () => {
      isWanted = false;
    };
  }, [address]);
  return code.of === address ? code.svg : '';
}

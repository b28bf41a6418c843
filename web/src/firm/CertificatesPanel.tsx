import { chainFaultSentence, chainSentence } from '@katharos/words';
import { Button, Group, Skeleton, Stack, Text, Title } from '@mantine/core';
import { troubleOf } from '../data/api.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useChainQuery } from './firmApi.ts';

/** The firm's certificates as a chain: whether it holds, and the file with which anybody can see for themselves. */
export function CertificatesPanel() {
  const { data, error, isFetching, refetch } = useChainQuery();
  return (
    <section className="panel" aria-label="Certificates" aria-busy={isFetching}>
      <Stack>
        <Title order={2} size="h4">
          Certificates
        </Title>
        <Text size="sm" c="dimmed">
          Each certificate is sealed together with the seal before it. A word that was changed
          afterwards, or one that was taken out, shows here and to anybody who has the file.
        </Text>
        {error && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
        {!data && !error && <Skeleton height={44} />}
        {data && (
          <Tone
            kind={data.faults.length > 0 ? 'bad' : 'good'}
            head={chainSentence(data)}
            role="status"
          >
            {data.faults.length > 0 ? (
              <ul>
                {data.faults.slice(0, mostShown).map((one) => (
                  <li key={`${one.link}:${one.fault}`}>{chainFaultSentence(one)}</li>
                ))}
              </ul>
            ) : (
              data.last && (
                <Text size="sm" style={{ overflowWrap: 'anywhere' }}>
                  Seal of the last: {data.last.seal}
                </Text>
              )
            )}
          </Tone>
        )}
        <Group>
          <Button variant="default" size="md" loading={isFetching} onClick={() => void refetch()}>
            Check again
          </Button>
          <Button
            variant="default"
            size="md"
            component="a"
            href="/api/certificates/chain.json"
            download
          >
            Take the file
          </Button>
        </Group>
      </Stack>
    </section>
  );
}

/** Breaks that are named; one that goes through all of them is told by the first few. */
const mostShown = 10;

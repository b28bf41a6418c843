import { isMissingPart, mayLoadAgain, statusOfPart } from '../data/missingPart.ts';
import { useAppSelector } from '../data/store.ts';
import { PageTitle } from './PageTitle.tsx';
import { Anchor, Button, Container, Stack, Text, Title } from '@mantine/core';
import { useEffect } from 'react';
import type { FallbackProps } from 'react-error-boundary';
import { Link } from 'react-router';

/** An address under which there is nothing. */
export function MissingPage() {
  return (
    <Container size="sm" py={64}>
      <Stack>
        <PageTitle>Nothing here</PageTitle>
        <Title order={1}>Nothing is kept under this address</Title>
        <Text>It may have been typed wrongly, or it belongs to another firm.</Text>
        <Anchor component={Link} to="/jobs">
          Go to your jobs
        </Anchor>
      </Stack>
    </Container>
  );
}

/** Loads the page again by itself where a part of it did not come and is there now, as a line that comes and goes makes it. */
export function useLoadedAgain(error: unknown): void {
  useEffect(() => {
    if (!isMissingPart(error)) return;
    void statusOfPart(error).then((status) => {
      if (status === 200 && mayLoadAgain(Date.now())) window.location.reload();
    });
  }, [error]);
}

/** The page itself failed, or a part of it did not come. What was typed is kept in this browser and comes back with the job. */
export function BrokenPage({ error }: FallbackProps) {
  const updated = useAppSelector(({ line }) => line.updated);
  const isMissing = isMissingPart(error);
  useLoadedAgain(error);
  const head = !isMissing
    ? 'This page stopped working'
    : updated
      ? 'A newer version is there'
      : 'This part of the page did not come';
  return (
    <Container size="sm" py={64}>
      <Stack align="flex-start">
        <PageTitle>{head}</PageTitle>
        <Title order={1}>{head}</Title>
        {isMissing && (
          <Text>
            {updated
              ? 'This page is of the version before, and what it needs is gone. Load it again to go over to the newer one.'
              : 'There is no line to the server, or it does not answer. Load the page again when it does.'}
          </Text>
        )}
        <Text>
          What you entered is kept in this browser and is brought back when the job opens again.
        </Text>
        {!isMissing && (
          <Text c="dimmed" size="sm">
            {error instanceof Error ? error.message : 'No further detail.'}
          </Text>
        )}
        <Button onClick={() => window.location.reload()}>Load the page again</Button>
      </Stack>
    </Container>
  );
}

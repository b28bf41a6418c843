import { PageTitle } from './PageTitle.tsx';
import { Anchor, Button, Container, Stack, Text, Title } from '@mantine/core';
import { Link, useRouteError } from 'react-router';

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

/** The page itself failed. What was typed is kept in this browser and comes back with the job. */
export function BrokenPage() {
  const error = useRouteError();
  return (
    <Container size="sm" py={64}>
      <Stack align="flex-start">
        <PageTitle>Stopped working</PageTitle>
        <Title order={1}>This page stopped working</Title>
        <Text>
          What you entered is kept in this browser and is brought back when the job opens again.
        </Text>
        <Text c="dimmed" size="sm">
          {error instanceof Error ? error.message : 'No further detail.'}
        </Text>
        <Button onClick={() => window.location.reload()}>Load the page again</Button>
      </Stack>
    </Container>
  );
}

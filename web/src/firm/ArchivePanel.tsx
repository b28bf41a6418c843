import { Button, Text, Title } from '@mantine/core';

/** The whole firm as a file, for its owner: to keep, or to move to another installation. */
export function ArchivePanel() {
  return (
    <section className="panel" aria-label="The whole firm as a file">
      <Title order={2} size="h4" mb="xs">
        The whole firm as a file
      </Title>
      <Text size="sm" c="dimmed" mb="sm" maw={680}>
        Everything that is kept here, in open formats: jobs, photographs, papers, catalogue, people
        and the log. It comes into an empty installation as it was. It holds names, addresses and
        telephone numbers of all households: keep it as you keep their keys.
      </Text>
      <Button component="a" href="/api/firm/archive.zip" download variant="default" size="md">
        Take the whole firm along
      </Button>
    </section>
  );
}

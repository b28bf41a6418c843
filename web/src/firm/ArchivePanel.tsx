import { Button, Text, Title } from '@mantine/core';
import { troubleOf, useLazyProofQuery } from '../data/api.ts';
import { notify } from '../ui/notices.tsx';
import { saveFrom } from '../ui/saveFile.ts';

/** The whole firm as a file, for its owner: to keep, or to move to another installation. */
export function ArchivePanel() {
  const [askProof, { isFetching }] = useLazyProofQuery();
  const take = async () => {
    const { error } = await askProof();
    if (error) notify({ message: troubleOf(error).message, color: 'red' });
    else saveFrom('/api/firm/archive.zip');
  };
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
      <Button variant="default" size="md" loading={isFetching} onClick={() => void take()}>
        Take the whole firm along
      </Button>
    </section>
  );
}

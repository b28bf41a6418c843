import { basicVerifyKeys, limitsOf, visitVerdict } from '@katharos/job';
import { failureSentence, visitVerdictSentences } from '@katharos/words';
import { SimpleGrid, Text } from '@mantine/core';
import { useSession } from '../../../data/session.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { useVisit } from './useVisit.ts';
import { VisitReading } from './VisitReading.tsx';

/** Readings after everything was changed; nothing while nothing was. */
export function Afterwards({ id }: { id: string }) {
  const { document, visit } = useVisit(id);
  const reader = useReader();
  const { settings } = useSession()!.firm;
  if (!visit || Object.keys({ ...visit.changed, ...visit.after }).length === 0) return null;
  const isNew = 'membrane' in (visit.changed ?? {});
  const found = visitVerdict(document, visit);
  return (
    <div role="group" aria-label="Afterwards">
      <Text fw={560}>Afterwards</Text>
      <Text size="sm" c="dimmed" mb="xs">
        {isNew
          ? 'The new membrane’s first readings: everything that follows is held against them. Run clear, all tanks of the steps drained.'
          : 'Run clear, tank closed, the same meter as before.'}
      </Text>
      <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
        {basicVerifyKeys.map((key) => (
          <VisitReading key={key} id={id} of="after" name={key} />
        ))}
      </SimpleGrid>
      {found && !found.ok && (
        <Tone kind="bad" head="These readings do not go together" role="alert">
          {failureSentence(found.failure)}
        </Tone>
      )}
      {found?.ok && (
        <Tone
          kind={found.value.asExpected || !isNew ? 'good' : 'warn'}
          head="Verified afterwards"
          role="status"
        >
          {visitVerdictSentences(found.value, limitsOf(settings), isNew, reader).map((sentence) => (
            <Text key={sentence} size="sm">
              {sentence}
            </Text>
          ))}
        </Tone>
      )}
    </div>
  );
}

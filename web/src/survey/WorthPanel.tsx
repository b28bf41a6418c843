import {
  isOpen,
  openDecisionSentence,
  productionBandSentence,
  surelySettled,
  surveyReadings,
  worthTopicNames,
  writePercent,
} from '@katharos/contract';
import { type OpenQuestion, representatives } from '@katharos/core';
import { Skeleton, Stack, Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import { useJob } from '../job/useJob.ts';
import { useUnits } from '../quantities/useUnits.ts';
import { useSizing } from '../size/sizingContext.ts';
import { useReadingWorth } from './useReadingWorth.ts';

/** What the readings so far leave open, and which one more would settle it. */
export function WorthPanel() {
  const { document } = useJob();
  const { brief, search, design, catalogue } = useSizing();
  const { say } = useUnits();
  const question = useMemo<OpenQuestion | null>(() => {
    if (!brief?.ok || !design) return null;
    const recommendation = search.kind === 'found' ? search.recommendation : undefined;
    return {
      readings: surveyReadings(document.survey),
      designs: representatives(design, recommendation, catalogue),
      requirements: brief.value.requirements,
    };
  }, [brief, design, search, catalogue, document.survey]);
  const { worth, progress } = useReadingWorth(question);
  if (!question) return null;
  const open = worth?.decisions.filter(isOpen) ?? [];
  return (
    <section className="panel" aria-label="What another reading would settle" aria-live="polite">
      <Title order={3} size="h4" mb="xs">
        What another reading would settle
      </Title>
      {worth ? (
        <Stack gap="xs" style={{ opacity: progress === null ? 1 : 0.6 }}>
          {open.map((decision) => (
            <Text key={decision.topic} data-testid={`open-${decision.topic}`}>
              <strong>{worthTopicNames[decision.topic]}.</strong> {openDecisionSentence(decision)}
            </Text>
          ))}
          {open.length === 0 && (
            <Text data-testid="nothing-open">
              No decision hangs on a reading that is still missing: pump, regulator, minerals and
              scale each come out the same in at least {writePercent(surelySettled)} of the{' '}
              {worth.samples} surveys that these readings allow.
            </Text>
          )}
          <Text>{productionBandSentence(worth.production, say)}</Text>
          <Text size="sm" c="dimmed">
            Found by trying {worth.samples} surveys within the instruments’ uncertainty and, for
            what was not taken, within what supplies and households differ by.
          </Text>
        </Stack>
      ) : (
        <Skeleton height={96} radius="md" />
      )}
    </section>
  );
}

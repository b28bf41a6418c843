import {
  isOpen,
  openDecisionSentence,
  productionBandSentence,
  surelySettled,
  worthTopicNames,
} from '@katharos/words';
import { surveyReadings } from '@katharos/job';
import { type OpenQuestion, representatives } from '@katharos/core';
import { useDocument } from '../open/useJob.ts';
import { useReader } from '../../ui/useReader.ts';
import { useSearch, useSizing } from '../open/sizingContext.ts';
import { newest, useComputed } from '../../workers/useComputed.ts';
import { Skeleton, Stack, Text, Title } from '@mantine/core';
import { useMemo } from 'react';

/** Quiet time after the last edit before the surveys are tried out, ms: nobody waits for it while typing, and it takes a core. */
const settleMs = 1200;

/** What the readings so far leave open, and which one more would settle it. */
export function WorthPanel() {
  const document = useDocument();
  const search = useSearch();
  const { brief, design, catalogue } = useSizing();
  const reader = useReader();
  const question = useMemo<OpenQuestion | null>(() => {
    if (!brief?.ok || !design) return null;
    const recommendation = search.kind === 'found' ? search.recommendation : undefined;
    return {
      readings: surveyReadings(document.survey),
      designs: representatives(design, recommendation, catalogue),
      requirements: brief.value.requirements,
    };
  }, [brief, design, search, catalogue, document.survey]);
  const [asked] = useComputed('readingWorth', question, { settleMs });
  const worth = newest(asked) ?? null;
  const outdated = asked.kind !== 'done';
  if (!question) return null;
  const open = worth?.decisions.filter(isOpen) ?? [];
  return (
    <section className="panel" aria-label="What another reading would settle" aria-live="polite">
      <Title order={3} size="h4" mb="xs">
        What another reading would settle
      </Title>
      {worth ? (
        <Stack gap="xs" style={{ opacity: outdated ? 0.6 : 1 }}>
          {open.map((decision) => (
            <Text key={decision.topic} data-testid={`open-${decision.topic}`}>
              <strong>{worthTopicNames[decision.topic]}.</strong>{' '}
              {openDecisionSentence(decision, reader)}
            </Text>
          ))}
          {open.length === 0 && (
            <Text data-testid="nothing-open">
              No decision hangs on a reading that is still missing: pump, regulator, minerals and
              scale each come out the same in at least {reader.percent(surelySettled)} of the{' '}
              {worth.samples} surveys that these readings allow.
            </Text>
          )}
          <Text>{productionBandSentence(worth.production, reader)}</Text>
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

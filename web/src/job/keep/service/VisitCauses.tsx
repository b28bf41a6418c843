import { judgementOf } from '@katharos/core';
import { coursesBefore, examinationOfVisit, placeOfReading } from '@katharos/job';
import {
  causeOfFaults,
  courseSentence,
  evidenceOf,
  leadSentence,
  mendOfFaults,
  readingLabel,
} from '@katharos/words';
import { Button, Group, Stack, Text } from '@mantine/core';
import { useMemo } from 'react';
import { useSession } from '../../../data/session.ts';
import { Tone } from '../../../ui/Tone.tsx';
import { useReader } from '../../../ui/useReader.ts';
import { useComputed } from '../../../workers/useComputed.ts';
import { Causes } from '../../verify/Causes.tsx';
import { ComplaintBoxes } from '../../verify/ComplaintBoxes.tsx';
import { useVisit } from './useVisit.ts';
import { VisitReading } from './VisitReading.tsx';

/** What the household complains of at a visit, what may be behind it by the readings and the years before, and what mends it. */
export function VisitCauses({ id }: { id: string }) {
  const { document, visit, change, stamp } = useVisit(id);
  const { settings } = useSession()!.firm;
  const reader = useReader();
  const { survey, size, system, verify, keep, service } = document;
  const asked = useMemo(() => {
    const installed = { survey, size, system, verify, keep, service };
    const courses = coursesBefore(installed, id);
    return { examination: examinationOfVisit(installed, id, settings, courses), courses };
  }, [survey, size, system, verify, keep, service, id, settings]);
  const [state] = useComputed('examine', asked.examination ?? null, { settleMs: 300 });
  if (!visit) return null;
  const noted = visit.complaints ?? {};
  const examined = state.kind === 'done' ? state.value : state.before;
  const judgement = examined && judgementOf(examined.diagnosis);
  const first = judgement?.told[0];
  const isFound = first && first.faults[0] !== 'healthy' && first.faults.length > 0;
  const next = examined?.diagnosis.next;
  const place = next && placeOfReading(next.reading);
  return (
    <Stack gap="sm" role="group" aria-label="What the household complains of">
      <ComplaintBoxes
        noted={noted}
        stamp={stamp}
        onChange={(next) => change(() => ({ complaints: next }))}
      />
      {Object.keys(noted).length > 0 && !asked.examination && (
        <Text size="sm" c="dimmed">
          With feed and product TDS as found, the causes are weighed.
        </Text>
      )}
      {examined && judgement && asked.examination && (
        <>
          <Tone
            kind={isFound ? 'warn' : 'good'}
            head={leadSentence(judgement, examined.diagnosis.next !== null, reader)}
          >
            <ul>
              {evidenceOf(asked.examination.given, examined.expected, reader).map(
                ({ code, sentence }) => (
                  <li key={code}>{sentence}</li>
                ),
              )}
              {(['saltPassage', 'flow'] as const).map((key) => {
                const sentence = courseSentence(key, asked.courses[key]);
                return sentence && <li key={key}>{sentence}</li>;
              })}
            </ul>
          </Tone>
          {next && (
            <div role="group" aria-label="Read next">
              <Text fw={650}>
                Read next: {readingLabel(next.reading)}, about {next.minutes} min
              </Text>
              {place && 'figure' in place && (
                <VisitReading id={id} of="readings" name={place.figure} />
              )}
            </div>
          )}
          <Causes judgement={judgement} />
          {isFound && visit.faults?.join() !== first.faults.join() && (
            <Group>
              <Text>{mendOfFaults(first.faults)}</Text>
              <Button
                variant="default"
                size="md"
                onClick={() => change(() => ({ faults: [...first.faults] }))}
              >
                Mend it at this visit
              </Button>
            </Group>
          )}
        </>
      )}
      {visit.faults && (
        <Group>
          <Text>Mended at this visit: {reader.within(causeOfFaults(visit.faults, reader))}.</Text>
          <Button variant="subtle" size="md" onClick={() => change(() => ({ faults: undefined }))}>
            Do not mend it
          </Button>
        </Group>
      )}
    </Stack>
  );
}

import {
  failureSentence,
  type JobBrief,
  lampFaultWords,
  lampFeedOf,
  writeNumber,
} from '@katharos/contract';
import { assessUltraviolet, ultravioletLimits, type UltravioletLine } from '@katharos/core';
import { Group, SimpleGrid, Stack, Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useJob } from '../job/useJob.ts';
import { Figure } from '../quantities/Figure.tsx';
import { Tone } from '../quantities/Tone.tsx';
import { useUnits } from '../quantities/useUnits.ts';
import { ChosenActions } from './ChosenActions.tsx';
import { useChosenSystem } from './useChosenSystem.ts';

/** A line with a lamp and no membrane: its flow, its dose, and whether this water can be lit at all. */
export function SizedUltraviolet({ brief, line }: { brief: JobBrief; line: UltravioletLine }) {
  const { job, document } = useJob();
  const { say } = useUnits();
  const { agreed } = useChosenSystem();
  const water = brief.task.waters.today;
  const assessed = useMemo(
    () => assessUltraviolet(line, water, lampFeedOf(document.survey, water.hardnessMgL)),
    [line, water, document.survey],
  );
  return (
    <Stack gap="md">
      <Group justify="space-between" align="flex-end">
        <div>
          <Title order={2} size="h3">
            {agreed ? 'The agreed system' : 'The chosen system'}
          </Title>
          <Text>
            Ultraviolet only: {line.prefilters.map(({ name }) => name).join(', ')}, {line.lamp.name}
          </Text>
        </div>
        <ChosenActions />
      </Group>
      {!assessed.ok ? (
        <Tone kind="bad" head="No water reaches the tap" role="alert">
          {failureSentence(assessed.failure)}
        </Tone>
      ) : (
        <>
          <section className="panel" aria-label="What it does">
            <SimpleGrid cols={{ base: 2, md: 4 }} verticalSpacing="xl">
              <div data-testid="dose">
                <Figure
                  hero
                  label="Dose at the tap’s flow"
                  value={{ text: writeNumber(assessed.value.doseMjCm2, 0), unit: 'mJ/cm²' }}
                  beside={`${ultravioletLimits.doseMjCm2} are wanted`}
                  why={{
                    equation:
                      'Rated dose, in inverse proportion to the flow, less what this water absorbs more than the rating’s.',
                    source: 'Water factor of Bolton and Linden (2003); the lamp’s own rating.',
                    inputs: [
                      [
                        'Rated',
                        `${line.lamp.ratedDoseMjCm2} mJ/cm² at ${say('flow', line.lamp.ratedFlowLPerH)}`,
                      ],
                      ['Flow', say('flow', assessed.value.flowLPerMin * 60)],
                    ],
                  }}
                />
              </div>
              <Figure
                hero
                label="A glass"
                value={{ text: writeNumber(assessed.value.secondsPerGlass, 0), unit: 's' }}
                beside={`${writeNumber(assessed.value.flowLPerMin, 1)} L/min straight from the supply`}
              />
              <Figure
                label="Flow that keeps the dose"
                value={{ text: writeNumber(assessed.value.mostLPerMin, 1), unit: 'L/min' }}
                beside="a flow limiter holds it there"
              />
              <Figure
                label="Takes out"
                value={{ text: 'nothing dissolved' }}
                beside={`TDS stays ${say('tds', water.tdsMgL)}`}
              />
            </SimpleGrid>
          </section>
          {assessed.value.faults.length > 0 && (
            <Tone kind="bad" head="This water cannot be lit as it is" role="alert">
              <ul style={{ margin: 0, paddingLeft: 20 }}>
                {assessed.value.faults.map((fault) => (
                  <li key={fault}>{lampFaultWords[fault]}</li>
                ))}
              </ul>
            </Tone>
          )}
          {assessed.value.unread.length > 0 && (
            <Tone kind="warn" head="Not read, and a lamp depends on it">
              {assessed.value.unread.join(', ')}: see Chemistry in the{' '}
              <Link to={`/jobs/${job.id}/survey`}>survey</Link>.
            </Tone>
          )}
          <Tone kind="warn" head="What a lamp does not do">
            It kills germs while it burns and its sleeve is clean; it takes out no salt, lead,
            nitrate or taste. Unsafe water needs a laboratory test after the lamp is lit, and the
            health authority comes first.
          </Tone>
        </>
      )}
    </Stack>
  );
}

import { failureHead, failureSentence, lampFaultWords } from '@katharos/words';
import { type JobBrief, lampFeedOf } from '@katharos/job';
import {
  assessUltraviolet,
  isAddedLamp,
  lampAt,
  partsOf,
  rejectionGrades,
  ultravioletLimits,
  type UltravioletLine,
} from '@katharos/core';
import { useDocument, useJob } from '../open/useJob.ts';
import { Figure } from '../../ui/Figure.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { ChosenActions } from './ChosenActions.tsx';
import { useSizing } from '../open/sizingContext.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { Group, NativeSelect, SimpleGrid, Stack, Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import { Link } from 'react-router';

interface Props {
  brief: JobBrief;
  line: UltravioletLine;
}

/** A line with a lamp and no membrane: its flow, its dose, and whether this water can be lit at all. */
export function SizedUltraviolet({ brief, line }: Props) {
  const { jobId, document } = useJob();
  const reader = useReader();
  const { agreed } = useChosenSystem();
  const added = isAddedLamp(line);
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
            {added
              ? 'A lamp added to the system that is there'
              : `Ultraviolet only: ${line.prefilters.map(({ name }) => name).join(', ')}`}
            , {line.lamp.name}
          </Text>
        </div>
        <ChosenActions />
      </Group>
      {!assessed.ok ? (
        <Tone
          kind="bad"
          head={added ? failureHead(assessed.failure) : 'No water reaches the tap'}
          role="alert"
        >
          {failureSentence(assessed.failure)}{' '}
          {added && <Link to={`/jobs/${jobId}/survey?place=already-there`}>Read it</Link>}
        </Tone>
      ) : (
        <>
          <section className="panel" aria-label="What it does">
            <SimpleGrid cols={{ base: 2, md: 4 }} verticalSpacing="xl">
              <div data-testid="dose">
                <Figure
                  hero
                  label="Dose at the tap’s flow"
                  value={{ text: reader.number(assessed.value.doseMjCm2, 0), unit: 'mJ/cm²' }}
                  beside={`${ultravioletLimits.doseMjCm2} are wanted`}
                  why={{
                    equation:
                      'Rated dose, in inverse proportion to the flow, less what this water absorbs more than the rating’s.',
                    source: 'Water factor of Bolton and Linden (2003); the lamp’s own rating.',
                    inputs: [
                      [
                        'Rated',
                        `${line.lamp.ratedDoseMjCm2} mJ/cm² at ${reader.say('flow', line.lamp.ratedFlowLPerH)}`,
                      ],
                      ['Flow', reader.say('flow', assessed.value.flowLPerMin * 60)],
                    ],
                  }}
                />
              </div>
              <Figure
                hero
                label="A glass"
                value={{ text: reader.number(assessed.value.secondsPerGlass, 0), unit: 's' }}
                beside={`${reader.say('tapFlow', assessed.value.flowLPerMin)} ${added ? 'measured at its tap' : 'straight from the supply'}`}
              />
              <Figure
                label="Flow that keeps the dose"
                value={{ dimension: 'tapFlow', core: assessed.value.mostLPerMin }}
                beside="a flow limiter holds it there"
              />
              {assessed.value.rejectionAhead === null ? (
                <Figure
                  label="Takes out"
                  value={{ text: 'nothing dissolved' }}
                  beside={`TDS stays ${reader.say('tds', water.tdsMgL)}`}
                />
              ) : (
                <Figure
                  label="The membrane ahead holds back"
                  value={{ text: reader.percent(assessed.value.rejectionAhead) }}
                  beside={`${reader.percent(rejectionGrades.marginal)} at the least, for a clean sleeve`}
                />
              )}
            </SimpleGrid>
          </section>
          <LampSelect brief={brief} line={line} flowLPerMin={assessed.value.flowLPerMin} />
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
              <Link to={`/jobs/${jobId}/survey`}>survey</Link>.
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

/** Every lamp of the catalogue with the dose that it gives here. */
function LampSelect({ brief, line, flowLPerMin }: Props & { flowLPerMin: number }) {
  const document = useDocument();
  const { catalogue } = useSizing();
  const { choose, agreed } = useChosenSystem();
  const { today } = brief.task.waters;
  const feed = lampFeedOf(document.survey, today.hardnessMgL);
  const reader = useReader();
  const stocked = partsOf(catalogue, 'lamp');
  // The one that was chosen may have left the catalogue since.
  const lamps = stocked.some(({ id }) => id === line.lamp.id) ? stocked : [line.lamp, ...stocked];
  return (
    <NativeSelect
      label="Lamp"
      size="md"
      maw={420}
      disabled={agreed !== null}
      value={line.lamp.id}
      onChange={(event) => {
        const lamp = lamps.find(({ id }) => id === event.currentTarget.value);
        if (lamp) choose({ ...line, lamp });
      }}
      data={lamps.map((lamp) => {
        const { doseMjCm2 } = lampAt({ ...line, lamp }, flowLPerMin, today, feed);
        return { value: lamp.id, label: `${lamp.name}: ${reader.number(doseMjCm2, 0)} mJ/cm²` };
      })}
    />
  );
}

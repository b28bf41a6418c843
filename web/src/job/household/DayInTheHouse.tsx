import { failureSentence, type Reader } from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import { agedMembrane, comfortLPerMin, newMembrane, type SystemDesign } from '@katharos/core';
import { Segments } from '../../ui/Segments.tsx';
import { Figure } from '../../ui/Figure.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import type { LivedDays } from '../../workers/tasks.ts';
import { DrawTable } from './DrawTable.tsx';
import { BandTable } from './BandTable.tsx';
import { TankLevelChart } from './TankLevelChart.tsx';
import { newest, useComputed } from '../../workers/useComputed.ts';
import { Group, SimpleGrid, Skeleton, Text, Title } from '@mantine/core';
import { useState } from 'react';

type Condition = 'today' | 'worst';

/** Eight weeks of this household with this system, and the hardest day of them as a picture. */
export function DayInTheHouse({ design, brief }: { design: SystemDesign; brief: JobBrief }) {
  const [condition, setCondition] = useState<Condition>('worst');
  const { waters } = brief.task;
  const [asked] = useComputed('liveDays', {
    design,
    water: waters[condition],
    ageing: condition === 'today' ? newMembrane : agedMembrane,
    household: brief.requirements.household,
  });
  const lived = newest(asked) ?? null;
  return (
    <section className="panel" aria-label="A day in this house">
      <Group justify="space-between" mb="xs">
        <Title order={3} size="h4">
          A day in this house
        </Title>
        <Segments
          label="Condition of the day"
          value={condition}
          onChange={setCondition}
          options={[
            { value: 'worst', label: 'Worst case' },
            { value: 'today', label: 'Today’s water' },
          ]}
        />
      </Group>
      {lived === null && <Skeleton height={320} radius="md" />}
      {lived && !lived.ok && (
        <Tone kind="bad" head="No day can be lived with this system">
          {failureSentence(lived.failure)}
        </Tone>
      )}
      {lived?.ok && <Lived lived={lived.value} />}
    </section>
  );
}

function Lived({ lived }: { lived: LivedDays }) {
  const reader = useReader();
  const { sampled, hardest, disappointingDays, tank, band } = lived;
  const { days, ledger } = sampled;
  return (
    <>
      <Text mb="md">{inWords(lived, reader)}</Text>
      <SimpleGrid cols={{ base: 2, md: 4 }} verticalSpacing="lg" mb="md">
        <div data-testid="days-short">
          <Figure
            label="Days with a long wait or too little"
            value={{ text: String(disappointingDays), unit: `of ${days}` }}
            beside={`short in all: ${reader.say('volume', sampled.shortL)}`}
            why={{
              equation:
                'A wait is the time over what a full tank (a comfortable tap, where there is no tank) takes. Long is over a minute and half a minute for every litre.',
              source:
                'Days sampled from the household’s habits; production and tap flow from the model, every litre accounted for. What people bear is a default.',
              inputs: [
                ['Drawn', reader.say('volume', ledger.drawnL, 0)],
                ['Made', reader.say('volume', ledger.productL, 0)],
                ['Not come', reader.say('volume', sampled.shortL)],
              ],
            }}
          />
        </div>
        <Figure
          label="Longest wait at the tap"
          value={{ text: waitInWords(sampled.longestWaitMin, reader) }}
          beside={
            tank
              ? 'over what a full tank takes'
              : `over a tap of ${reader.say('tapFlow', comfortLPerMin)}`
          }
        />
        <Figure
          label="To drain on an average day"
          value={{ dimension: 'volume', core: ledger.drainL / days, decimals: 0 }}
          beside={`for ${reader.say('volume', ledger.drawnL / days)} drawn`}
          why={{
            equation:
              'Concentrate through the restrictor for as long as the system runs, start by start.',
            source: tank
              ? 'From the model. A tank that is topped up stands nearly full, where less product comes for the same drain: more goes to drain for a litre than over a whole fill.'
              : 'From the model.',
            inputs: [
              [
                'To drain for 1 of product',
                ledger.productL > 0 ? reader.number(ledger.drainL / ledger.productL, 1) : '–',
              ],
              ['Starts a day', reader.number(sampled.starts / days, 1)],
            ],
          }}
        />
        {sampled.firstGlassMgL === null ? (
          <Figure
            label="Lowest the tank went"
            value={{ dimension: 'volume', core: sampled.leastL }}
            beside={`${reader.number(sampled.starts / days, 1)} starts and ${reader.number(sampled.runningMin / 60 / days, 1)} h of running a day`}
          />
        ) : (
          <Figure
            label="First glass after standing"
            value={{ dimension: 'tds', core: sampled.firstGlassMgL }}
            beside={`${reader.number(sampled.starts / days, 0)} starts a day`}
            why={{
              equation:
                'Product that stands behind the idle membrane takes up salt: cf − (cf − cp) exp(−b t / V). The first quarter litre holds it.',
              source:
                'Diffusion with the element’s own salt permeance; the standing volume is a default.',
              inputs: [['Feed side', 'concentrate at rest, taken as feed']],
            }}
          />
        )}
      </SimpleGrid>
      {tank && (
        <>
          <Text size="sm" c="dimmed">
            In the tank through the hardest day; the grey band is where it stands on nine days of
            ten.
          </Text>
          <TankLevelChart day={hardest} band={band} tank={tank} />
          <BandTable band={band} />
        </>
      )}
      <DrawTable day={hardest} />
    </>
  );
}

const waitInWords = (minutes: number, reader: Reader): string =>
  minutes < 0.05
    ? 'none'
    : minutes < 1.5
      ? `${Math.round(minutes * 60)} s`
      : `${reader.number(minutes, 1)} min`;

function inWords({ sampled, disappointingDays, tank }: LivedDays, reader: Reader): string {
  const weeks = `In ${sampled.days} sampled days, weekends and guests among them,`;
  if (disappointingDays === 0) {
    return tank
      ? `${weeks} nobody went short or waited long. At its lowest the tank held ${reader.say('volume', sampled.leastL)}.`
      : `${weeks} nobody went short; every opening of the tap starts the pump.`;
  }
  if (!tank) {
    return `${weeks} somebody waited long on ${disappointingDays} of them: the unit makes less than a comfortable tap. A larger element or one with a tank is quicker for pots.`;
  }
  const missed =
    sampled.shortL < 0.05
      ? `somebody waited long on ${disappointingDays} of them, ${waitInWords(sampled.longestWaitMin, reader)} at the longest, though all of it came`
      : `the tank ran low on ${disappointingDays} of them and ${reader.say('volume', sampled.shortL)} did not come`;
  return `${weeks} ${missed}. Try a larger tank or a faster element.`;
}

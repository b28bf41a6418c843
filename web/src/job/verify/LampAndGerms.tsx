import { isKnownSafe } from '@katharos/core';
import { certifyRequestOf, supplyOf, trainOf, type VerifyRecord } from '@katharos/job';
import { germTestSentence } from '@katharos/words';
import { Button, Group, SimpleGrid, Text, Title } from '@mantine/core';
import { Segments } from '../../ui/Segments.tsx';
import { MeasureInput } from '../../ui/typed/MeasureInput.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useDocument, useEdit } from '../open/useJob.ts';

type GermTest = NonNullable<VerifyRecord['germTest']>;
type LampLook = NonNullable<VerifyRecord['lampLook']>;

/** A lamp's counter and alarm, and the laboratory's test for germs; nothing where neither supply nor lamp asks for them. */
export function LampAndGerms() {
  const document = useDocument();
  const { system, survey } = document;
  if (!system) return null;
  const hasLamp = trainOf(system.design).lamp !== null;
  const isAsked = !isKnownSafe(supplyOf(survey)) || (survey.purposes ?? []).includes('germs');
  if (!hasLamp && !isAsked) return null;
  return (
    <section className="panel" aria-label="Lamp and germs">
      <SimpleGrid cols={{ base: 1, sm: 2 }}>
        {hasLamp && <Lamp />}
        <Germs />
      </SimpleGrid>
    </section>
  );
}

function Lamp() {
  const { lampLook } = useDocument().verify;
  const { edit, stamp } = useEdit();
  const set = (change: (look: Omit<LampLook, 'at' | 'by'>) => Omit<LampLook, 'at' | 'by'>) =>
    edit(({ verify }) => ({
      verify: { ...verify, lampLook: { ...change(verify.lampLook ?? {}), ...stamp() } },
    }));
  return (
    <div>
      <Title order={3} size="h4">
        Lamp
      </Title>
      <MeasureInput
        label="Hours on its counter"
        description="As it stands now; it is changed by them."
        keptAs="lamp-hours"
        measure={{ dimension: 'count', range: { min: 0, max: 200_000 }, symbol: 'h' }}
        value={lampLook?.hours}
        onCommit={(hours) =>
          set(({ hours: _old, ...rest }) => (hours === undefined ? rest : { ...rest, hours }))
        }
      />
      <Text fw={560} mt="sm" mb={4}>
        Alarm
      </Text>
      <Segments
        wide
        label="Alarm"
        value={lampLook?.alarm ?? ''}
        onChange={(alarm) => set((rest) => ({ ...rest, alarm }))}
        options={[
          { value: 'quiet', label: 'Quiet' },
          { value: 'sounds', label: 'Sounds' },
        ]}
      />
    </div>
  );
}

/** Ordered, sampled, answered, released: one button for what comes next. */
function Germs() {
  const document = useDocument();
  const { germTest = {} } = document.verify;
  const { edit, stamp } = useEdit();
  const reader = useReader();
  const set = (change: Partial<GermTest>) =>
    edit(({ verify }) => ({
      verify: { ...verify, germTest: { ...verify.germTest, ...change } },
    }));
  const begin = () => edit(({ verify: { germTest: _old, ...rest } }) => ({ verify: rest }));
  const { ordered, sampled, result, released } = germTest;
  const { system } = document;
  const isBefore =
    system !== null &&
    certifyRequestOf({ ...document, system }, null).checks.germs.sampled === 'before';
  return (
    <div>
      <Title order={3} size="h4">
        Germ test by a laboratory
      </Title>
      <Text size="sm" c="dimmed" mb="xs">
        Nobody drinks before it is answered. Sample at least a day after disinfection and the flush,
        and after any change of lamp or cartridge: tap flamed or wiped with alcohol, run for five
        minutes, sterile bottle with thiosulfate, cool, at the laboratory within 24 hours. Total
        coliforms and E. coli: none in 100 mL.
      </Text>
      <Text mb="xs" role="status">
        {germTestSentence(germTest, reader).replace(/^./, (letter) => letter.toUpperCase())}.
      </Text>
      {result?.found && (
        <Text mb="xs" fw={560}>
          Nobody drinks. Find where they come from, then plan a disinfection under In service: the
          steps and doses are there, with half an hour to stand. Sample again a day later at the
          earliest.
        </Text>
      )}
      {isBefore && (
        <Text mb="xs" fw={560}>
          This sample was taken before the flush, or before a lamp or cartridge was changed. Sample
          again: it does not count.
        </Text>
      )}
      <Group>
        {!ordered && !sampled && !result && (
          <Button variant="default" mih={44} onClick={() => set({ ordered: stamp() })}>
            Test ordered
          </Button>
        )}
        {!sampled && !result && (
          <Button variant="default" mih={44} onClick={() => set({ sampled: stamp() })}>
            Sample taken
          </Button>
        )}
        {sampled && !result && (
          <>
            <Button
              variant="default"
              mih={44}
              onClick={() => set({ result: { found: false, ...stamp() } })}
            >
              No germs found
            </Button>
            <Button
              variant="default"
              mih={44}
              onClick={() => set({ result: { found: true, ...stamp() } })}
            >
              Germs found
            </Button>
          </>
        )}
        {result && !result.found && !released && (
          <Button mih={44} onClick={() => set({ released: stamp() })}>
            Release for drinking
          </Button>
        )}
        {(ordered ?? sampled ?? result) && (
          <Button variant="subtle" mih={44} onClick={begin}>
            Start again
          </Button>
        )}
      </Group>
    </div>
  );
}

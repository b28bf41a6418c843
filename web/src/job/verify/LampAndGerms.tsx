import { isUltravioletLine } from '@katharos/core';
import { germsOf, type VerifyRecord } from '@katharos/job';
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
  const design = document.system?.design;
  const hasLamp = design !== undefined && (isUltravioletLine(design) || design.lamp !== null);
  if (!hasLamp && germsOf(document) === undefined) return null;
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
  const { germTest = {} } = useDocument().verify;
  const { edit, stamp } = useEdit();
  const reader = useReader();
  const set = (change: Partial<GermTest>) =>
    edit(({ verify }) => ({
      verify: { ...verify, germTest: { ...verify.germTest, ...change } },
    }));
  const begin = () => edit(({ verify: { germTest: _old, ...rest } }) => ({ verify: rest }));
  const { ordered, sampled, result, released } = germTest;
  return (
    <div>
      <Title order={3} size="h4">
        Germ test by a laboratory
      </Title>
      <Text size="sm" c="dimmed" mb="xs">
        Nobody drinks before it is answered. The laboratory’s bottle, the tap flamed or wiped with
        alcohol, sampled after five minutes of running.
      </Text>
      <Text mb="xs" role="status">
        {germTestSentence(germTest, reader).replace(/^./, (letter) => letter.toUpperCase())}.
      </Text>
      <Group>
        {!ordered && !sampled && !result && (
          <Button variant="default" mih={44} onClick={() => set({ ordered: stamp() })}>
            It is ordered
          </Button>
        )}
        {!sampled && !result && (
          <Button variant="default" mih={44} onClick={() => set({ sampled: stamp() })}>
            It is sampled
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
            It may be drunk
          </Button>
        )}
        {(ordered ?? sampled ?? result) && (
          <Button variant="subtle" mih={44} onClick={begin}>
            From the beginning
          </Button>
        )}
      </Group>
    </div>
  );
}

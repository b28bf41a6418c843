import {
  failureSentence,
  gradeWords,
  type JobDocument,
  verdictSentences,
  verificationReadings,
  type VerifyKey,
  verifyFields,
  writeNumber,
  writePercent,
} from '@katharos/contract';
import { type SystemDesign, type Verdict, verdict } from '@katharos/core';
import { Button, SegmentedControl, SimpleGrid, Stack, Text, Title } from '@mantine/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { NeedsSystem } from '../job/NeedsSystem.tsx';
import { useJob } from '../job/useJob.ts';
import { Figure } from '../quantities/Figure.tsx';
import { NoteField } from '../quantities/NoteField.tsx';
import { QuantityInput } from '../quantities/QuantityInput.tsx';
import { Tone, type ToneKind } from '../quantities/Tone.tsx';
import { useUnits } from '../quantities/useUnits.ts';
import { ComparisonTable } from './ComparisonTable.tsx';

/** Readings, what they should be, and a verdict in words. */
export function VerifyStage() {
  const { document } = useJob();
  if (!document.system) {
    return (
      <NeedsSystem
        title="Verify"
        reason="What the meter should read follows from the system that was chosen."
      />
    );
  }
  return <Verifying design={document.system.design} verify={document.verify} />;
}

function Verifying({ design, verify }: { design: SystemDesign; verify: JobDocument['verify'] }) {
  const { edit, job } = useJob();
  const judged = useMemo(() => {
    const readings = verificationReadings(verify);
    return readings ? verdict(design, readings) : null;
  }, [design, verify]);
  const faultAt = (key: VerifyKey) =>
    judged && !judged.ok && judged.failure.path === coreNames[key]
      ? key === 'productTds'
        ? 'Product TDS must be below feed TDS. Were the two cups swapped, or is the membrane not in?'
        : failureSentence({ ...judged.failure, path: verifyFields[key].label })
      : undefined;
  return (
    <Stack gap="md">
      <Title order={2} size="h3">
        Verify
      </Title>
      <section className="panel" aria-label="Readings">
        <Title order={3} size="h4">
          Readings
        </Title>
        <Text size="sm" c="dimmed" mb="sm">
          Tank valve closed, tap open for ten minutes, rinsed cup, same meter for both. Not the
          first tank, not the first glass after a night.
        </Text>
        <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
          {(Object.keys(verifyFields) as VerifyKey[]).map((key) => (
            <VerifyReading key={key} name={key} fault={faultAt(key)} />
          ))}
        </SimpleGrid>
      </section>
      <Checks verify={verify} />
      {judged === null && <MissingReadings verify={verify} />}
      {judged && !judged.ok && !Object.values(coreNames).includes(judged.failure.path) && (
        <Tone kind="bad" head="These readings do not go together" role="alert">
          {failureSentence(judged.failure)}
        </Tone>
      )}
      {judged?.ok && <VerdictPanel verdict={judged.value} />}
      <NoteField
        label="Remark"
        value={verify.note}
        onSave={(note) => edit((current) => ({ verify: { ...current.verify, note } }))}
      />
      {judged?.ok && (
        <Button
          size="lg"
          component={Link}
          to={`/jobs/${job.id}/keep`}
          style={{ alignSelf: 'flex-start' }}
        >
          Go on to the certificate
        </Button>
      )}
    </Stack>
  );
}

/** How the core names the readings in a failure's path. */
const coreNames: Record<VerifyKey, string> = {
  feedTds: 'feedTdsMgL',
  productTds: 'productTdsMgL',
  temperature: 'temperatureC',
  pressure: 'pressureBar',
  productFlow: 'productFlowLPerH',
  drainFlow: 'drainFlowLPerH',
};

function VerifyReading({ name, fault }: { name: VerifyKey; fault: string | undefined }) {
  const { document, edit, stamp } = useJob();
  return (
    <QuantityInput
      field={verifyFields[name]}
      quantity={document.verify.readings[name]}
      fault={fault}
      onCommit={(quantity) =>
        edit(({ verify }) => {
          const { [name]: _old, ...rest } = verify.readings;
          const { at, by } = stamp();
          const readings = quantity ? { ...rest, [name]: { ...quantity, takenAt: at, by } } : rest;
          return { verify: { ...verify, readings } };
        })
      }
    />
  );
}

function MissingReadings({ verify }: { verify: JobDocument['verify'] }) {
  const needed: VerifyKey[] = ['feedTds', 'productTds', 'temperature', 'pressure'];
  const missing = needed.filter((key) => !verify.readings[key]);
  return (
    <Tone kind="warn" head="No verdict yet">
      Still to read: {missing.map((key) => verifyFields[key].label.toLowerCase()).join(', ')}. The
      flows are not needed for the rejection, but they tell faults apart.
    </Tone>
  );
}

function Checks({ verify }: { verify: JobDocument['verify'] }) {
  const { edit } = useJob();
  const set = (change: Partial<JobDocument['verify']>) =>
    edit((current) => ({ verify: { ...current.verify, ...change } }));
  return (
    <section className="panel" aria-label="Tests">
      <SimpleGrid cols={{ base: 1, sm: 2 }}>
        <div>
          <Text fw={560}>Shut-off test</Text>
          <Text size="sm" c="dimmed" mb={4}>
            Tank full or its valve closed: the drain stops within minutes; tap open: it starts
            again.
          </Text>
          <SegmentedControl
            fullWidth
            size="md"
            aria-label="Shut-off test"
            value={verify.shutoffTest}
            onChange={(value) => set({ shutoffTest: value })}
            data={[
              { value: 'not-done', label: 'Not done' },
              { value: 'passed', label: 'Stops' },
              { value: 'failed', label: 'Runs on' },
            ]}
          />
        </div>
        <div>
          <Text fw={560}>Leak check</Text>
          <Text size="sm" c="dimmed" mb={4}>
            A dry tissue round every joint, with the tank full.
          </Text>
          <SegmentedControl
            fullWidth
            size="md"
            aria-label="Leak check"
            value={verify.leakCheck}
            onChange={(value) => set({ leakCheck: value })}
            data={[
              { value: 'not-done', label: 'Not done' },
              { value: 'dry', label: 'Dry' },
              { value: 'leak', label: 'Leak' },
            ]}
          />
        </div>
      </SimpleGrid>
    </section>
  );
}

const tones: Record<Verdict['grade'], ToneKind> = { good: 'good', marginal: 'warn', fail: 'bad' };

function VerdictPanel({ verdict: judged }: { verdict: Verdict }) {
  const { say } = useUnits();
  const kind: ToneKind =
    judged.grade === 'good' && !judged.asExpected ? 'warn' : tones[judged.grade];
  const [first, ...rest] = verdictSentences(judged, say);
  return (
    <section className="panel" aria-label="Verdict">
      <Stack>
        <SimpleGrid cols={{ base: 1, xs: 2 }}>
          <div data-testid="measured-rejection">
            <Figure
              hero
              label="Rejection"
              value={{ text: writeNumber(judged.rejection.measured * 100, 1), unit: '%' }}
              beside={`expected ${writePercent(judged.rejection.expected, 1)} ± ${writeNumber(judged.rejection.band * 100, 1)}`}
              why={{
                equation:
                  '1 − product TDS / feed TDS, beside what the model gives for this feed, pressure and temperature with the tap open.',
                source:
                  'Solution-diffusion model with the element’s rating; the band is two standard uncertainties of meter, thermometer, gauge and element.',
                inputs: [
                  ['Product expected', say('tds', judged.productTds.expected)],
                  ['Band', say('tds', judged.productTds.band)],
                ],
              }}
            />
          </div>
          <Tone kind={kind} head={gradeWords[judged.grade]} role="status">
            {first}
          </Tone>
        </SimpleGrid>
        {rest.map((sentence) => (
          <Text key={sentence}>{sentence}</Text>
        ))}
        <ComparisonTable verdict={judged} />
      </Stack>
    </section>
  );
}

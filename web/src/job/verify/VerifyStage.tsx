import {
  failureSentence,
  fieldWords,
  judgementSentences,
  limitSentence,
  verdictSentences,
} from '@katharos/words';
import {
  basicVerifyKeys,
  type BasicVerifyKey,
  examinationOf,
  certificationOf,
  limitsOf,
  type JobDocument,
  testKeys,
  testInstrumentsFor,
  verificationReadings,
  verifyFields,
} from '@katharos/job';
import {
  judgedBy,
  type Judgement,
  judgementOf,
  limitsFound,
  isUltravioletLine,
  type SystemDesign,
  type Verdict,
  verdict,
} from '@katharos/core';
import { FlushFindings } from '../flush/FlushFindings.tsx';
import { useSizing } from '../open/sizingContext.ts';
import { NeedsSystem } from '../open/NeedsSystem.tsx';
import { remembered } from '../open/remembered.ts';
import { useDocument, useJob } from '../open/useJob.ts';
import { Figure } from '../../ui/Figure.tsx';
import { NoteField } from '../../ui/typed/NoteField.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { type Computed, useComputed } from '../../workers/useComputed.ts';
import type { Examined } from '../../workers/tasks.ts';
import { useSession } from '../../data/session.ts';
import { useReader } from '../../ui/useReader.ts';
import { AcceptanceNotice } from './AcceptanceNotice.tsx';
import { Checks } from './Checks.tsx';
import { Complaints } from './Complaints.tsx';
import { ComparisonTable } from './ComparisonTable.tsx';
import { DiagnosisPanel } from './DiagnosisPanel.tsx';
import { EarlierVerifications } from './EarlierVerifications.tsx';
import { LaboratoryAndStrips } from './LaboratoryAndStrips.tsx';
import { LampAndGerms } from './LampAndGerms.tsx';
import { Mending } from './Mending.tsx';
import { OtherReadings } from './OtherReadings.tsx';
import { ConnectMeter, MetersPanel } from './meters/MetersPanel.tsx';
import { PracticeProvider } from './meters/PracticeProvider.tsx';
import { ReadWith } from './ReadWith.tsx';
import { SampledAt } from './SampledAt.tsx';
import { VerifyingLamp } from './VerifyingLamp.tsx';
import { VerifyReading } from './VerifyReading.tsx';
import { Button, Group, SimpleGrid, Stack, Text, Title } from '@mantine/core';
import { Link } from 'react-router';

/** Readings, what they should be, and a verdict in words. */
export function VerifyStage() {
  const document = useDocument();
  if (!document.system) {
    return (
      <NeedsSystem
        title="Verify"
        reason="What the meter should read follows from the system that was chosen."
      />
    );
  }
  const { design } = document.system;
  return isUltravioletLine(design) ? (
    <VerifyingLamp line={design} />
  ) : (
    <Verifying design={design} />
  );
}

const verdictOn = remembered((design: SystemDesign, document: JobDocument) => {
  const readings = verificationReadings(document);
  return readings ? verdict(design, readings, testInstrumentsFor(document.verify)) : null;
});
const examinationIn = remembered(examinationOf);

function Verifying({ design }: { design: SystemDesign }) {
  const { document, edit, jobId } = useJob();
  const { verify } = document;
  const { brief } = useSizing();
  const judged = verdictOn(design, document);
  const today = brief?.ok ? brief.value.task.waters.today : null;
  const { settings } = useSession()!.firm;
  const examination = examinationIn(document, settings);
  const [weighing, { again }] = useComputed('examine', examination ?? null, { settleMs });
  const further = testKeys.filter((key) => verify.readings[key]);
  const faultAt = (key: BasicVerifyKey) =>
    judged && !judged.ok && judged.failure.path === coreNames[key]
      ? key === 'productTds'
        ? 'Product TDS must be below feed TDS. Were the two cups swapped, or is the membrane not in?'
        : failureSentence({ ...judged.failure, path: fieldWords[verifyFields[key].name].label })
      : undefined;
  return (
    <PracticeProvider>
      <Stack gap="md">
        <Title order={2} size="h3">
          Verify
        </Title>
        {today && <FlushFindings design={design} water={today} />}
        <EarlierVerifications verify={verify} />
        <Mending design={design} />
        <MetersPanel />
        <section className="panel" aria-label="Readings">
          <Group justify="space-between">
            <Title order={3} size="h4">
              Readings
            </Title>
            <ConnectMeter />
          </Group>
          <Text size="sm" c="dimmed" mb="sm">
            Tank valve closed, tap open for ten minutes, rinsed cup, same meter for both. Not the
            first tank, not the first glass after a night.
          </Text>
          <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
            {basicVerifyKeys.map((key) => (
              <VerifyReading key={key} name={key} fault={faultAt(key)} />
            ))}
            {further.map((key) => (
              <VerifyReading key={key} name={key} />
            ))}
          </SimpleGrid>
          <SampledAt design={design} />
          <ReadWith design={design} />
        </section>
        <Checks />
        <LaboratoryAndStrips />
        <Complaints verify={verify} />
        <LampAndGerms />
        {examination && (
          <DiagnosisPanel examination={examination} state={weighing} onAgain={again} />
        )}
        {examination && <OtherReadings examination={examination} design={design} />}
        {judged === null && <MissingReadings verify={verify} />}
        {judged && !judged.ok && !Object.values(coreNames).includes(judged.failure.path) && (
          <Tone kind="bad" head="These readings do not go together" role="alert">
            {failureSentence(judged.failure)}
          </Tone>
        )}
        {judged?.ok && (
          <VerdictPanel
            verdict={judged.value}
            document={document}
            judgement={judgementFrom(weighing)}
            elsewhere={(verify.samplePoint ?? 'membrane-outlet') !== 'membrane-outlet'}
          />
        )}
        <NoteField
          label="Remark"
          keptAs="remark"
          most={2000}
          value={verify.note}
          onSave={(note, of) => edit((current) => ({ verify: { ...current.verify, note } }), of)}
        />
        {judged?.ok && (
          <Button
            size="lg"
            component={Link}
            to={`/jobs/${jobId}/keep`}
            style={{ alignSelf: 'flex-start' }}
          >
            Go on to the certificate
          </Button>
        )}
      </Stack>
    </PracticeProvider>
  );
}

/** A new reading ends the work on those before it; typing on is waited for, ms. */
const settleMs = 150;

/** What the readings come to, as far as they are weighed. */
function judgementFrom(state: Computed<Examined | null>): Judgement | null | undefined {
  if (state.kind === 'failed') return null;
  if (state.kind !== 'done') return undefined;
  return state.value && judgementOf(state.value.diagnosis);
}

/** How the core names the readings in a failure's path. */
const coreNames: Record<BasicVerifyKey, string> = {
  feedTds: 'feedTdsMgL',
  productTds: 'productTdsMgL',
  temperature: 'temperatureC',
  pressure: 'pressureBar',
  productFlow: 'productFlowLPerH',
  drainFlow: 'drainFlowLPerH',
};

function MissingReadings({ verify }: { verify: JobDocument['verify'] }) {
  const reader = useReader();
  const needed: BasicVerifyKey[] = ['feedTds', 'productTds', 'temperature', 'pressure'];
  const missing = needed.filter((key) => !verify.readings[key]);
  return (
    <Tone kind="warn" head="No verdict yet">
      Still to read:{' '}
      {reader.list(missing.map((key) => reader.within(fieldWords[verifyFields[key].name].label)))}.
      The flows are not needed for the rejection, but they tell faults apart.
    </Tone>
  );
}

interface VerdictPanelProps {
  verdict: Verdict;
  document: JobDocument;
  /** Null where it cannot be weighed; undefined while it is. */
  judgement: Judgement | null | undefined;
  /** The product's cup was filled behind the tank or the minerals. */
  elsewhere: boolean;
}

function VerdictPanel({ verdict: found, document, judgement, elsewhere }: VerdictPanelProps) {
  const reader = useReader();
  const { settings } = useSession()!.firm;
  const limits = limitsOf(settings);
  const judged = judgement ? judgedBy(found, judgement, limits) : null;
  const certified = certificationOf(document, judged, settings.ionLimits);
  return (
    <section className="panel" aria-label="Verdict">
      <Stack>
        <SimpleGrid cols={{ base: 1, xs: 2 }}>
          <div data-testid="measured-rejection">
            <Figure
              hero
              label="Rejection"
              value={{ text: reader.number(found.rejection.measured * 100, 1), unit: '%' }}
              beside={`expected ${reader.percent(found.rejection.expected, 1)} ± ${reader.number(found.rejection.band * 100, 1)}`}
              why={{
                equation:
                  '1 − product TDS / feed TDS, beside what the model gives for this feed, pressure and temperature with the tap open.',
                source:
                  'Solution-diffusion model with the element’s rating; the band is two standard uncertainties of meter, thermometer, gauge and element.',
                inputs: [
                  ['Product expected', reader.say('tds', found.productTds.expected)],
                  ['Band', reader.say('tds', found.productTds.band)],
                ],
              }}
            />
          </div>
          {judgement === undefined ? (
            <Text role="status">Weighing all that was read</Text>
          ) : (
            certified && <AcceptanceNotice certified={certified} />
          )}
        </SimpleGrid>
        {elsewhere && (
          <Text>
            The cup was not filled at the membrane: this is the rejection of the water in it. What
            is behind it, above, reckons with where it was filled.
          </Text>
        )}
        {judgement &&
          judgementSentences(judgement, reader).map((sentence) => (
            <Text key={sentence}>{sentence}</Text>
          ))}
        {limitsFound(found, limits).map((limit) => (
          <Text key={limit.of}>{limitSentence(limit, reader)}</Text>
        ))}
        {verdictSentences(found, reader, 'installer', judgement ?? null).map((sentence) => (
          <Text key={sentence}>{sentence}</Text>
        ))}
        <ComparisonTable verdict={found} />
      </Stack>
    </section>
  );
}

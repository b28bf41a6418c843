import { certificationOf, lampReadings, ultravioletVerdict, verifyFields } from '@katharos/job';
import { fieldWords, ultravioletSentence } from '@katharos/words';
import { isAddedLamp, type UltravioletLine } from '@katharos/core';
import { useJob } from '../open/useJob.ts';
import { NoteField } from '../../ui/typed/NoteField.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { AcceptanceNotice } from './AcceptanceNotice.tsx';
import { Checks } from './Checks.tsx';
import { useSession } from '../../data/session.ts';
import { LaboratoryAndStrips } from './LaboratoryAndStrips.tsx';
import { LampAndGerms } from './LampAndGerms.tsx';
import { VerifyReading } from './VerifyReading.tsx';
import { Button, SimpleGrid, Stack, Text, Title } from '@mantine/core';
import { Link } from 'react-router';

/** A lamp without a membrane: dissolved solids say nothing about it; flow, dose and a laboratory do. */
export function VerifyingLamp({ line }: { line: UltravioletLine }) {
  const { document, edit, jobId } = useJob();
  const reader = useReader();
  const found = ultravioletVerdict(document, line);
  const { verify } = document;
  const { settings } = useSession()!.firm;
  const certified = certificationOf(document, null, settings.ionLimits);
  const added = isAddedLamp(line);
  const needed = lampReadings(line);
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
          {added
            ? 'Lamp lit for a minute, tap fully open: flow by jug and stopwatch, and the TDS of supply and product, for the lamp is as good as the membrane ahead of it.'
            : 'There is no membrane, so dissolved solids have nothing to tell. Lamp lit for a minute, tap fully open: measure its flow by jug and stopwatch.'}
        </Text>
        <SimpleGrid cols={{ base: 1, xs: 2, md: 3 }} verticalSpacing="md">
          {needed.map((name) => (
            <VerifyReading
              key={name}
              name={name}
              wordsOf={name === 'productFlow' ? 'litFlow' : undefined}
            />
          ))}
          <VerifyReading name="temperature" />
          {!added && <VerifyReading name="pressure" />}
        </SimpleGrid>
      </section>
      <Checks />
      <LaboratoryAndStrips />
      <LampAndGerms />
      {found ? (
        <>
          {certified && <AcceptanceNotice certified={certified} />}
          <Text>{ultravioletSentence(found, reader)}</Text>
        </>
      ) : (
        <Tone kind="warn" head="No verdict yet">
          Still to read:{' '}
          {needed
            .filter((name) => !verify.readings[name])
            .map((name) => reader.within(fieldWords[verifyFields[name].name].label))
            .join(', ')}
          .
        </Tone>
      )}
      <NoteField
        label="Remark"
        keptAs="remark"
        most={2000}
        value={verify.note}
        onSave={(note, of) => edit((current) => ({ verify: { ...current.verify, note } }), of)}
      />
      {found && (
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
  );
}

import { certificateOf } from '@katharos/papers';
import { useSession } from '../../data/session.ts';
import { useJob, useJobId, useOpenJob } from '../open/useJob.ts';
import { NoteField } from '../../ui/NoteField.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { CertificateSheet } from '../../papers/CertificateSheet.tsx';
import { Anchor, Button, Group, Stack, Text, Title } from '@mantine/core';
import { Link } from 'react-router';
import styles from '../../papers/Certificate.module.css';

/** The certificate: seen, issued, printed, kept. */
export function KeepStage() {
  const { jobId, document, edit, stamp } = useJob();
  const number = useOpenJob((job) => job.number);
  const session = useSession();
  const { units } = useReader();
  const firm = session?.firm;
  const certificate =
    firm &&
    certificateOf({
      number,
      document,
      firm: { ...firm, settings: { ...firm.settings, units } },
    });
  const issued = document.keep.issued;
  const unsaved = useOpenJob(({ save }) => save.kind !== 'saved');
  if (!certificate) {
    return (
      <Stack>
        <Title order={2} size="h3">
          Keep
        </Title>
        <Tone kind="warn" head="Nothing to certify yet">
          The certificate is made from the chosen system and the verification readings.{' '}
          <Anchor component={Link} to={`/jobs/${jobId}/verify`}>
            Take the readings
          </Anchor>
        </Tone>
        <JobFileLink />
      </Stack>
    );
  }
  return (
    <Stack gap="md">
      <Group justify="space-between" className="no-print">
        <Title order={2} size="h3">
          Keep
        </Title>
        <Group>
          {unsaved ? (
            <>
              <Button variant="default" size="md" disabled>
                PDF
              </Button>
              <Button variant="default" size="md" disabled>
                Print page
              </Button>
            </>
          ) : (
            <>
              <Button
                variant="default"
                size="md"
                component="a"
                href={`/api/jobs/${jobId}/certificate.pdf?units=${units}`}
                target="_blank"
              >
                PDF
              </Button>
              <Button
                variant="default"
                size="md"
                component={Link}
                to={`/jobs/${jobId}/certificate`}
              >
                Print page
              </Button>
            </>
          )}
          {issued ? (
            <Button
              size="md"
              variant="default"
              onClick={() => edit((current) => ({ keep: { ...current.keep, issued: null } }))}
            >
              Take the issue back
            </Button>
          ) : (
            <Button
              size="md"
              onClick={() => edit((current) => ({ keep: { ...current.keep, issued: stamp() } }))}
            >
              Issue and hand over
            </Button>
          )}
        </Group>
      </Group>
      {issued ? (
        <Tone kind="good" head="Handed over">
          Issued by {issued.by} on {issued.at.slice(0, 10)}.
        </Tone>
      ) : (
        certificate.grade === 'fail' && (
          <Tone kind="bad" head="This system did not pass">
            It can still be documented, and the sheet says plainly that it failed. Better: find the
            cause and verify again.
          </Tone>
        )
      )}
      <div className={styles.keep}>
        <CertificateSheet certificate={certificate} />
        <section className="panel no-print" aria-label="For the next visit">
          <NoteField
            label="Remark for the next visit"
            value={document.keep.remark}
            onSave={(remark) => edit((current) => ({ keep: { ...current.keep, remark } }))}
          />
          <Text size="sm" c="dimmed" mt="xs">
            The remark is for you; it does not stand on the certificate.
          </Text>
          <JobFileLink />
        </section>
      </div>
    </Stack>
  );
}

/** The whole job as a file, in an open format, for another firm or for safekeeping. */
function JobFileLink() {
  const jobId = useJobId();
  return (
    <div>
      <Anchor href={`/api/jobs/${jobId}/file`} download style={{ lineHeight: '44px' }}>
        Save the job as a file
      </Anchor>
      <Text size="sm" c="dimmed">
        Holds everything of this job; “Open a job file” on the list of jobs brings it back.
      </Text>
    </div>
  );
}

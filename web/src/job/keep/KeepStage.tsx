import type { PaperRecord } from '@katharos/contract';
import type { Certificate } from '@katharos/papers';
import { isUltravioletLine } from '@katharos/core';
import { certificateGaps, saysTheSame } from '@katharos/job';
import { useSession } from '../../data/session.ts';
import { useMay } from '../../data/useMay.ts';
import { useDocument, useJob, useJobId, useOpenJob } from '../open/useJob.ts';
import { useJobDeeds } from '../open/useJobDeeds.ts';
import { troubleOf } from '../../data/api.ts';
import { LoadTrouble } from '../../ui/LoadTrouble.tsx';
import { NoteField } from '../../ui/typed/NoteField.tsx';
import { late } from '../../ui/late.tsx';
import { linkUnderAThumb } from '../../ui/underAThumb.ts';
import { Tone } from '../../ui/Tone.tsx';
import { ViewSwitch } from '../../ui/ViewSwitch.tsx';
import { useReader } from '../../ui/useReader.ts';
import { CertificateSheet } from '../../papers/CertificateSheet.tsx';
import { useDraftCertificate } from '../../papers/useDraftCertificate.ts';
import { useIssue } from '../../papers/useIssue.ts';
import { useIssued } from '../../papers/useIssued.ts';
import {
  Anchor,
  Button,
  Group,
  Loader,
  NativeSelect,
  Skeleton,
  Stack,
  Text,
  Title,
} from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import styles from '../../papers/Certificate.module.css';

const IssueDialog = late(async () => (await import('../../papers/IssueDialog.tsx')).IssueDialog);

const ServiceView = late(
  async () => (await import('./service/ServiceView.tsx')).ServiceView,
  <Skeleton height="60vh" aria-label="Opening the years of service" />,
);

type Version = number | 'draft' | null;

const views = [
  { value: 'certificate', label: 'Certificate' },
  { value: 'service', label: 'In service' },
] as const;
type View = (typeof views)[number]['value'];

/** What is handed over, and the years after it. */
export function KeepStage() {
  const document = useDocument();
  const [params, setParams] = useSearchParams();
  const isMembrane = document.system !== null && !isUltravioletLine(document.system.design);
  const view: View = params.get('view') === 'service' && isMembrane ? 'service' : 'certificate';
  return (
    <Stack gap="md">
      {isMembrane && (
        <ViewSwitch
          label="View of keeping"
          value={view}
          views={views}
          onChange={(next) =>
            setParams(next === 'service' ? { view: next } : {}, { replace: true })
          }
        />
      )}
      {view === 'service' ? <ServiceView /> : <CertificateView />}
    </Stack>
  );
}

/** The certificate: seen as a draft, issued as a record, printed, kept; a change makes a new version beside the old one. */
function CertificateView() {
  const jobId = useJobId();
  const { certificate: draft, weighing } = useDraft();
  const [version, setVersion] = useState<Version>(null);
  const wanted = typeof version === 'number' ? version : undefined;
  const issued = useIssued(jobId, 'certificate', wanted);
  const { records, record, paper, error, refetch } = issued;
  const isBare = !draft && records.length === 0;
  // Which versions there are is known before anything stands: they would push it down.
  if (issued.isLoading || (isBare && weighing)) {
    return <Loader aria-label="Weighing all that was read" m="xl" />;
  }
  if (isBare) return <NothingYet />;
  const frozen = paper?.content as unknown as Certificate | undefined;
  const showsDraft = version === 'draft' || !record;
  const shown = showsDraft ? draft : frozen;
  return (
    <Stack gap="md">
      <Group justify="space-between" align="flex-end" className="no-print">
        <Title order={2} size="h3">
          Keep
        </Title>
        <Group align="flex-end">
          {record && (
            <VersionSelect
              records={records}
              version={version ?? record.version}
              onChange={setVersion}
            />
          )}
          <Outputs record={showsDraft ? null : record} />
          <IssueButton issuedBefore={records.length > 0} mayIssue={draft !== undefined} />
        </Group>
      </Group>
      <Standing
        draft={draft}
        newest={records[0]}
        frozen={record === records[0] ? frozen : undefined}
      />
      <div className={styles.keep}>
        {shown ? (
          <CertificateSheet certificate={shown} record={showsDraft ? null : record} />
        ) : !showsDraft && error ? (
          <LoadTrouble message={troubleOf(error).message} onRetry={() => void refetch()} />
        ) : (
          // What stands below it is not pushed away when it comes.
          <Skeleton height="100vh" radius="lg" aria-label="Fetching the certificate" />
        )}
        <Remark />
      </div>
    </Stack>
  );
}

/** The certificate as it would be now, in the reader's units. */
function useDraft() {
  const { document } = useJob();
  const number = useOpenJob((job) => job.number);
  const firm = useSession()?.firm;
  const { units } = useReader();
  const own = useMemo(
    () => firm && { ...firm, settings: { ...firm.settings, units } },
    [firm, units],
  );
  return useDraftCertificate({ number, document }, own);
}

/** What a certificate says apart from when and by whom it was issued. */
function plain({
  issued: _issued,
  signature: _signature,
  caveats: _caveats,
  ...rest
}: Certificate) {
  return rest;
}

const useIssuing = (): boolean =>
  useJobDeeds().some((deed) => deed.kind === 'paper' && deed.paper === 'certificate');

/** How the newest record stands to the job as it is. */
function Standing({
  draft,
  newest,
  frozen,
}: {
  draft: Certificate | undefined;
  newest: PaperRecord | undefined;
  /** What stands on the newest, where that is known. */
  frozen: Certificate | undefined;
}) {
  const issuing = useIssuing();
  if (issuing) {
    return (
      <Tone kind="warn" head="Being issued" role="status">
        It becomes a record as soon as the server answers; until then it is kept here.
      </Tone>
    );
  }
  if (newest && draft && frozen && !saysTheSame(plain(draft), plain(frozen))) {
    return (
      <Tone kind="warn" head={`Version ${newest.version} stands as it was issued`} role="status">
        What it was made from has changed since. Issue a new version to say so; the old one stays.
      </Tone>
    );
  }
  if (newest) {
    return (
      <Tone kind="good" head="Handed over">
        Version {newest.version}, issued by {newest.issuedBy}.
      </Tone>
    );
  }
  return draft?.grade === 'not-accepted' ? (
    <Tone kind="bad" head="Not accepted">
      It can still be documented, and the sheet says plainly that it is not accepted, and why.
      Better: find the cause and verify again.
    </Tone>
  ) : null;
}

function VersionSelect({
  records,
  version,
  onChange,
}: {
  records: readonly PaperRecord[];
  version: Exclude<Version, null>;
  onChange: (version: Version) => void;
}) {
  return (
    <NativeSelect
      aria-label="Which version"
      size="md"
      value={String(version)}
      onChange={({ currentTarget: { value } }) =>
        onChange(value === 'draft' ? 'draft' : Number(value))
      }
      data={[
        ...records.map((one) => ({
          value: String(one.version),
          label: `Version ${one.version}, issued`,
        })),
        { value: 'draft', label: 'As it would be now' },
      ]}
    />
  );
}

/** Ways to take a version, or the draft, out of the program; a draft is what the server has. */
function Outputs({ record }: { record: PaperRecord | null }) {
  const jobId = useJobId();
  const { units } = useReader();
  const unsaved = useOpenJob(({ save }) => save.kind !== 'saved');
  const pdf = record
    ? `/api/jobs/${jobId}/papers/${record.id}/pdf`
    : `/api/jobs/${jobId}/certificate.pdf?units=${units}`;
  const page = `/jobs/${jobId}/certificate${record ? `?version=${record.version}` : '?draft'}`;
  return (
    <>
      {record === null && unsaved ? (
        <Button variant="default" size="md" disabled>
          PDF
        </Button>
      ) : (
        <Button variant="default" size="md" component="a" href={pdf} target="_blank">
          PDF
        </Button>
      )}
      <Button variant="default" size="md" component={Link} to={page}>
        Print page
      </Button>
    </>
  );
}

function IssueButton({ issuedBefore, mayIssue }: { issuedBefore: boolean; mayIssue: boolean }) {
  const { jobId, document, edit, stamp } = useJob();
  const issue = useIssue(jobId);
  const issuing = useIssuing();
  const [asking, setAsking] = useState(false);
  // A helper records; somebody else answers for it.
  const isAllowed = useMay('issue');
  const gaps = certificateGaps(document);
  const handOver = async (reason: string) => {
    setAsking(false);
    edit((current) => ({ keep: { ...current.keep, issued: stamp() } }));
    await issue('certificate', { reason, regardless: gaps.length > 0 });
  };
  return (
    <>
      <Button
        size="md"
        variant={issuedBefore ? 'default' : 'filled'}
        disabled={!mayIssue || issuing || !isAllowed}
        title={isAllowed ? undefined : 'Your part in the firm does not issue papers'}
        onClick={() => setAsking(true)}
      >
        {issuedBefore ? 'Issue a new version' : 'Issue and hand over'}
      </Button>
      {asking && (
        <IssueDialog
          title="Issue the certificate"
          gaps={gaps}
          again={issuedBefore}
          onIssue={(reason) => void handOver(reason)}
          onClose={() => setAsking(false)}
        />
      )}
    </>
  );
}

function NothingYet() {
  const jobId = useJobId();
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

function Remark() {
  const { document, edit } = useJob();
  return (
    <section className="panel no-print" aria-label="For the next visit">
      <NoteField
        label="Remark for the next visit"
        keptAs="remark"
        value={document.keep.remark}
        onSave={(remark, of) => edit((current) => ({ keep: { ...current.keep, remark } }), of)}
      />
      <Text size="sm" c="dimmed" mt="xs">
        The remark is for you; it does not stand on the certificate.
      </Text>
      <JobFileLink />
    </section>
  );
}

/** The whole job as a file, in an open format, for another firm or for safekeeping. */
function JobFileLink() {
  const jobId = useJobId();
  return (
    <div>
      <Anchor href={`/api/jobs/${jobId}/file`} download style={linkUnderAThumb}>
        Save the job as a file
      </Anchor>
      <Text size="sm" c="dimmed">
        Holds everything of this job; “Open a job file” on the list of jobs brings it back.
      </Text>
      <Anchor component={Link} to={`/log?job=${jobId}`} style={linkUnderAThumb}>
        What was done on this job, and how it stood before
      </Anchor>
    </div>
  );
}

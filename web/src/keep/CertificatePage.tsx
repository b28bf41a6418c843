import { certificateOf } from '@katharos/contract';
import { Button, Container, Group, Loader, Text } from '@mantine/core';
import { Link, Navigate, useParams } from 'react-router';
import { troubleOf, useJobQuery, useSessionQuery } from '../app/api.ts';
import { MissingPage } from '../app/FailurePages.tsx';
import { useUnits } from '../quantities/useUnits.ts';
import { CertificateSheet } from './CertificateSheet.tsx';

/** The certificate alone on the page, for printing. */
export function CertificatePage() {
  const { id = '' } = useParams();
  const session = useSessionQuery();
  const job = useJobQuery(id, { refetchOnMountOrArgChange: true });
  const { system: units } = useUnits();
  if (session.error && troubleOf(session.error).code === 'not-signed-in') {
    return <Navigate to={`/sign-in?to=/jobs/${id}/certificate`} replace />;
  }
  if (job.error) return <MissingPage />;
  if (!job.data || !session.data) return <Loader aria-label="Opening" m="xl" />;
  const { firm } = session.data;
  const certificate = certificateOf({
    number: job.data.number,
    document: job.data.document,
    firm: { ...firm, settings: { ...firm.settings, units } },
  });
  return (
    <main>
      <style>{`@page { size: ${firm.settings.paper === 'A4' ? 'A4' : 'letter'}; margin: 18mm; }`}</style>
      <Container size={880} py="lg">
        <Group className="no-print" mb="md" justify="space-between">
          <Button variant="default" size="md" component={Link} to={`/jobs/${id}/keep`}>
            Back to the job
          </Button>
          <Button size="md" onClick={() => window.print()} disabled={!certificate}>
            Print
          </Button>
        </Group>
        {certificate ? (
          <CertificateSheet certificate={certificate} />
        ) : (
          <Text>There is nothing to certify yet: the system or the readings are missing.</Text>
        )}
      </Container>
    </main>
  );
}

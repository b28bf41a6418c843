import type { Session } from '@katharos/contract';
import type { JobDocument } from '@katharos/job';
import type { Certificate } from '@katharos/papers';
import { useParams } from 'react-router';
import { PaperPage } from './PaperPage.tsx';
import { CertificateSheet } from './CertificateSheet.tsx';
import { useDraftCertificate } from './useDraftCertificate.ts';
import { useVersion } from './useVersion.ts';
import { Loader, Text } from '@mantine/core';

/** The certificate alone on the page, for printing: a version as it was issued, or a draft. */
export function CertificatePage() {
  const { id = '' } = useParams();
  const { record, paper, isLoading } = useVersion(id, 'certificate');
  const pdf = record ? `papers/${record.id}/pdf` : 'certificate.pdf';
  return (
    <PaperPage name="Certificate" back="keep" pdf={pdf}>
      {({ number, document }, firm) => {
        if (isLoading || (record && !paper)) return null;
        return paper ? (
          <CertificateSheet
            certificate={paper.content as unknown as Certificate}
            record={record}
            seal={paper.seal}
          />
        ) : (
          <DraftSheet number={number} document={document} firm={firm} />
        );
      }}
    </PaperPage>
  );
}

interface DraftProps {
  number: number;
  document: JobDocument;
  firm: Session['firm'];
}

function DraftSheet({ number, document, firm }: DraftProps) {
  const { certificate, weighing } = useDraftCertificate({ number, document }, firm);
  if (weighing) return <Loader aria-label="Weighing all that was read" m="xl" />;
  return certificate ? (
    <CertificateSheet certificate={certificate} record={null} />
  ) : (
    <Text>There is nothing to certify yet: the system or the readings are missing.</Text>
  );
}

import { type Certificate, certificateOf } from '@katharos/papers';
import { useParams } from 'react-router';
import { PaperPage } from './PaperPage.tsx';
import { CertificateSheet } from './CertificateSheet.tsx';
import { useVersion } from './useVersion.ts';
import { Text } from '@mantine/core';

/** The certificate alone on the page, for printing: a version as it was issued, or a draft. */
export function CertificatePage() {
  const { id = '' } = useParams();
  const { record, paper, isLoading } = useVersion(id, 'certificate');
  const pdf = record ? `papers/${record.id}/pdf` : 'certificate.pdf';
  return (
    <PaperPage name="Certificate" back="keep" pdf={pdf}>
      {({ number, document }, firm) => {
        if (isLoading || (record && !paper)) return null;
        const certificate = paper
          ? (paper.content as unknown as Certificate)
          : certificateOf({ number, document, firm });
        return certificate ? (
          <CertificateSheet certificate={certificate} record={record} />
        ) : (
          <Text>There is nothing to certify yet: the system or the readings are missing.</Text>
        );
      }}
    </PaperPage>
  );
}

import { certificateOf } from '@katharos/papers';
import { PaperPage } from './PaperPage.tsx';
import { CertificateSheet } from './CertificateSheet.tsx';
import { Text } from '@mantine/core';

/** The certificate alone on the page, for printing. */
export function CertificatePage() {
  return (
    <PaperPage name="Certificate" back="keep">
      {({ number, document }, firm) => {
        const certificate = certificateOf({ number, document, firm });
        return certificate ? (
          <CertificateSheet certificate={certificate} />
        ) : (
          <Text>There is nothing to certify yet: the system or the readings are missing.</Text>
        );
      }}
    </PaperPage>
  );
}

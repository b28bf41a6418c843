import { certificateOf } from '@katharos/contract';
import { Text } from '@mantine/core';
import { PaperPage } from '../app/PaperPage.tsx';
import { CertificateSheet } from './CertificateSheet.tsx';

/** The certificate alone on the page, for printing. */
export function CertificatePage() {
  return (
    <PaperPage back="keep">
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

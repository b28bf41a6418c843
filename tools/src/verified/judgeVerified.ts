import { diagnose, judgedBy, judgementOf, type Certification, verdict } from '@katharos/core';
import {
  certificationOf,
  examinationOf,
  limitsOf,
  testInstrumentsFor,
  usualFirmSettings,
  verificationReadings,
} from '@katharos/job';
import { readerOf, verdictSentences } from '@katharos/words';
import type { SystemDesign } from '@katharos/core';
import type { VerifiedCase } from './verifiedCases.ts';

const reader = readerOf({ units: 'metric' });
const limits = limitsOf(usualFirmSettings);

export interface JudgedCase {
  certified: Certification;
  /** What the paper says beyond that all is as expected. */
  remarks: string[];
}

/** What the paper of a case says: the certification, and every remark on a reading. */
export function judgeVerified({ document }: VerifiedCase): JudgedCase {
  const design = document.system!.design as SystemDesign;
  const readings = verificationReadings(document);
  const found = readings && verdict(design, readings, testInstrumentsFor(document.verify));
  const examination = examinationOf(document);
  const weighed = examination && diagnose(examination);
  const judgement = weighed?.ok ? judgementOf(weighed.value) : null;
  const judged = found?.ok ? judgedBy(found.value, judgement, limits) : null;
  const certified = certificationOf(document, judged)!;
  const said = found?.ok
    ? verdictSentences(found.value, reader, 'household', judgement).slice(1)
    : [];
  return {
    certified,
    remarks: [
      ...certified.faults,
      ...certified.remarks,
      ...said.filter((sentence) =>
        /is (above|below) the expected|below the expected range/.test(sentence),
      ),
    ],
  };
}

import { type Outcome, type Verdict, verdict } from '@katharos/core';
import type { ServiceVisitRecord } from '../document/serviceRecord.ts';
import { testInstrumentsFor } from '../brief/examination.ts';
import { readingsToJudge } from '../brief/brief.ts';
import { type Installed, membraneDesign } from './installed.ts';

/**
 * What the readings after everything was changed come to: held against a new membrane where one was put in. Undefined while too little was
 * read. Errors: those of `verdict`.
 */
export function visitVerdict(
  document: Installed,
  { after = {} }: Pick<ServiceVisitRecord, 'after'>,
): Outcome<Verdict> | undefined {
  const design = membraneDesign(document);
  const readings = readingsToJudge(document, after);
  return design && readings
    ? verdict(design, readings, testInstrumentsFor(document.verify))
    : undefined;
}

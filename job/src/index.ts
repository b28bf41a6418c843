export * from './catalogue/physical.ts';
export * from './catalogue/part.ts';
export * from './catalogue/partFields.ts';
export * from './catalogue/catalogueFile.ts';
export { starterCatalogue } from './catalogue/starterCatalogue.ts';
export * from './fields/fields.ts';
export * from './fields/firmSettings.ts';
export * from './fields/usualSettings.ts';
export * from './fields/instrument.ts';
export { householdSchema } from './fields/household.ts';
export { isPlainText } from './fields/plainText.ts';
export { text, wantedText } from './fields/text.ts';
export { fault, type SchemaFault } from './fields/schemaFault.ts';
export * from './fields/siteQuestions.ts';
export * from './fields/siteSchema.ts';
export * from './fields/stages.ts';
export { customerSchema } from './fields/customer.ts';
export { analyteLabel, recogniseAnalyte } from './laboratory/analyteNames.ts';
export * from './laboratory/readReport.ts';
export * from './laboratory/report.ts';
export * from './laboratory/reportFindings.ts';
export * from './document/job.ts';
export * from './document/newJob.ts';
export * from './fields/routeRange.ts';
export * from './document/jobFile.ts';
export * from './document/writtenFile.ts';
export { jobFileVersion } from './document/jobFileVersion.ts';
export { type Reading } from './document/reading.ts';
export { acceptedRegardless, isPractice } from './document/accepted.ts';
export { leakLooks, type LeakLooked } from './fields/leakLooks.ts';
export type { VerifyRecord } from './document/verifyRecord.ts';
export { type Merged, mergeDocuments, saysTheSame } from './document/merge.ts';
export * from './document/photographed.ts';
export * from './document/photographs.ts';
export {
  applyOverOwn,
  applyPatches,
  diffDocuments,
  inverted,
  joined,
  type Patch,
  valueAt,
} from './document/patch.ts';
export { storageSchemaOf } from './document/storageSchema.ts';
export {
  upgradeDocument1,
  upgradeDocument2,
  upgradeDocument3,
  upgradePart1,
} from './document/upgrade.ts';
export * from './brief/brief.ts';
export * from './brief/calibration.ts';
export * from './brief/examination.ts';
export * from './keeping/visitExamination.ts';
export { visitVerdict } from './keeping/visitVerdict.ts';
export { type TimedFill, timedFills } from './brief/fills.ts';
export * from './brief/gapCodes.ts';
export * from './brief/gaps.ts';
export { ageingBy, conditionKeys, historyOf, visitKeys } from './keeping/history.ts';
export { visitsInOrder } from './document/visitsInOrder.ts';
export { inUseSince, servicedSiteOf } from './keeping/installed.ts';
export * from './keeping/kept.ts';
export { type Need, needOf, needs, type SystemState } from './keeping/need.ts';
export * from './keeping/readRows.ts';
export type { ServiceVisitRecord } from './document/serviceRecord.ts';
export {
  visitFields,
  type VisitKind,
  visitKinds,
  type VisitSign,
  visitSigns,
} from './document/visits.ts';
export { documentPlaces } from './document/documentPlaces.ts';
export { writtenPlaceOf } from './document/whole.ts';
export {
  certificationOf,
  type Certified,
  certifyRequestOf,
  type IonLimits,
  supplyOf,
  trainOf,
} from './brief/certification.ts';
export { plumbedJobOf, type PlumbedJob } from './brief/plumbedJob.ts';
export { flushRecordOf } from './document/flushRecord.ts';
export { flushOf, isSanitisingAdvised } from './brief/flushOf.ts';
export * from './brief/lampFeed.ts';
export * from './brief/plumbingTask.ts';
export * from './brief/stage.ts';
export { stampPersons } from './document/persons.ts';

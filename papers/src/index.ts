export * from './certificate.ts';
export * from './proposal.ts';
export * from './issue.ts';
export * from './jobSheet.ts';
export { partsCsv } from './partsCsv.ts';
export { cabinetSvg } from './drawings/cabinetSvg.ts';
export * from './drawings/holePlanSvg.ts';
export { lineSvg } from './drawings/lineSvg.ts';
export { type CalendarSource, flushCalendar } from './flushCalendar.ts';

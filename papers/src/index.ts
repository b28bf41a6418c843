export * from './certificate.ts';
export * from './proposal.ts';
export { partsCsv } from './partsCsv.ts';
export { cabinetSvg } from './drawings/cabinetSvg.ts';
export * from './drawings/holePlanSvg.ts';

export * from './api.ts';
export * from './errors.ts';
export * from './photographs.ts';
export * from './van.ts';

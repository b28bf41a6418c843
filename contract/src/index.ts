export * from './errors.ts';
export * from './board.ts';
export * from './jobList.ts';
export * from './jobs.ts';
export * from './papers.ts';
export * from './photographs.ts';
export * from './session.ts';
export * from './van.ts';

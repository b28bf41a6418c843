export * from './solve.ts';
export { failureSentence } from './words/failures.ts';

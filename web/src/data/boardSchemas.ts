/** What the board's answer is checked by: parts of documents, which no page waits for. */
export { boardSchema } from '@katharos/contract';

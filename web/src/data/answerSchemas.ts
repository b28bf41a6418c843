/** What the server's answers are checked by: loaded with the first answer that another build gave. */
export { answerSchema } from '@katharos/contract';

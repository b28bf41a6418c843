/** What the answers are checked by that a job's page begins with. */
export { catalogueSchema, jobSchema } from '@katharos/contract';

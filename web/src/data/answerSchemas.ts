/** What the server's answers are checked by that any page may get. */
export {
  addedJobSchema,
  invitationFaceSchema,
  jobListSchema,
  metaSchema,
  resetFaceSchema,
  sessionSchema,
} from '@katharos/contract';

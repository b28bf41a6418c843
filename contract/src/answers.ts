import { firmSettingsSchema } from '@katharos/job';
import type { z } from 'zod';
import { auditPageSchema, auditReportSchema } from './audit.ts';
import { boardSchema } from './board.ts';
import { catalogueSchema, pricesSchema, wholeCatalogueSchema } from './catalogue.ts';
import { chainReportSchema } from './certificates.ts';
import {
  diarySchema,
  feedSchema,
  fleetSchema,
  forecastSchema,
  lettersSchema,
  neededListSchema,
  newFeedSchema,
  recallSchema,
  writtenSchema,
} from './diary.ts';
import { foundSchema } from './found.ts';
import { householdSideSchema } from './household.ts';
import { instrumentListSchema } from './instruments.ts';
import { addedJobSchema, jobListSchema, savedJobSchema } from './jobList.ts';
import { jobSchema, jobVersionSchema } from './jobs.ts';
import { issuedPaperSchema, paperListSchema } from './papers.ts';
import { invitationFaceSchema, invitedSchema, openSessionsSchema, peopleSchema } from './people.ts';
import { photographListSchema } from './photographs.ts';
import {
  begunFactorSchema,
  factorSchema,
  factorWordsSchema,
  metaSchema,
  passkeyQuestionSchema,
  passkeysSchema,
  resetFaceSchema,
  sessionSchema,
} from './session.ts';
import { firmStockSchema, stockPlaceSchema } from './stock.ts';
import { vanSchema } from './van.ts';

/** What the server answers where all went well, by what it is asked; `:` stands before a part of the address that differs. */
export const answers = {
  'GET /audit': auditPageSchema,
  'GET /audit/check': auditReportSchema,
  'GET /board': boardSchema,
  'GET /catalogue': catalogueSchema,
  'GET /catalogue/all': wholeCatalogueSchema,
  'GET /catalogue/parts/:part/prices': pricesSchema,
  'GET /certificates': chainReportSchema,
  'GET /diary': diarySchema,
  'GET /diary/feed': feedSchema,
  'POST /diary/feed': newFeedSchema,
  'GET /diary/fleet': fleetSchema,
  'GET /diary/forecast': forecastSchema,
  'GET /diary/letters': lettersSchema,
  'POST /diary/letters': writtenSchema,
  'GET /diary/needed': neededListSchema,
  'GET /diary/recall': recallSchema,
  'GET /firm/found': foundSchema,
  'PUT /firm/settings': firmSettingsSchema,
  'GET /instruments': instrumentListSchema,
  'GET /jobs': jobListSchema,
  'POST /jobs': addedJobSchema,
  'POST /jobs/file': addedJobSchema,
  'GET /jobs/:job': jobSchema,
  'PUT /jobs/:job': savedJobSchema,
  'GET /jobs/:job/history': auditPageSchema,
  'GET /jobs/:job/household': householdSideSchema,
  'GET /jobs/:job/papers': paperListSchema,
  'GET /jobs/:job/papers/:paper': issuedPaperSchema,
  'GET /jobs/:job/photographs': photographListSchema,
  'GET /jobs/:job/versions/:version': jobVersionSchema,
  'GET /join/:token': invitationFaceSchema,
  'POST /join/:token': sessionSchema,
  'GET /meta': metaSchema,
  'GET /people': peopleSchema,
  'POST /people/invitations': invitedSchema,
  'POST /people/:person/reset': invitedSchema,
  'GET /reset/:token': resetFaceSchema,
  'GET /session': sessionSchema,
  'POST /session': sessionSchema,
  'GET /session/all': openSessionsSchema,
  'POST /session/passkey': sessionSchema,
  'POST /session/passkey/question': passkeyQuestionSchema,
  'GET /session/passkeys': passkeysSchema,
  'POST /session/passkeys/question': passkeyQuestionSchema,
  'POST /session/proof/passkey/question': passkeyQuestionSchema,
  'GET /session/second-factor': factorSchema,
  'POST /session/second-factor': begunFactorSchema,
  'PUT /session/second-factor': factorWordsSchema,
  'POST /setup': sessionSchema,
  'GET /stock': firmStockSchema,
  'POST /stock/places': stockPlaceSchema,
  'GET /van': vanSchema,
} as const satisfies Record<string, z.ZodType>;

export type Asked = keyof typeof answers;
export type Answer<A extends Asked> = z.output<(typeof answers)[A]>;

const forms = (Object.keys(answers) as Asked[]).map((asked) => ({
  asked,
  form: new RegExp(`^${asked.replaceAll(/:\w+/g, '[^/]+')}$`),
  isExact: !asked.includes(':'),
}));

/**
 * The schema of what the server answers to a request; undefined where its answer says nothing.
 * @param address under the API, without what follows a question mark
 */
export function answerSchema(method: string, address: string): z.ZodType | undefined {
  const wanted = `${method} ${address}`;
  const fitting = forms.filter(({ form }) => form.test(wanted));
  const found = fitting.find(({ isExact }) => isExact) ?? fitting[0];
  return found && answers[found.asked];
}

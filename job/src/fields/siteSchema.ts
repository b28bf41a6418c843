import {
  type SiteAnswer,
  type SiteQuestionKey,
  siteQuestionKeys,
  siteQuestions,
} from './siteQuestions.ts';
import { z } from 'zod';

type Answers = { [K in SiteQuestionKey]?: SiteAnswer<K> | undefined };

/** The answers given so far. */
export const siteSchema: z.ZodType<Answers, Answers> = z.strictObject(
  Object.fromEntries(siteQuestionKeys.map((key) => [key, z.enum(siteQuestions[key]).optional()])),
);

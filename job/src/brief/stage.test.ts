import { expect, test } from '@jest/globals';
import type { JobDocument } from '../document/job.ts';
import { newJobDocument } from '../document/newJob.ts';
import { surveyed, plumbed } from '../test/plumbedJobs.ts';
import { certificateGaps } from './gaps.ts';
import { stageOf } from './stage.ts';

const at = '2026-03-01T12:00:00.000Z';
const tick = { at, by: 'Wren Askeby' };
const done = { startedAt: at, done: tick };
const document = surveyed();
const { design } = plumbed(document);
document.system = { design, chosenAt: at, chosenBy: tick.by, agreed: null };
const flushed = (flush: JobDocument['flush']): JobDocument => ({ ...document, flush });
const plan = ['open-feed', 'tank-fill-1', 'rest-and-recheck'].map((id) => ({
  id,
  code: id.replace(/-\d$/, ''),
  minutes: null,
  attended: true,
  by: 'installer' as const,
}));

test('a flush is over when all of its plan is done, not when its last step is', () => {
  const last = { 'rest-and-recheck': done };
  const early = flushed({ steps: last, plan });
  expect(stageOf(early).stage).toBe('flush');
  expect(certificateGaps(early)).toContain('not-flushed');
  const whole = flushed({ steps: { ...last, 'open-feed': done, 'tank-fill-1': done }, plan });
  expect(stageOf(whole).stage).toBe('verify');
  expect(certificateGaps(whole)).not.toContain('not-flushed');
});

test('a flush from before plans were kept is over with its last look', () => {
  expect(stageOf(flushed({ steps: { 'rest-and-recheck': done } })).stage).toBe('verify');
  expect(stageOf(flushed({ steps: { 'open-feed': done } })).stage).toBe('flush');
  expect(stageOf(newJobDocument('New')).stage).toBe('survey');
});

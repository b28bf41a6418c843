import type { Logger } from 'pino';
import { forgetOldDeeds } from './deeds/once.ts';
import { withoutContent } from './http/errors.ts';
import { dropRemovedJobs } from './jobs/jobRepository.ts';
import { dropOldQuestions } from './session/passkeys.ts';
import { dropOldTries } from './session/tries.ts';
import { dropRemovedPhotographs } from './photographs/photographRepository.ts';

const everyMs = 3600e3;

/** What is past its time is let go once an hour: what was taken away and can no longer be brought back, answers that nobody waits for. */
export function sweepHourly(logger: Logger): { stop: () => void } {
  const sweep = async () => {
    const now = new Date();
    await dropRemovedPhotographs(now);
    await dropRemovedJobs(now);
    await forgetOldDeeds(now);
    await dropOldTries(now);
    await dropOldQuestions(now);
  };
  const run = () =>
    void sweep().catch((error: unknown) => {
      logger.warn({ err: withoutContent(error) }, 'sweep failed');
    });
  const timer = setInterval(run, everyMs);
  timer.unref();
  run();
  return { stop: () => clearInterval(timer) };
}

import { parseArgs } from 'node:util';
import { seededRandom } from '@katharos/core';
import { judgeTrends } from './trends/judgeTrends.ts';
import { randomHistory } from './trends/randomHistories.ts';

/** `npm run trends`: how well drift is told and dates are named on simulated histories of our own; it stands in docs/TRENDS.md. */
export function run(options: string[]): void {
  const { values } = parseArgs({
    args: options,
    options: {
      cases: { type: 'string', default: '400' },
      seed: { type: 'string', default: '1' },
      write: { type: 'boolean', default: false },
    },
  });
  const random = seededRandom(Number(values.seed));
  const cases = Array.from({ length: Number(values.cases) }, (_, i) =>
    randomHistory(random, `history-${i + 1}`),
  );
  if (values.write) {
    // As lines, for whoever wants to ask `npm run -s solve` himself.
    for (const { id, request, truth } of cases)
      process.stdout.write(
        `${JSON.stringify({ id, request: { kind: 'trend', ...request }, truth })}\n`,
      );
    return;
  }
  const figures = judgeTrends(cases);
  const line = (name: string, value: string) => process.stdout.write(`| ${name} | ${value} |\n`);
  line('figure', `${cases.length} histories`);
  line('---', '---');
  line(`false alarms, of ${figures.steady} steady series`, figures.falseAlarms.toFixed(3));
  line(`called, of ${figures.changed} plainly changed`, figures.power.toFixed(2));
  line('delay until it is called, median months', figures.delayMonths.toFixed(1));
  line(`80 % intervals that hold the truth, of ${figures.due}`, figures.coverage.toFixed(2));
  for (const [months, error] of Object.entries(figures.errorMonths))
    line(`error of the date after ${months} months, median months`, error.toFixed(1));
  line('interval score, mean months', figures.intervalScore.toFixed(1));
  line('said due though never', figures.neverSaidDue.toFixed(3));
  line('level now, median error', figures.levelError.toFixed(3));
}

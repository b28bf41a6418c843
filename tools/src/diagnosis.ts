import { parseArgs } from 'node:util';
import { seededRandom } from '@katharos/core';
import { confusions, figuresOf, judge, readingSets, visit } from './diagnosis/judgeCases.ts';
import { randomCase } from './diagnosis/randomCases.ts';

const share = (value: number) => value.toFixed(2);
const line = (...cells: (string | number)[]) => process.stdout.write(`| ${cells.join(' | ')} |\n`);
const mean = (values: readonly number[]) =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(values.length, 1);

/** `npm run diagnosis`: how well causes are found on simulated cases of our own, as a table in Markdown; it stands in docs/DIAGNOSIS.md. */
export function run(options: string[]): void {
  const { values } = parseArgs({
    args: options,
    options: {
      cases: { type: 'string', default: '150' },
      seed: { type: 'string', default: '1' },
      visits: { type: 'string', default: '60' },
    },
  });
  const random = seededRandom(Number(values.seed));
  const cases = Array.from({ length: Number(values.cases) }, () => randomCase(random));
  const started = performance.now();
  line('readings', 'first right', 'in first three', 'healthy so', 'fault missed', 'log', 'gap');
  line('---', '---', '---', '---', '---', '---', '---');
  let judgements = 0;
  for (const [name, codes] of Object.entries(readingSets)) {
    const judged = cases.map((one) => judge(one, codes));
    judgements += judged.length;
    const { first, firstThree, healthy, missed, log, gap } = figuresOf(judged);
    line(name, ...[first, firstThree, healthy, missed, log, gap].map(share));
    if (name !== 'all') continue;
    const each = (performance.now() - started) / judgements;
    process.stdout.write(`\n${cases.length} cases, ${each.toFixed(0)} ms each\n\n`);
    line('truth, all readings', 'cases', 'first', 'probability', 'taken for');
    line('---', '---', '---', '---', '---');
    for (const { truth, cases: count, first: right, probability, taken } of confusions(judged)) {
      const others = taken.map(([fault, times]) => `${fault} ${times}`).join(', ');
      line(truth, count, right, share(probability), others);
    }
  }
  const visits = cases.slice(0, Number(values.visits)).map(visit);
  const sure = visits.filter((one) => one.sure);
  process.stdout.write(
    `\n${visits.length} visits led by the next reading: sure in ${share(sure.length / visits.length)}, ` +
      `right when sure ${share(mean(sure.map(({ right }) => Number(right))))}, ` +
      `solved ${share(sure.filter(({ right }) => right).length / visits.length)}, ` +
      `${mean(visits.map(({ steps }) => steps)).toFixed(1)} more readings, ` +
      `${mean(visits.map(({ minutes }) => minutes)).toFixed(0)} minutes\n`,
  );
}

import { readFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { briefOf, newJobDocument, starterCatalogue } from '@katharos/job';
import {
  candidates,
  criteriaOf,
  diagnose,
  fillTank,
  judge,
  nonDominated,
  operatingPoint,
  OperatingPointSolver,
  type Part,
  partsOf,
  recommend,
  resolveSystem,
  seededRandom,
  type RoSystem,
  Solutions,
  type TankSystem,
  trend,
  trialOf,
} from '@katharos/core';
import { examinedBy, readingSets } from './diagnosis/judgeCases.ts';
import { randomCase } from './diagnosis/randomCases.ts';
import { randomHistory } from './trends/randomHistories.ts';
import { plainSystem } from '../../core/src/test/plainSolver.ts';

interface SolvedCase {
  request: { kind: string } & RoSystem & TankSystem & { permeateBackPressureBar?: number };
}
const solvedCases = readFileSync('solve/src/solvedCases.jsonl', 'utf8')
  .trim()
  .split('\n')
  .map((line) => (JSON.parse(line) as SolvedCase).request);

/** Median microseconds of one call, over batches long enough for the clock. */
function medianMicroseconds(call: () => unknown, { batches = 25, batchMs = 6 } = {}): number {
  const warmUntil = performance.now() + 100;
  let calls = 0;
  while (performance.now() < warmUntil) {
    call();
    calls += 1;
  }
  const size = Math.max(1, Math.round((calls / 100) * batchMs));
  const times = Array.from({ length: batches }, () => {
    const start = performance.now();
    for (let i = 0; i < size; i += 1) call();
    return ((performance.now() - start) * 1000) / size;
  });
  return times.sort((a, b) => a - b)[batches >> 1]!;
}

const median = (values: number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;
const write = (text = ''): void => void process.stdout.write(`${text}\n`);
const row = (name: string, value: string, remark = ''): void =>
  write(`  ${name.padEnd(58)} ${value.padStart(12)}  ${remark}`);

/** The solved cases of one element, each in three waters and against three product pressures. */
function oneElement(): (RoSystem & { permeateBackPressureBar: number })[] {
  return solvedCases
    .filter(({ kind, membrane }) => kind === 'operating-point' && (membrane.count ?? 1) === 1)
    .flatMap((system) =>
      [5, 15, 25].flatMap((temperatureC) =>
        [0, 0.5, 1].map((permeateBackPressureBar) => ({
          ...system,
          feed: { ...system.feed, temperatureC },
          permeateBackPressureBar,
        })),
      ),
    );
}

function benchOperatingPoint(): void {
  const cases = oneElement();
  write(`Operating point of one element, ${cases.length} cases, converged to 1e-9`);
  const marches: number[] = [];
  const prepared = cases.map((system) => {
    const resolved = resolveSystem(system);
    if (!resolved.ok) throw new Error(resolved.failure.code);
    const back = system.permeateBackPressureBar;
    // A new solver each time: no answer of the call before is at hand.
    return medianMicroseconds(() => {
      const point = new OperatingPointSolver(resolved.value).solve(() => back);
      if (point.ok) marches[0] = point.value.marches;
      return point;
    });
  });
  const whole = cases.map((system) => medianMicroseconds(() => operatingPoint(system)));
  row(
    'median, element calibrated before',
    `${median(prepared).toFixed(2)} us`,
    'wanted: 10 or less',
  );
  row('median, calibration of the element included', `${median(whole).toFixed(2)} us`);
  row('marches along the element', String(marches[0]));
}

function benchPlain(): void {
  const cases = oneElement().filter((_, i) => i % 3 === 0);
  write('A third of them by general packages (odex, newton-raphson-method), calibrated before');
  let worst = 0;
  const times = cases.flatMap((system) => {
    const back = system.permeateBackPressureBar;
    const fast = operatingPoint(system);
    if (!fast.ok) return [];
    const plain = plainSystem(system);
    const slow = plain.solveAt(back);
    for (const [a, b] of [
      [fast.value.permeateFlowLPerH, slow.permeateLPerH],
      [fast.value.permeateTdsMgL, slow.permeateMgL],
    ] as const) {
      worst = Math.max(worst, Math.abs(a / b - 1));
    }
    return [medianMicroseconds(() => plain.solveAt(back), { batches: 5 })];
  });
  row('median', `${median(times).toFixed(0)} us`);
  row(
    'largest difference in product flow or product TDS',
    `${(worst * 100).toFixed(5)} %`,
    'wanted: 0.1 or less',
  );
}

function benchTankFill(): void {
  const cases = solvedCases.filter(({ kind }) => kind === 'tank-fill');
  const times = cases.map((system) => medianMicroseconds(() => fillTank(system)));
  write(`Tank fill, ${cases.length} solved cases, from the rating to the shut-off`);
  row('median', `${(median(times) / 1000).toFixed(3)} ms`, 'wanted: 0.2 or less');
  row('slowest of them', `${(Math.max(...times) / 1000).toFixed(3)} ms`);
}

/** Milliseconds of one run, the middle of three. */
function runMs(call: () => unknown): number {
  const times = [0, 1, 2].map(() => {
    const start = performance.now();
    call();
    return performance.now() - start;
  });
  return median(times);
}

/** The catalogue with more parts of a kind: copies under other names and in other sizes. */
function grownBy<T extends Part>(
  catalogue: readonly Part[],
  parts: readonly T[],
  copies: number,
  resized: (part: T, copy: number) => T,
): Part[] {
  const more = Array.from({ length: copies - 1 }, (_, copy) =>
    parts.map((part) => ({ ...resized(part, copy + 1), id: `${part.id}-${copy + 1}` })),
  );
  return [...catalogue, ...more.flat()];
}

function benchRecommendation(): void {
  const { survey } = newJobDocument('bench');
  const brief = briefOf(survey, starterCatalogue);
  if (!brief.ok) throw new Error(brief.failure.code);
  const { task, requirements } = brief.value;
  write(
    'Recommendation: every candidate in five conditions, the sound ones on eight weeks of their household',
  );
  // A tank more is one more candidate for every feed side; a restrictor more is another feed side, whose curves are to be solved.
  const tanks = (copies: number) =>
    grownBy(task.catalogue, partsOf(starterCatalogue, 'tank'), copies, (tank, copy) => ({
      ...tank,
      volumeL: tank.volumeL * (1 + 0.03 * copy),
    }));
  const restrictors = (copies: number) =>
    grownBy(task.catalogue, partsOf(starterCatalogue, 'restrictor'), copies, (part, copy) => ({
      ...part,
      restrictor: { ...part.restrictor, flowMlMin: part.restrictor.flowMlMin * 1.013 ** copy },
    }));
  for (const [more, catalogueOf, most] of [
    ['tanks', tanks, 16],
    ['restrictors', restrictors, 16],
  ] as const) {
    for (const copies of [1, 4, most]) {
      const catalogue = catalogueOf(copies);
      const count = candidates(catalogue, task.site).length;
      const ms = runMs(() => recommend({ ...task, catalogue }));
      const each = `${((1000 * ms) / count).toFixed(0)} us each`;
      const wanted = copies === most ? ', wanted: under 2000 ms' : '';
      row(`${count} candidates, more ${more}`, `${ms.toFixed(0)} ms`, each + wanted);
    }
  }
  row(
    'memory in use after the largest',
    `${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`,
    'wanted: under 300',
  );

  const { site, waters } = task;
  const designs = candidates(restrictors(16), site);
  const trial = trialOf(requirements);
  const judgedIn = (days: typeof trial | null) => {
    const solutions = new Solutions();
    return designs.map((design) =>
      judge(design, waters, requirements, { trial: days, solutions, search: { anySound: true } }),
    );
  };
  const listing = runMs(() => candidates(restrictors(16), site));
  const judging = runMs(() => judgedIn(null));
  const living = Math.max(runMs(() => judgedIn(trial)) - judging, 0);
  const criteria = judgedIn(trial).flatMap((judged) => criteriaOf(judged) ?? []);
  const dominance = runMs(() => nonDominated(criteria));
  const all = listing + judging + living + dominance;
  const share = (ms: number) => `${((ms / all) * 100).toFixed(0)} %`;
  row('share of the last: listing the combinations', share(listing));
  row('share of it: five conditions, costs', share(judging));
  row('share of it: days', share(living));
  row('share of it: dominance', share(dominance));
}

/** How fast the core is here, beside what a plain solver takes. Medians, so that a busy moment does not decide. */
/** A diagnosis by the basic readings, by the flows too, and by all there are. */
function benchDiagnosis(): void {
  const random = seededRandom(4);
  const cases = Array.from({ length: 12 }, () => randomCase(random));
  write(`Diagnosis, ${cases.length} systems with something wrong or nothing`);
  for (const [name, codes] of Object.entries(readingSets)) {
    const runs = cases.map((one) => {
      const examination = examinedBy(one, codes);
      const answer = diagnose(examination);
      if (!answer.ok) throw new Error(answer.failure.code);
      const { simulations } = answer.value;
      return { ms: runMs(() => diagnose(examination)), simulations };
    });
    const simulations = median(runs.map((run) => run.simulations));
    row(
      `readings: ${name}`,
      `${median(runs.map(({ ms }) => ms)).toFixed(0)} ms`,
      `${simulations} forward simulations`,
    );
  }
}

/** Trends of systems that were visited some twenty times. */
function benchTrends(): void {
  const random = seededRandom(5);
  const cases = Array.from({ length: 120 }, (_, i) => randomHistory(random, `history-${i}`)).filter(
    ({ request }) => Math.abs(request.readings.length - 19) < 4,
  );
  write(`Trends, ${cases.length} systems of about twenty visits`);
  const ms = median(cases.map(({ request }) => runMs(() => trend(request))));
  row('a system', `${ms.toFixed(1)} ms`);
}

export function runBenchmarks(): void {
  write(`${cpus()[0]?.model ?? 'unknown processor'}, Node ${process.version}`);
  benchOperatingPoint();
  benchPlain();
  benchTankFill();
  benchRecommendation();
  benchDiagnosis();
  benchTrends();
}

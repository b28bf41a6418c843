import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildIfChanged, localFolder } from './installation.ts';
import { scratchFolder, startPostgres } from './postgres.ts';
import { ended } from './processes.ts';
import { workspaces } from './workspaces.ts';
import { findTestBrowser } from './systemPackages.ts';

const root = join(import.meta.dirname, '../..');
/** Every workspace's sources, and nothing that a build left. */
const sourceFolders = [...workspaces, 'solve', 'server', 'web', 'tools'].map(
  (name) => `${name}/src`,
);
const bin = (name: string) => join(root, 'node_modules/.bin', name);

interface Tally {
  passed: number;
  failed: number;
}

/** What took so long hangs, ms. */
const patienceMs = 40 * 60_000;

interface Step {
  title: string;
  program: string;
  args: string[];
  env?: NodeJS.ProcessEnv;
}

/** Runs a program and says whether it succeeded. Its output is shown as it comes, or at its end where several run at once. */
async function step(
  { title, program, args, env = {} }: Step,
  shown: 'live' | 'after' = 'live',
): Promise<boolean> {
  if (shown === 'live') process.stdout.write(`\n== ${title}\n`);
  const started = Date.now();
  const pipe = shown === 'live' ? 'inherit' : 'pipe';
  const child = spawn(program, args, {
    cwd: root,
    stdio: ['ignore', pipe, pipe],
    env: { ...process.env, ...env },
  });
  const hangs = setTimeout(() => {
    process.stdout.write(`   ${title}: no end after ${patienceMs / 60_000} minutes\n`);
    child.kill('SIGKILL');
  }, patienceMs);
  let output = '';
  for (const stream of [child.stdout, child.stderr])
    stream?.setEncoding('utf8').on('data', (text: string) => (output += text));
  const code = await ended(child);
  clearTimeout(hangs);
  if (shown === 'after') process.stdout.write(`\n== ${title}\n${output}`);
  process.stdout.write(
    `   ${code === 0 ? 'ok' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(1)} s\n`,
  );
  return code === 0;
}

/** Runs steps by so many at once, in their order. */
async function together(steps: readonly Step[], atOnce: number): Promise<boolean[]> {
  const left = [...steps.entries()];
  const done: boolean[] = [];
  const worker = async (): Promise<void> => {
    for (let next = left.shift(); next; next = left.shift()) {
      done[next[0]] = await step(next[1], 'after');
    }
  };
  await Promise.all(Array.from({ length: atOnce }, worker));
  return done;
}

/** What is checked without running anything; what takes long keeps what it found of files that stay the same. */
function staticChecks(): Step[] {
  const cache = (name: string) => join(localFolder, 'cache', name);
  // The native compiler, beside the one that other tools still ask for.
  const types = join(root, 'node_modules/typescript-native/bin/tsc');
  const compiled = (project: string, name: string) => [
    types,
    '-p',
    project,
    '--incremental',
    '--tsBuildInfoFile',
    cache(name),
  ];
  return [
    { title: 'format', program: bin('oxfmt'), args: ['--check'] },
    { title: 'lint', program: bin('oxlint'), args: ['--deny-warnings'] },
    { title: 'types', program: process.execPath, args: compiled('tsconfig.json', 'types') },
    {
      title: 'boundaries',
      program: bin('depcruise'),
      args: ['--config', '.dependency-cruiser.mjs', ...sourceFolders],
    },
    {
      title: 'types of the core without browser or Node',
      program: process.execPath,
      args: compiled('core/tsconfig.json', 'core-types'),
    },
  ];
}

const faultSchedules: Step = {
  title: 'fault schedules, a few of the many',
  program: process.execPath,
  args: ['tools/bootstrap.mjs', 'faults', '--schedules', '2', '--at-once', '1'],
};

function readReport<T>(file: string): T | undefined {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) as T;
  } catch {
    return undefined;
  }
}

/** Jest's own count; a suite that did not even run counts as a failure. */
function jestTally(file: string): Tally {
  const report = readReport<{
    numPassedTests: number;
    numFailedTests: number;
    numRuntimeErrorTestSuites: number;
  }>(file);
  if (!report) return { passed: 0, failed: 1 };
  return {
    passed: report.numPassedTests,
    failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
  };
}

/** Playwright's own count; a flaky test is one that failed. */
function playwrightTally(file: string): Tally {
  const report = readReport<{
    stats: { expected: number; unexpected: number; flaky: number };
    errors: unknown[];
  }>(file);
  if (!report) return { passed: 0, failed: 1 };
  const { expected, unexpected, flaky } = report.stats;
  return { passed: expected, failed: unexpected + flaky + report.errors.length };
}

interface Options {
  /** Leaves the static checks out. */
  quick: boolean;
  /** The one file that is run, by a part of its path. */
  only: string | undefined;
}

function readOptions(options: readonly string[]): Options {
  const at = options.indexOf('--only');
  const only = at < 0 ? undefined : options[at + 1];
  const known = (option: string, i: number) => option === '--quick' || i === at || i === at + 1;
  const unknown =
    at < 0 ? options.find((option) => option !== '--quick') : options.find((o, i) => !known(o, i));
  if (unknown || (at >= 0 && !only))
    throw new Error('Known options: --quick, and --only with a part of a test file’s path.');
  return { quick: options.includes('--quick'), only };
}

/** `npm test`: lint, types, unit, API and browser tests, and one closing line summed from the runners' reports. */
export async function run(given: string[]): Promise<void> {
  const { quick, only } = readOptions(given);
  const inBrowser = only === undefined || only.includes('.spec');
  const inJest = only === undefined || !only.includes('.spec');
  const started = Date.now();
  const scratch = scratchFolder('test');
  mkdirSync(join(localFolder, 'cache'), { recursive: true });
  const postgres = await startPostgres({ folder: join(scratch, 'postgres'), lasting: false });
  const checks: boolean[] = [];
  const tallies: Tally[] = [];
  try {
    if (!quick && only === undefined) checks.push(...(await together(staticChecks(), 2)));
    if (inJest) {
      const report = join(scratch, 'jest.json');
      const ok = await step({
        title: 'unit and API tests',
        program: process.execPath,
        args: [bin('jest')]
          .concat('--json', `--outputFile=${report}`)
          .concat(only === undefined ? [] : [only]),
        env: { DATABASE_URL: postgres.url },
      });
      tallies.push(withExit(jestTally(report), ok));
    }
    if (inBrowser) {
      const browserPath = await findTestBrowser();
      await buildIfChanged();
      const report = join(scratch, 'playwright.json');
      const browser = step({
        title: 'browser tests',
        program: bin('playwright'),
        args: ['test', '--config', 'e2e/playwright.config.ts'].concat(
          only === undefined ? [] : [only],
        ),
        env: {
          DATABASE_URL: postgres.url,
          CHROMIUM_PATH: browserPath,
          PLAYWRIGHT_JSON_OUTPUT_NAME: report,
        },
      });
      // One after another beside the browser tests: what waits for lines and servers to come back leaves them the processor.
      const faults = !quick && only === undefined ? step(faultSchedules, 'after') : undefined;
      const ok = await browser;
      tallies.push(withExit(playwrightTally(report), ok));
      if (faults) checks.push(await faults);
    }
  } finally {
    await postgres.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
  const passed = checks.filter(Boolean).length + tallies.reduce((sum, t) => sum + t.passed, 0);
  const failed = checks.filter((ok) => !ok).length + tallies.reduce((sum, t) => sum + t.failed, 0);
  process.stdout.write(`\nafter ${((Date.now() - started) / 60_000).toFixed(1)} minutes\n`);
  process.stdout.write(`tests: ${passed} passed, ${failed} failed\n`);
  if (failed > 0) process.exitCode = 1;
}

/** A runner that failed without counting a failure still failed. */
const withExit = (tally: Tally, ok: boolean): Tally =>
  ok || tally.failed > 0 ? tally : { ...tally, failed: 1 };

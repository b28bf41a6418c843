import { spawn } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildIfChanged } from './installation.ts';
import { scratchFolder, startPostgres } from './postgres.ts';
import { ended, freePort } from './processes.ts';
import { chromium, findOrInstall } from './systemPackages.ts';

const root = join(import.meta.dirname, '../..');
const bin = (name: string) => join(root, 'node_modules/.bin', name);

interface Tally {
  passed: number;
  failed: number;
}

/** Runs a program, shows its output, and says whether it succeeded. */
async function step(
  title: string,
  program: string,
  args: string[],
  env: NodeJS.ProcessEnv = {},
): Promise<boolean> {
  process.stdout.write(`\n== ${title}\n`);
  const started = Date.now();
  const child = spawn(program, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  const code = await ended(child);
  process.stdout.write(
    `   ${code === 0 ? 'ok' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(1)} s\n`,
  );
  return code === 0;
}

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

/** `npm test`: lint, types, unit, API and browser tests, and one closing line summed from the runners' reports. */
export async function run(options: string[]): Promise<void> {
  const browserPath = await findOrInstall(chromium);
  const scratch = scratchFolder('test');
  const postgres = await startPostgres({ folder: join(scratch, 'postgres'), lasting: false });
  const checks: boolean[] = [];
  const tallies: Tally[] = [];
  try {
    const env = { DATABASE_URL: postgres.url, CHROMIUM_PATH: browserPath };
    if (!options.includes('--quick')) {
      checks.push(await step('format', bin('prettier'), ['--check', '--log-level', 'warn', '.']));
      checks.push(await step('lint', bin('eslint'), ['.', '--max-warnings', '0']));
      checks.push(await step('types', bin('tsc'), ['-p', 'tsconfig.json']));
      checks.push(
        await step('types of the core without browser or Node', bin('tsc'), [
          '-p',
          'core/tsconfig.json',
        ]),
      );
    }
    const jestReport = join(scratch, 'jest.json');
    const jestOk = await step(
      'unit and API tests',
      process.execPath,
      [
        '--experimental-vm-modules',
        '--no-warnings',
        bin('jest'),
        '--json',
        `--outputFile=${jestReport}`,
      ],
      env,
    );
    tallies.push(withExit(jestTally(jestReport), jestOk));

    await buildIfChanged();
    const browserReport = join(scratch, 'playwright.json');
    const browserOk = await step(
      'browser tests',
      bin('playwright'),
      ['test', '--config', 'e2e/playwright.config.ts'],
      { ...env, E2E_PORT: String(await freePort()), PLAYWRIGHT_JSON_OUTPUT_NAME: browserReport },
    );
    tallies.push(withExit(playwrightTally(browserReport), browserOk));
  } finally {
    await postgres.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
  const passed = checks.filter(Boolean).length + tallies.reduce((sum, t) => sum + t.passed, 0);
  const failed = checks.filter((ok) => !ok).length + tallies.reduce((sum, t) => sum + t.failed, 0);
  process.stdout.write(`\ntests: ${passed} passed, ${failed} failed\n`);
  if (failed > 0) process.exitCode = 1;
}

/** A runner that failed without counting a failure still failed. */
const withExit = (tally: Tally, ok: boolean): Tally =>
  ok || tally.failed > 0 ? tally : { ...tally, failed: 1 };

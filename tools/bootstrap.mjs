// The one file that runs before anything is installed: checks Node, installs the packages of the committed lock, and hands over
// to the command's own TypeScript. Plain JavaScript without dependencies, for that reason.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const [command = '', ...options] = process.argv.slice(2);
const commands = [
  'demo',
  'start',
  'dev',
  'test',
  'bench',
  'solve',
  'screenshots',
  'pagespeed',
  'houses',
  'faults',
  'diagnosis',
  'verified',
  'trends',
  'load',
  'servers',
  'backup',
  'restore',
  'take-in',
];

if (!commands.includes(command)) {
  console.error(`Unknown command "${command}". Known: ${commands.join(', ')}.`);
  process.exit(2);
}
const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 11)) {
  console.error(`Katharos needs Node.js 20.11 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}

installPackages();
if (command === 'solve') await runSolve();
else await runTool();

/** Installs what the lock names, unless this very lock has been installed before. */
function installPackages() {
  const lock = readFileSync(join(root, 'package-lock.json'));
  const wanted = createHash('sha256').update(lock).digest('hex');
  const stamp = join(root, 'node_modules', '.katharos-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.error('Installing packages (once, about a minute) ...');
  const done = spawnSync('npm', ['install', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
    stdio: ['ignore', 2, 2],
  });
  if (done.status !== 0) process.exit(done.status ?? 1);
  const after = readFileSync(join(root, 'package-lock.json'));
  if (createHash('sha256').update(after).digest('hex') !== wanted) {
    console.error(
      'The lock file changed while installing: package.json and package-lock.json disagree.',
    );
    if (process.env.CI) process.exit(1);
  }
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, createHash('sha256').update(after).digest('hex'));
}

/** The solver starts from its bundle, which is built when it is missing or older than any of its sources. */
async function runSolve() {
  const bundle = join(root, 'solve', 'dist', 'solve.mjs');
  const newest = Math.max(
    ...['core', 'job', 'words', 'solve'].map((part) => newestIn(join(root, part, 'src'))),
  );
  if (!existsSync(bundle) || statSync(bundle).mtimeMs < newest) {
    const built = spawnSync(
      join(root, 'node_modules', '.bin', 'tsx'),
      ['tools/src/build.ts', 'solve'],
      {
        cwd: root,
        stdio: ['ignore', 2, 2],
      },
    );
    if (built.status !== 0) process.exit(built.status ?? 1);
  }
  await import(pathToFileURL(bundle).href);
}

/** Time of the newest file below a folder. */
function newestIn(folder) {
  return Math.max(
    ...readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs),
  );
}

/** Runs a command's TypeScript in this process, so that signals reach it as they are. */
async function runTool() {
  process.chdir(root);
  try {
    const { register } = await import('tsx/esm/api');
    register();
    const { run } = await import(pathToFileURL(join(root, 'tools', 'src', `${command}.ts`)).href);
    await run(options);
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  }
}

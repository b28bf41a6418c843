import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { homedir } from 'node:os';
import { join, resolve } from 'node:path';
import { workspaces } from './workspaces.ts';
import { startPostgres } from './postgres.ts';
import { interrupted, isFree, supervise } from './processes.ts';

const root = join(import.meta.dirname, '../..');
/** Git-ignored folder of everything that a run leaves behind. */
export const localFolder = join(root, '.local');

/** Where a firm's real data lies: outside the checkout, which may be deleted or cloned anew. */
export function dataFolder(): string {
  const { KATHAROS_DATA: chosen, XDG_DATA_HOME: shared } = process.env;
  if (chosen) return resolve(chosen);
  // Root lends PostgreSQL another account, which may not enter root's home.
  if (process.getuid?.() === 0) return '/var/lib/katharos';
  return join(shared ?? join(homedir(), '.local/share'), 'katharos');
}

/** The sample data's cluster, which is nothing to keep. */
export const demoFolder = join(localFolder, 'demo');

/** A firm's cluster; one that an earlier version left in the checkout is moved out of it. */
export function firmFolder(): string {
  const folder = join(dataFolder(), 'firm');
  const earlier = join(localFolder, 'firm');
  if (existsSync(earlier) && !existsSync(folder)) {
    if (existsSync(join(earlier, 'data/postmaster.pid'))) {
      throw new Error(`${earlier} is in use. Stop the other run of Katharos first.`);
    }
    mkdirSync(dataFolder(), { recursive: true });
    // Keeps whose it is, and crosses from one disk to another.
    const moved = spawnSync('mv', [earlier, folder], { encoding: 'utf8' });
    if (moved.status !== 0)
      throw new Error(`${earlier} could not be moved to ${folder}: ${moved.stderr}`);
    process.stdout.write(`The firm's data was moved to ${folder}.\n`);
  }
  return folder;
}

const usualPort = 8717;

/** The port to listen on: the one that was asked for or the usual one; a demonstration takes another where that is in use. */
async function portFor(demo: boolean): Promise<string> {
  const wanted = process.env.PORT;
  const port = Number(wanted ?? usualPort);
  if (!Number.isInteger(port) || port < 0 || port > 65535) {
    throw new Error(`PORT is ${wanted}; it has to be a number up to 65535.`);
  }
  if (port === 0 || (await isFree(port))) return String(port);
  if (demo && !wanted) return '0';
  // Another port would be another address, and what browsers keep for this one would stay behind.
  throw new Error(
    `Port ${port} is in use by another program. Stop that one, or choose another port: PORT=${port + 1} npm ${demo ? 'run demo' : 'start'}.`,
  );
}

export interface Installation {
  demo: false | 'usual' | 'large';
  /** The cluster's folder; the sample data and real data never share one. */
  folder: () => string;
  options: string[];
}

/** Database, build and server, kept running until Ctrl-C; then everything that was started is stopped. */
export async function runInstallation({ demo, folder, options }: Installation): Promise<void> {
  const unknown = options.find((option) => !(demo !== false && option === '--reset'));
  if (unknown)
    throw new Error(
      `Unknown option ${unknown}. ${demo ? 'Known: --reset, --large.' : 'There are none.'}`,
    );
  const existing = process.env.DATABASE_URL;
  if (options.includes('--reset')) {
    if (existing)
      throw new Error(
        '--reset empties the private database only; with DATABASE_URL, empty your own.',
      );
    rmSync(folder(), { recursive: true, force: true });
  }
  const stopped = interrupted();
  const port = await portFor(demo !== false);
  const postgres = existing ? undefined : await startPostgres({ folder: folder(), lasting: true });
  try {
    await buildIfChanged();
    const { stop, gaveUp } = supervise(
      () => startServer({ demo, port, databaseUrl: existing ?? postgres!.url }),
      500,
    );
    const code = await Promise.race([gaveUp, stopped]);
    if (code === undefined) await stop('SIGTERM');
    else process.exitCode = code;
  } finally {
    await postgres?.stop();
  }
}

function startServer({
  demo,
  port,
  databaseUrl,
}: {
  demo: Installation['demo'];
  port: string;
  databaseUrl: string;
}): ChildProcess {
  return spawn(
    // With a parent-death signal a killed launcher leaves nothing on the port.
    'setpriv',
    ['--pdeathsig=TERM', process.execPath, '--enable-source-maps'].concat(
      join(root, 'server/dist/server.mjs'),
    ),
    {
      stdio: 'inherit',
      // A group of its own, so that Ctrl-C reaches it from here, before the database goes.
      detached: true,
      env: {
        ...process.env,
        NODE_ENV: 'production',
        LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
        DATABASE_URL: databaseUrl,
        PORT: port,
        WEB_ROOT: join(root, 'web/dist'),
        KATHAROS_DEMO: demo === 'large' ? 'large' : demo ? '1' : '0',
        MAIL_OUTBOX: process.env.MAIL_OUTBOX ?? join(demo ? localFolder : dataFolder(), 'outbox'),
      },
    },
  );
}

/** Builds unless the sources are those of the last build. */
export async function buildIfChanged(): Promise<void> {
  const stamp = join(localFolder, 'built');
  const state = sourceState();
  const outputs = ['web/dist/index.html', 'server/dist/server.mjs', 'solve/dist/solve.mjs'];
  const complete = outputs.every((output) => existsSync(join(root, output)));
  if (complete && existsSync(stamp) && readFileSync(stamp, 'utf8') === state) return;
  process.stderr.write('Building ...\n');
  const { buildAll } = await import('./build.ts');
  await buildAll();
  mkdirSync(localFolder, { recursive: true });
  writeFileSync(stamp, state);
}

/** A fingerprint of every source by name, size and time of change. */
function sourceState(): string {
  const hash = createHash('sha256');
  const folders = [...workspaces, 'solve', 'server', 'web'].map((name) => `${name}/src`);
  const files = folders
    .flatMap((folder) =>
      readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' }).map((name) =>
        join(folder, name),
      ),
    )
    .concat('web/index.html', 'web/vite.config.ts', 'package-lock.json', 'tools/src/build.ts');
  for (const file of files.sort()) {
    const { size, mtimeMs } = statSync(join(root, file));
    hash.update(`${file} ${size} ${mtimeMs}\n`);
  }
  return hash.digest('hex');
}

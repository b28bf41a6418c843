import { spawn } from 'node:child_process';
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
import { join } from 'node:path';
import { workspaces } from './workspaces.ts';
import { startPostgres } from './postgres.ts';
import { ended, interrupted, isFree } from './processes.ts';

const root = join(import.meta.dirname, '../..');
/** Git-ignored folder of everything that a run leaves behind. */
export const localFolder = join(root, '.local');

const usualPort = 8717;

export interface Installation {
  demo: boolean;
  /** Name of the cluster's folder; the sample data and real data never share one. */
  cluster: string;
  options: string[];
}

/** Database, build and server, until Ctrl-C; then everything that was started is stopped. */
export async function runInstallation({ demo, cluster, options }: Installation): Promise<void> {
  const unknown = options.find((option) => !(demo && option === '--reset'));
  if (unknown)
    throw new Error(`Unknown option ${unknown}. ${demo ? 'Known: --reset.' : 'There are none.'}`);
  const folder = join(localFolder, cluster);
  const existing = process.env.DATABASE_URL;
  if (options.includes('--reset')) {
    if (existing)
      throw new Error(
        '--reset empties the private database only; with DATABASE_URL, empty your own.',
      );
    rmSync(folder, { recursive: true, force: true });
  }
  const stopped = interrupted();
  const postgres = existing ? undefined : await startPostgres({ folder, lasting: true });
  try {
    await buildIfChanged();
    const port = process.env.PORT ?? String((await isFree(usualPort)) ? usualPort : 0);
    const server = spawn(
      process.execPath,
      ['--enable-source-maps', join(root, 'server/dist/server.mjs')],
      {
        stdio: 'inherit',
        // A group of its own, so that Ctrl-C reaches it from here, before the database goes.
        detached: true,
        env: {
          ...process.env,
          NODE_ENV: 'production',
          LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
          DATABASE_URL: existing ?? postgres!.url,
          PORT: port,
          WEB_ROOT: join(root, 'web/dist'),
          KATHAROS_DEMO: demo ? '1' : '0',
        },
      },
    );
    const left = ended(server);
    const code = await Promise.race([left, stopped.then(() => undefined)]);
    if (code === undefined) {
      server.kill('SIGTERM');
      await left;
    } else if (code !== 0) {
      process.exitCode = code;
    }
  } finally {
    await postgres?.stop();
  }
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

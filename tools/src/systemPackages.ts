import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { canRun, runOrThrow } from './processes.ts';

/** Programs from Debian's packages that the project needs, and how they are found. */
export interface SystemPackage {
  name: string;
  find: () => string | undefined;
}

const postgresRoot = '/usr/lib/postgresql';

/** Folder of PostgreSQL's server programs, newest version first. */
export const postgresServer: SystemPackage = {
  name: 'postgresql',
  find: () =>
    existsSync(postgresRoot)
      ? readdirSync(postgresRoot)
          .sort((a, b) => Number(b) - Number(a))
          .map((version) => join(postgresRoot, version, 'bin'))
          .find((folder) => existsSync(join(folder, 'postgres')))
      : undefined,
};

export const chromium: SystemPackage = {
  name: 'chromium',
  find: () => ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((path) => existsSync(path)),
};

/** The same browser without a window to open: what no person looks at starts and draws a quarter quicker in it. */
const headlessShell: SystemPackage = {
  name: 'chromium-headless-shell',
  find: () => ['/usr/bin/chromium-headless-shell'].find((path) => existsSync(path)),
};

/** The browser for tests: the shell where it can be had, else the whole one. */
export const findTestBrowser = (): Promise<string> =>
  findOrInstall(headlessShell).catch(() => findOrInstall(chromium));

/** Finds a package, installing it with apt when root or with passwordless sudo; else says the one line to run. */
export async function findOrInstall(wanted: SystemPackage): Promise<string> {
  const found = wanted.find();
  if (found) return found;
  const prefix =
    process.getuid?.() === 0 ? [] : canRun('sudo', '-n', 'true') ? ['sudo', '-n'] : null;
  const install = ['apt-get', 'install', '-y', '-q', '--no-install-recommends', wanted.name];
  if (!prefix || !canRun('apt-get', '--version')) {
    throw new Error(`${wanted.name} is missing. Install it with:  sudo ${install.join(' ')}`);
  }
  process.stderr.write(`Installing ${wanted.name} from Debian's packages ...\n`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = async (...args: string[]) => {
    const [program, ...rest] = [...prefix, ...args];
    await runOrThrow(program!, rest, { stdio: ['ignore', 'ignore', 'inherit'], env });
  };
  await apt('apt-get', 'update', '-q');
  await apt(...install);
  const installed = wanted.find();
  if (!installed) throw new Error(`${wanted.name} was installed but its programs were not found.`);
  return installed;
}

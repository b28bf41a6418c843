import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { createServer } from 'vite';
import { demoFolder } from './installation.ts';
import { startPostgres } from './postgres.ts';
import { ended, freePort, interrupted } from './processes.ts';

const root = join(import.meta.dirname, '../..');

/** `npm run dev`: the sample data, the API restarted and the page renewed as files change. The page is offered when the API answers. */
export async function run(options: string[]): Promise<void> {
  if (options.length > 0) throw new Error(`Unknown option ${options[0]}. There are none.`);
  const stopped = interrupted();
  const postgres = await startPostgres({ folder: demoFolder, lasting: true });
  const apiPort = await freePort();
  const api = spawn(
    // With a parent-death signal nothing is left behind, however this ends.
    'setpriv',
    ['--pdeathsig=TERM', join(root, 'node_modules/.bin/tsx')].concat([
      'watch',
      '--clear-screen=false',
      'server/src/main.ts',
    ]),
    {
      cwd: root,
      stdio: ['ignore', 'pipe', 'inherit'],
      env: {
        ...process.env,
        DATABASE_URL: postgres.url,
        PORT: String(apiPort),
        KATHAROS_DEMO: '1',
        LOG_LEVEL: 'warn',
      },
    },
  );
  const left = ended(api);
  const answers = new Promise<void>((resolve) => {
    api.stdout.on('data', (text: Buffer) => {
      process.stdout.write(text);
      if (text.toString().includes('ready')) resolve();
    });
  });
  const web = await createServer({
    root: join(root, 'web'),
    server: {
      host: '127.0.0.1',
      // The host stays the page's own: the API refuses changes that come from another origin.
      proxy: { '/api': { target: `http://127.0.0.1:${apiPort}`, changeOrigin: false } },
    },
  });
  await web.listen();
  const first = await Promise.race([answers.then(() => 'answers'), left, stopped]);
  if (first === 'answers') {
    web.printUrls();
    await Promise.race([stopped, left]);
  }
  await web.close();
  api.kill('SIGTERM');
  await left;
  await postgres.stop();
}

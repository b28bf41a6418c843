import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { createServer } from 'vite';
import { localFolder } from './installation.ts';
import { startPostgres } from './postgres.ts';
import { ended, freePort, interrupted } from './processes.ts';

const root = join(import.meta.dirname, '../..');

/** `npm run dev`: the sample data, the API restarted and the page renewed as files change. */
export async function run(): Promise<void> {
  const stopped = interrupted();
  const postgres = await startPostgres({ folder: join(localFolder, 'demo'), lasting: true });
  const apiPort = await freePort();
  const api = spawn(
    join(root, 'node_modules/.bin/tsx'),
    ['watch', '--clear-screen=false', 'server/src/main.ts'],
    {
      cwd: root,
      stdio: 'inherit',
      env: {
        ...process.env,
        DATABASE_URL: postgres.url,
        PORT: String(apiPort),
        KATHAROS_DEMO: '1',
        LOG_LEVEL: 'warn',
      },
    },
  );
  const web = await createServer({
    root: join(root, 'web'),
    server: {
      host: '127.0.0.1',
      // The host stays the page's own: the API refuses changes that come from another origin.
      proxy: { '/api': { target: `http://127.0.0.1:${apiPort}`, changeOrigin: false } },
    },
  });
  await web.listen();
  web.printUrls();
  await Promise.race([stopped, ended(api)]);
  await web.close();
  api.kill('SIGTERM');
  await ended(api);
  await postgres.stop();
}

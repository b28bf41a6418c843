import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';

const root = join(import.meta.dirname, '../..');

/** The built server with sample data on a database, once it is ready. @param env what is particular to it */
export async function startBuiltServer(
  databaseUrl: string,
  port: number,
  env: NodeJS.ProcessEnv,
): Promise<ChildProcess> {
  const server = spawn(process.execPath, [join(root, 'server/dist/server.mjs')], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      LOG_LEVEL: 'error',
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      KATHAROS_DEMO: '1',
      ...env,
    },
  });
  await new Promise<void>((resolve, reject) => {
    server.stdout.on('data', (text: Buffer) => {
      if (text.toString().includes('ready at')) resolve();
    });
    server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return server;
}

import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { Job } from '@katharos/contract';
import type { JobDocument } from '@katharos/job';
import { demoSignIn } from '@katharos/server/demo';
import { supervise } from '../processes.ts';

const root = join(import.meta.dirname, '../../..');

/** A job of the sample data whose system is chosen and not laid yet. */
const plumbedSample = 'Odalys Brightwen';

/** The built server as something that can be killed and hung. */
export interface RunningServer {
  base: string;
  kill: () => void;
  hang: (ms: number) => Promise<void>;
  ready: () => Promise<void>;
  /** A job with a survey and a system, to be plumbed. */
  newJob: (name: string) => Promise<{ id: string; document: JobDocument }>;
  signIn: () => Promise<{ name: string; value: string; url: string }[]>;
  stop: () => Promise<void>;
}

export async function startServer(databaseUrl: string, port: number): Promise<RunningServer> {
  const base = `http://127.0.0.1:${port}`;
  // As the launcher does: whatever ends it, it comes back.
  const { signal, stop } = supervise(
    () =>
      spawn(process.execPath, [join(root, 'server/dist/server.mjs')], {
        stdio: 'ignore',
        env: {
          ...process.env,
          NODE_ENV: 'production',
          DATABASE_URL: databaseUrl,
          PORT: String(port),
          WEB_ROOT: join(root, 'web/dist'),
          KATHAROS_DEMO: '1',
          LOG_LEVEL: 'error',
        },
      }),
    50,
  );
  const ready = async () => {
    for (let tries = 0; tries < 300; tries += 1) {
      const answer = await fetch(`${base}/readyz`, { signal: AbortSignal.timeout(1000) }).catch(
        () => undefined,
      );
      if (answer?.ok) return;
      await pause(100);
    }
    throw new Error(`${base} did not answer.`);
  };
  const signIn = async () => {
    await ready();
    const answer = await fetch(`${base}/api/session`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(demoSignIn),
    });
    const [pair] = answer.headers.getSetCookie();
    const [name, value] = pair!.split(';')[0]!.split('=') as [string, string];
    return [{ name, value, url: base }];
  };
  await ready();
  return {
    base,
    ready,
    signIn,
    kill: () => signal('SIGKILL'),
    hang: async (ms) => {
      signal('SIGSTOP');
      await pause(ms);
      signal('SIGCONT');
    },
    newJob: async (name) => {
      const [cookie] = await signIn();
      const ask = async (method: string, path: string, body?: object) => {
        const answer = await fetch(`${base}/api${path}`, {
          method,
          headers: {
            'Content-Type': 'application/json',
            Cookie: `${cookie!.name}=${cookie!.value}`,
          },
          ...(body && { body: JSON.stringify(body) }),
        });
        if (!answer.ok) throw new Error(`${method} ${path} answered ${answer.status}.`);
        return answer.json() as Promise<unknown>;
      };
      // By its name: a list's first page holds the jobs that were touched last.
      const { jobs } = (await ask('GET', `/jobs?search=${encodeURIComponent(plumbedSample)}`)) as {
        jobs: { id: string; name: string }[];
      };
      const sample = jobs.find((job) => job.name === plumbedSample)!;
      const { document } = (await ask('GET', `/jobs/${sample.id}`)) as Job;
      const { id, version } = (await ask('POST', '/jobs', { name })) as Job;
      const own = { ...document, customer: { ...document.customer, name } };
      await ask('PUT', `/jobs/${id}`, { version, document: own });
      return { id, document: own };
    },
    stop: () => stop('SIGTERM'),
  };
}

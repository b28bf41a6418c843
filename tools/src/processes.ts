import { type ChildProcess, spawn, type SpawnOptions, spawnSync } from 'node:child_process';
import { createServer } from 'node:net';

/** A child's end: its code, or the signal that ended it. */
export const ended = (child: ChildProcess): Promise<number> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve(child.exitCode ?? 1);
    else child.once('exit', (code) => resolve(code ?? 1));
  });

/** Runs a program to its end with its output shown; a failure throws with what was run. */
export async function runOrThrow(
  program: string,
  args: string[],
  options: SpawnOptions = {},
): Promise<void> {
  const code = await ended(spawn(program, args, { stdio: 'inherit', ...options }));
  if (code !== 0) throw new Error(`${program} ${args.join(' ')} ended with ${code}.`);
}

/** Whether a program can be started at all. */
export const canRun = (program: string, ...args: string[]): boolean =>
  spawnSync(program, args, { stdio: 'ignore' }).status === 0;

/** A port that nobody listens on at the moment. */
export const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      const port = typeof address === 'object' && address ? address.port : 0;
      probe.close(() => resolve(port));
    });
  });

/** Whether a port on loopback can be had. */
export const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

/** Resolves at the first SIGINT or SIGTERM. */
export const interrupted = (): Promise<void> =>
  new Promise((resolve) => {
    process.once('SIGINT', () => resolve());
    process.once('SIGTERM', () => resolve());
  });

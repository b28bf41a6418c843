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

/** A process that ended by itself sooner than this did not come to work, ms. */
const leastLifeMs = 5000;
/** How often in a row it may fail to come to work again. */
const mostFailures = 20;

export interface Supervised {
  first: ChildProcess;
  /** Sends the running one a signal; ended by it, it is started again. */
  signal: (signal: NodeJS.Signals) => void;
  /** Ends it for good. */
  stop: (signal: NodeJS.Signals) => Promise<void>;
  /** Resolves with its code where it ended by itself and is not started again. */
  gaveUp: Promise<number>;
}

/** Keeps a process running: one that came to work and ends although nobody stopped it is started again. */
export function supervise(start: () => ChildProcess, againAfterMs: number): Supervised {
  let stopping = false;
  let child = start();
  let giveUp: (code: number) => void;
  const gaveUp = new Promise<number>((resolve) => (giveUp = resolve));
  const watch = async (): Promise<void> => {
    for (let failures = 0, starts = 1; ; starts += 1) {
      const startedAt = Date.now();
      const code = await ended(child);
      if (stopping) return;
      const isFailure = child.signalCode === null && Date.now() - startedAt < leastLifeMs;
      failures = isFailure ? failures + 1 : 0;
      // What fails at its very first start says why, and will not do better.
      if (failures > mostFailures || (isFailure && starts === 1)) {
        giveUp(code);
        return;
      }
      await new Promise((resolve) => setTimeout(resolve, againAfterMs));
      if (stopping) return;
      child = start();
    }
  };
  void watch();
  return {
    first: child,
    gaveUp,
    signal: (signal) => void child.kill(signal),
    stop: async (signal) => {
      stopping = true;
      child.kill(signal);
      await ended(child);
    },
  };
}

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

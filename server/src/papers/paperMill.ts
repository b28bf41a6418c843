import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { ApiError } from '../http/apiError.ts';
import type { givesWay } from './givesWay.ts';
import type { LoadLine, LoadMill } from '../stock/load.ts';
import type { Reckoning, SystemOrder } from './reckon.ts';
import type { PaperContents, PaperSource, PdfOrder, SetKind } from './paperContent.ts';

/** Makes papers beside the server's own thread, so that nobody waits for another's sheet. */
export interface PaperMill extends LoadMill {
  content: <K extends SetKind>(
    kind: K,
    source: PaperSource,
    person: string,
  ) => Promise<PaperContents[K] | undefined>;
  pdf: (order: PdfOrder, person: string) => Promise<Buffer>;
  /** How an installed system stands: when somebody should come, what for, and what it will want. */
  reckon: (order: SystemOrder, person: string) => Promise<Reckoning>;
  close: () => Promise<void>;
}

/** One core is left to whoever waits at a page. */
const threads = Math.max(1, Math.min(availableParallelism() - 1, 4));
/** A thread that has nothing to do waits so long before it goes: its start takes longer than a sheet. ms */
const idleTimeout = 60_000;
/** Papers that may wait, of all people and of one. */
const queue = 60;
const perPerson = 4;
const patienceMs = 30_000;

/**
 * @param filename of the worker's module, built
 * @param manners whether its threads give way to the server's own
 */
export function paperMill(
  filename: () => Promise<string>,
  manners: typeof givesWay | undefined,
): PaperMill {
  let pool: Promise<Piscina> | undefined;
  const opened = (): Promise<Piscina> => {
    pool ??= filename().then(
      (name) =>
        new Piscina({
          filename: name,
          minThreads: 0,
          maxThreads: threads,
          maxQueue: queue,
          idleTimeout,
          workerData: manners,
        }),
    );
    return pool;
  };
  const under = new Map<string, number>();
  const run = async (name: string, task: object, person: string): Promise<unknown> => {
    const count = under.get(person) ?? 0;
    if (count >= perPerson) throw new ApiError('busy');
    under.set(person, count + 1);
    try {
      const signal = AbortSignal.timeout(patienceMs);
      return (await (await opened()).run(task, { name, signal })) as unknown;
    } catch (error) {
      const { name: kind, message } = error as Error;
      if (kind === 'AbortError' || /queue/i.test(message)) throw new ApiError('busy');
      throw error;
    } finally {
      under.set(person, under.get(person)! - 1);
    }
  };
  return {
    content: (kind, source, person) =>
      run('content', { kind, source }, person) as ReturnType<PaperMill['content']> as never,
    pdf: async (order, person) => Buffer.from((await run('pdf', order, person)) as Uint8Array),
    reckon: (order, person) => run('reckon', order, person) as Promise<Reckoning>,
    load: (documents, held, person) =>
      run('load', { documents, held }, person) as Promise<(LoadLine[] | null)[]>,
    close: async () => {
      await (await pool)?.destroy();
    },
  };
}

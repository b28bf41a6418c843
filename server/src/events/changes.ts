import type { Logger } from 'pino';
import pg from 'pg';

/** Something of a firm that changed, told as it was written. */
export interface Change {
  firm: string;
  of: 'job' | 'photographs' | 'van' | 'papers' | 'instruments' | 'catalogue';
  job: string | null;
  /** Of a job, whether it is on the board or was before: told where it is known. */
  board?: boolean;
}

type Listener = (change: Change) => void;

/** What all server processes on one database hear of each other, by PostgreSQL's own notifications. */
export interface Changes {
  listen: (listener: Listener) => () => void;
  /** What was heard since a moment, ms of the epoch; undefined where that is longer ago than is remembered. */
  since: (moment: number) => Change[] | undefined;
  close: () => Promise<void>;
}

/** The channel that the database's triggers write to. */
const channel = 'katharos_changes';

/** How long what was heard is remembered, ms: a page that loads asks what it missed meanwhile. */
const rememberedMs = 60_000;

/** Listens on one connection of its own, and again when it is lost. @param againAfterMs time between two tries, ms */
export function hearChanges(url: string, logger: Logger, againAfterMs = 1000): Changes {
  const listeners = new Set<Listener>();
  let client: pg.Client | undefined;
  let closed = false;
  /** Since when nothing was missed; never while nobody listens. */
  let listensSince = Infinity;
  let heard: { at: number; change: Change }[] = [];
  const hear = (change: Change): void => {
    const at = Date.now();
    heard = [...heard.filter((one) => at - one.at < rememberedMs), { at, change }];
    for (const listener of listeners) listener(change);
  };
  const connect = async (): Promise<void> => {
    const next = new pg.Client({ connectionString: url, application_name: 'katharos-listen' });
    // A connection that was never made ends as well; who tried to make it tries again.
    let listens = false;
    next.on('error', () => undefined);
    next.on('end', () => {
      if (client === next) listensSince = Infinity;
      if (!closed && listens && client === next) void again();
    });
    next.on('notification', ({ payload }) => {
      hear(JSON.parse(payload!) as Change);
    });
    client = next;
    await next.connect();
    await next.query(`listen ${channel}`);
    listens = true;
    listensSince = Date.now();
  };
  const again = async (): Promise<void> => {
    while (!closed) {
      await new Promise((resolve) => setTimeout(resolve, againAfterMs));
      try {
        await connect();
        return;
      } catch {
        logger.warn('not listening to the database; trying again');
      }
    }
  };
  void connect().catch(() => void again());
  return {
    listen: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    since: (moment) =>
      moment >= Math.max(listensSince, Date.now() - rememberedMs)
        ? heard.filter(({ at }) => at >= moment).map(({ change }) => change)
        : undefined,
    close: async () => {
      closed = true;
      await client?.end().catch(() => undefined);
    },
  };
}

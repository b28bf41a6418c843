import { call } from './call.ts';
import { keepWeek } from './keepWeek.ts';
import { onMessage, tellAll } from './messages.ts';
import { serverNow } from '../serverClock.ts';
import { sendWaiting, takeInFromServer, type Trouble } from './sender.ts';
import type { LineState } from './lineSlice.ts';

/** Quiet time after something was done until it is sent, so that what belongs together goes together, ms. */
const settleMs = 350;
/** Time after the start until this week's jobs are kept, ms. */
const weekAfterMs = 8000;
const firstRetryMs = 1000;
const longestRetryMs = 60_000;

/** Time until the next try: twice as long each time, with chance in it, so that a firm's phones do not all come back at once. */
export function retryAfterMs(tries: number, random: () => number, trouble?: Trouble): number {
  const usual = Math.min(firstRetryMs * 2 ** tries, longestRetryMs) * (0.5 + random());
  const asked = trouble?.kind === 'fault' ? (trouble.retryAfterS ?? 0) * 1000 : 0;
  return Math.max(usual, asked);
}

const stateOf = (trouble: Trouble): LineState =>
  trouble.kind === 'signed-out'
    ? { kind: 'signed-out' }
    : { kind: trouble.kind, since: new Date().toISOString() };

/** A bell that can be rung before anybody listens. */
class Bell {
  private rung = false;
  private answer: (() => void) | undefined;

  ring = (): void => {
    this.rung = true;
    this.answer?.();
  };

  /** Resolves when it is rung, or after a while. */
  async wait(ms: number | null): Promise<void> {
    if (!this.rung) {
      let timer: ReturnType<typeof setTimeout> | undefined;
      await new Promise<void>((resolve) => {
        this.answer = resolve;
        if (ms !== null) timer = setTimeout(resolve, ms);
      });
      clearTimeout(timer);
      this.answer = undefined;
    }
    this.rung = false;
  }
}

/**
 * Holds the line to the server for all tabs of this browser: sends what waits, hears what others change. One tab at a time does, by a
 * lock that goes over to another when it is closed or killed.
 */
export function holdLine(userId: string): () => void {
  const leaving = new AbortController();
  const { signal } = leaving;
  const serve = () => serveUntil(userId, signal);
  // Without locks (a page that is not served securely) every tab sends; the server does a deed once all the same.
  if ('locks' in navigator) {
    void navigator.locks
      .request(`katharos-line-${userId}`, { signal }, serve)
      .catch(() => undefined);
  } else {
    void serve();
  }
  return () => leaving.abort();
}

async function serveUntil(userId: string, signal: AbortSignal): Promise<void> {
  const bell = new Bell();
  const stopListening = onMessage(({ about }) => {
    if (about === 'kept' || about === 'try') bell.ring();
  });
  const wake = { signal };
  window.addEventListener('online', bell.ring, wake);
  document.addEventListener('visibilitychange', bell.ring, wake);
  const events = hearEvents(bell.ring);
  const week = setTimeout(
    () => void keepWeek(new Date(), () => !signal.aborted).catch(() => undefined),
    weekAfterMs,
  );
  signal.addEventListener('abort', bell.ring);
  for (let tries = 0; !signal.aborted;) {
    const trouble = await sendWaiting(userId).catch((): Trouble => ({
      kind: 'fault',
      retryAfterS: null,
    }));
    if (signal.aborted) break;
    if (trouble) {
      tellAll({ about: 'line', state: stateOf(trouble) });
      await bell.wait(
        trouble.kind === 'signed-out' ? longestRetryMs : retryAfterMs(tries, Math.random, trouble),
      );
      tries += 1;
    } else {
      if (!events.isDown()) tellAll({ about: 'line', state: { kind: 'open' } });
      tries = 0;
      await bell.wait(null);
      await new Promise((resolve) => setTimeout(resolve, settleMs));
    }
  }
  clearTimeout(week);
  events.close();
  stopListening();
}

/** What the server tells of: a job or a list of this firm that changed. */
interface Event {
  of: 'job' | 'photographs' | 'van' | 'instruments' | 'papers' | 'catalogue' | 'all';
  job: string | null;
  /** Of a job, whether it is on the board or was before. */
  board?: boolean;
}

/** By how much this browser may mistake the server's time, ms. */
const clockSlackMs = 4000;
/** The moment from which on the server tells what changed: this page was not there before, and knows nothing older. */
const pageBegan = (): number => Math.floor(serverNow() - performance.now() - clockSlackMs);

/** Time until a line that the server refused is asked for anew, ms. */
const reopenMs = 5000;

/** A server that is there and lets nobody listen has ended the session: that is said, whether or not anything waits to be sent. */
async function saySessionOver(): Promise<void> {
  const { kind } = await call({ method: 'GET', address: '/session' });
  if (kind === 'signed-out') tellAll({ about: 'line', state: { kind } });
}

/** Listens to the server; a line that comes back is a reason to send and to look again. */
function hearEvents(onBack: () => void): { close: () => void; isDown: () => boolean } {
  let source: EventSource;
  let down = false;
  let isFirst = true;
  let reopening: ReturnType<typeof setTimeout> | undefined;
  const listen = () => {
    source = new EventSource(`/api/events?since=${pageBegan()}`);
    source.addEventListener('open', () => {
      down = false;
      // The first time the server tells what this page may have missed.
      if (!isFirst) tellAll({ about: 'lists', of: 'all' });
      isFirst = false;
      onBack();
    });
    source.addEventListener('error', () => {
      // Refused, as without a session: the browser gives up, and somebody may sign in again.
      const isRefused = source.readyState === EventSource.CLOSED;
      if (isRefused) {
        reopening = setTimeout(listen, reopenMs);
        void saySessionOver();
      } else if (!down) {
        tellAll({
          about: 'line',
          state: { kind: 'unreachable', since: new Date().toISOString() },
        });
      }
      down = true;
    });
    source.addEventListener('message', ({ data }: MessageEvent<string>) => {
      const { of, job, board = true } = JSON.parse(data) as Event;
      if (of === 'job' && job) void takeInFromServer(job).catch(() => undefined);
      tellAll({ about: 'lists', of: of !== 'job' ? of : board ? 'board' : 'jobs' });
    });
  };
  listen();
  return {
    close: () => {
      clearTimeout(reopening);
      source.close();
    },
    isDown: () => down,
  };
}

import { flushStepNames } from '@katharos/words';
import { useEffect, useRef, useState } from 'react';
import { useLocation } from 'react-router';
import { useBoardQuery } from '../data/boardApi.ts';
import { serverNow } from '../data/serverClock.ts';
import { useSession } from '../data/session.ts';
import { useAppSelector } from '../data/store.ts';
import { notify } from '../ui/notices.tsx';
import { type Timer, timersOf } from './outlook.ts';
import { ring } from './ring.ts';
import { rang } from './rung.ts';

/** One that ended longer ago than this, ms, is seen and not heard: the phone was off, and somebody has come since. */
const heardForMs = 60 * 60_000;

/** Rings for every timer that this person has to do with, wherever they are in the application. */
export function TimerWatch() {
  const { data } = useBoardQuery();
  const session = useSession();
  const { pathname } = useLocation();
  const open = useAppSelector((state) => state.job);
  const isBoard = pathname === '/board';
  // The open job stands here newer than at the server, also without a line.
  const openTimers = open
    ? timersOf({
        id: open.id,
        name: open.document.customer.name,
        steps: open.document.flush.steps,
        plan: open.document.flush.plan ?? null,
      })
    : [];
  const others = (data?.jobs ?? []).filter(
    ({ id, who }) => id !== open?.id && (isBoard || who === session?.user.name),
  );
  const timers = [...openTimers, ...others.flatMap(timersOf)];
  const [due, setDue] = useState<Timer | null>(null);
  const watched = useRef(timers);
  useEffect(() => {
    watched.current = timers;
  });
  const key = timers.map((timer) => timer.key).join();
  useEffect(() => {
    const look = () => {
      const now = serverNow();
      for (const timer of watched.current) {
        if (timer.endsAt > now || now - timer.endsAt > heardForMs || !rang(timer.key)) continue;
        const title = `Time is up: ${flushStepNames[timer.code] ?? timer.step}`;
        ring(timer.key, title, timer.name);
        notify({ id: timer.key, title, message: timer.name, autoClose: false, color: 'teal' });
        setDue(timer);
      }
    };
    look();
    const every = setInterval(look, 500);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(every);
      document.removeEventListener('visibilitychange', look);
    };
  }, [key]);
  useTitle(due, () => setDue(null));
  return null;
}

/** How often it is seen to that the title stands, ms. */
const titleMs = 500;

/** The page's title says it until somebody touches the page. */
function useTitle(due: Timer | null, onSeen: () => void): void {
  const seen = useRef(onSeen);
  useEffect(() => {
    seen.current = onSeen;
  });
  useEffect(() => {
    if (!due) return undefined;
    const wanted = `● Time is up: ${flushStepNames[due.code] ?? due.step}, ${due.name}`;
    let usual = document.title;
    // A page that comes meanwhile brings a title of its own.
    const hold = () => {
      if (document.title === '' || document.title === wanted) return;
      usual = document.title;
      document.title = wanted;
    };
    hold();
    const holding = setInterval(hold, titleMs);
    const answer = () => seen.current();
    document.addEventListener('pointerdown', answer);
    document.addEventListener('keydown', answer);
    return () => {
      clearInterval(holding);
      document.title = usual;
      document.removeEventListener('pointerdown', answer);
      document.removeEventListener('keydown', answer);
    };
  }, [due]);
}

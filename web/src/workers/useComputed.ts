import { copyWithStructuralSharing } from '@reduxjs/toolkit/query';
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { notify } from '../ui/notices.tsx';
import { keepAnswer, keptAnswer } from './keptAnswers.ts';
import { compute, WorkerBroken } from './pool.ts';
import { Headway } from './headway.ts';
import type { TaskAnswer, TaskInput, TaskName } from './tasks.ts';

/** Where a question to the workers stands. `before` is the last answer to the question before it. */
export type Computed<T> =
  | { kind: 'idle'; before: T | undefined }
  | { kind: 'running'; headway: Headway; before: T | undefined }
  | { kind: 'done'; value: T }
  | { kind: 'failed'; message: string; before: T | undefined };

interface Options {
  /** Quiet time before it is asked, ms: what changes with every keystroke waits for the end of the word. */
  settleMs?: number;
}

export interface Asking {
  /** Ends what is under way; the last answer stays. */
  cancel: () => void;
  /** Asks the same again, as after a failure. */
  again: () => void;
}

const startedAnew = {
  title: 'A computation stopped',
  message: 'It was started anew. Nothing you entered is touched by this.',
};
const brokenTwice = {
  title: 'A computation stopped twice',
  message: 'What it would have shown is missing. Reload the page; everything you entered is kept.',
  color: 'red',
  autoClose: false,
};

const lastOf = <T>(state: Computed<T>): T | undefined =>
  state.kind === 'done' ? state.value : state.before;

/**
 * The answer of a worker to a question, asked anew when the question says something else and given up when nobody wants it any more.
 * @param input null while there is nothing to ask; compared by what it says, so it may be made anew at every render
 */
export function useComputed<K extends TaskName>(
  name: K,
  input: TaskInput<K> | null,
  { settleMs = 0 }: Options = {},
): readonly [Computed<TaskAnswer<K>>, Asking] {
  type Answer = TaskAnswer<K>;
  const key = useMemo(() => (input === null ? null : JSON.stringify(input)), [input]);
  const [headway] = useState(() => new Headway());
  const isFirst = useRef(true);
  const [round, setRound] = useState(0);
  const [stopped, setStopped] = useState<string | null>(null);
  const [state, setState] = useState<Computed<Answer>>({ kind: 'idle', before: undefined });
  /** The question that the state is of. */
  const [asked, setAsked] = useState(key);
  useEffect(() => {
    setAsked(key);
    if (key === null || stopped === `${round}:${key}`) {
      setState((old) => ({ kind: 'idle', before: key === null ? undefined : lastOf(old) }));
      return undefined;
    }
    headway.tell(0);
    setState((old) => ({ kind: 'running', headway, before: lastOf(old) }));
    let wanted = true;
    let cancel = () => undefined as void;
    // A whole stage may be drawn by it: piece by piece, behind whatever somebody does meanwhile.
    // What the answer before said as well stays the same object: what shows it is not drawn again.
    const answered = (value: Answer) =>
      startTransition(() =>
        setState((old) => ({ kind: 'done', value: copyWithStructuralSharing(lastOf(old), value) })),
      );
    const ask = (isAnew: boolean) => {
      const running = compute(
        name,
        JSON.parse(key) as TaskInput<K>,
        (share) => wanted && headway.tell(share),
      );
      cancel = running.cancel;
      running.answer.then(
        (value) => {
          if (!wanted) return;
          answered(value);
          void keepAnswer(name, key, value);
        },
        (error: unknown) => {
          if (!wanted) return;
          const message = error instanceof Error ? error.message : String(error);
          const isBroken = error instanceof WorkerBroken;
          if (isBroken) notify(isAnew ? brokenTwice : startedAnew);
          if (isBroken && !isAnew) ask(true);
          else setState((old) => ({ kind: 'failed', message, before: lastOf(old) }));
        },
      );
    };
    const settled = new Promise((resolve) => setTimeout(resolve, settleMs));
    const answerIt = async () => {
      // What somebody changed is drawn first; a page that is opened has nothing else to show.
      if (!isFirst.current) await settled;
      const kept = wanted ? await keptAnswer(name, key) : undefined;
      if (!kept) await settled;
      if (!wanted) return;
      isFirst.current = false;
      if (kept) answered(kept.answer);
      else ask(false);
    };
    void answerIt();
    return () => {
      wanted = false;
      cancel();
    };
  }, [name, key, round, stopped, settleMs, headway]);
  const cancel = useCallback(() => setStopped(`${round}:${key}`), [round, key]);
  const again = useCallback(() => setRound((before) => before + 1), []);
  // The moment between a new question and its being asked: the answer in hand is of the one before.
  const shown: Computed<Answer> =
    asked === key ? state : { kind: 'running', headway, before: lastOf(state) };
  return [shown, useMemo(() => ({ cancel, again }), [cancel, again])] as const;
}

/** The newest answer there is: the one to this question, else the one before. */
export const newest = lastOf;

import { api } from '../api.ts';
import type { AppStore } from '../store.ts';
import { allDeeds } from './keptStore.ts';
import { holdLine } from './leader.ts';
import { lineChanged, notKept, refusedFor, waitingCounted } from './lineSlice.ts';
import { type Message, onMessage } from './messages.ts';

const tagsOf = {
  jobs: ['Jobs'],
  board: ['Jobs', 'Board'],
  van: ['Van'],
  instruments: ['Instruments'],
  photographs: ['Photographs'],
  papers: ['Papers'],
  catalogue: ['Catalogue'],
  all: ['Jobs', 'Board', 'Job', 'Van', 'Instruments', 'Photographs', 'Papers', 'Catalogue'],
} as const;

/** Joins a store to the line for as long as somebody is signed in; returns what leaves it. */
export function connect({ dispatch }: AppStore, userId: string): () => void {
  const count = async () => {
    const waiting: Record<string, number> = {};
    for (const { lane } of await allDeeds()) waiting[lane] = (waiting[lane] ?? 0) + 1;
    dispatch(waitingCounted(waiting));
  };
  const hear = (message: Message) => {
    switch (message.about) {
      case 'kept':
      case 'deed':
      case 'lane':
        void count().catch(() => undefined);
        break;
      case 'line':
        dispatch(lineChanged(message.state));
        break;
      case 'unkept':
        dispatch(notKept(message.unkept));
        break;
      case 'refused':
        dispatch(refusedFor(message));
        break;
      case 'lists':
        dispatch(api.util.invalidateTags([...tagsOf[message.of]]));
        void count().catch(() => undefined);
        break;
      case 'session':
        dispatch(api.util.invalidateTags(['Session']));
        break;
      case 'try':
        break;
    }
  };
  const stopHearing = onMessage(hear);
  void count().catch(() => undefined);
  const leaveLine = holdLine(userId);
  void navigator.storage?.persist?.().catch(() => false);
  return () => {
    leaveLine();
    stopHearing();
  };
}

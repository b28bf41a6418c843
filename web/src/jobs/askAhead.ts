import { api } from '../data/api.ts';
import { boardApi } from '../data/boardApi.ts';
import { store } from '../data/store.ts';

/** Asks for what the list of jobs begins with while its own code is still on its way. */
export function askJobsAhead(): void {
  void store.dispatch(
    api.endpoints.jobs.initiate({ search: '', shelf: 'open' }, { subscribe: false }),
  );
}

/** The same for what waits for water. */
export function askBoardAhead(): void {
  void store.dispatch(boardApi.endpoints.board.initiate(undefined, { subscribe: false }));
}

import { afterEach, expect, test } from '@jest/globals';
import { configureStore } from '@reduxjs/toolkit';
import { createApi } from '@reduxjs/toolkit/query';
import { nextPage } from './useNextPage.ts';

const pagesInAll = 5;

/** A list of numbered pages whose answers are given when they are let go. */
function listOfPages() {
  const asked: { page: number; answer: (result: { data: number } | { error: string }) => void }[] =
    [];
  const api = createApi({
    baseQuery: ({ page }: { page: number }) =>
      new Promise<{ data: number } | { error: string }>((answer) => asked.push({ page, answer })),
    tagTypes: ['List'],
    endpoints: (build) => ({
      list: build.infiniteQuery<number, null, number>({
        infiniteQueryOptions: {
          initialPageParam: 0,
          getNextPageParam: (last) => (last + 1 < pagesInAll ? last + 1 : null),
        },
        query: ({ pageParam }) => ({ page: pageParam }),
        providesTags: ['List'],
      }),
    }),
  });
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer },
    middleware: (rest) => rest().concat(api.middleware),
  });
  stop = () => store.dispatch(api.util.resetApiState());
  const list = api.endpoints.list;
  const state = () => list.select(null)(store.getState());
  return {
    begin: () => void store.dispatch(list.initiate(null)),
    changed: () => store.dispatch(api.util.invalidateTags(['List'])),
    further: () => store.dispatch(list.initiate(null, { direction: 'forward' })),
    heard: (listener: () => void) => store.subscribe(listener),
    state,
    pages: () => state().data?.pages,
    /** Answers what was asked, in turn, until nothing more is. */
    async answer(
      give: (page: number) => { data: number } | { error: string } = (data) => ({ data }),
    ) {
      for (;;) {
        await new Promise((resolve) => setTimeout(resolve));
        const next = asked.shift();
        if (!next) return;
        next.answer(give(next.page));
      }
    },
  };
}

let stop: () => void;
afterEach(() => stop());

test('a page is one more of the list', async () => {
  const list = listOfPages();
  list.begin();
  await list.answer();
  const more = nextPage(list.further, 1);
  await list.answer();
  await more;
  expect(list.pages()).toEqual([0, 1]);
});

test('a page that is wanted while the list is fetched anew comes after it, however often that happens', async () => {
  const list = listOfPages();
  list.begin();
  await list.answer();
  let times = 3;
  // Somebody changes something in it again as soon as it has come: there is no moment in which a page could be asked for.
  list.heard(() => {
    if (list.state().isSuccess && times > 0) {
      times -= 1;
      list.changed();
    }
  });
  list.changed();
  const more = nextPage(list.further, 1);
  await list.answer();
  await more;
  expect(times).toBe(0);
  expect(list.pages()).toEqual([0, 1]);
});

test('a list that does not come, or has no more, ends the wish', async () => {
  const list = listOfPages();
  list.begin();
  await list.answer();
  const failed = nextPage(list.further, 1);
  await list.answer(() => ({ error: 'no line' }));
  await failed;
  expect(list.pages()).toEqual([0]);
  for (let held = 1; held < pagesInAll; held += 1) {
    const more = nextPage(list.further, held);
    await list.answer();
    await more;
  }
  await nextPage(list.further, pagesInAll);
  expect(list.pages()).toEqual([0, 1, 2, 3, 4]);
});

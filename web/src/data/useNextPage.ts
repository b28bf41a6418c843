import { useState } from 'react';

/** What is known of a list that comes page by page, when it was asked. */
interface Answer {
  isError: boolean;
  hasNextPage: boolean;
  data?: { pages: unknown[] };
}

interface PagedList {
  data?: { pages: unknown[] };
  isFetchingNextPage: boolean;
  fetchNextPage: () => PromiseLike<Answer>;
}

/**
 * Goes a page further down a list that held so many. A page is not fetched while the list itself is being fetched anew, as when somebody
 * else changed something in it: then this one is asked for again, until the list has grown, has an end or does not come.
 */
export async function nextPage(fetchNextPage: () => PromiseLike<Answer>, held: number) {
  for (;;) {
    const { isError, hasNextPage, data } = await fetchNextPage();
    if (isError || !hasNextPage || (data?.pages.length ?? 0) > held) return;
  }
}

/** Goes a page further down a list, also one that changes meanwhile. */
export function useNextPage({ data, isFetchingNextPage, fetchNextPage }: PagedList) {
  // Another search is another list, of which nobody wanted more yet: its pages are fetched by another function.
  const [wanted, setWanted] = useState<PagedList['fetchNextPage'] | null>(null);
  return {
    isComing: wanted === fetchNextPage || isFetchingNextPage,
    showMore: async () => {
      setWanted(() => fetchNextPage);
      await nextPage(fetchNextPage, data?.pages.length ?? 0);
      setWanted((latest) => (latest === fetchNextPage ? null : latest));
    },
  };
}

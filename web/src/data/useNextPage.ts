import { useEffect, useState } from 'react';

/** What is known of a list that comes page by page. */
interface PagedList {
  hasNextPage: boolean;
  isFetching: boolean;
  isFetchingNextPage: boolean;
  fetchNextPage: () => unknown;
}

/**
 * Goes a page further down a list. While the list is being fetched anew, as when somebody else changed something in it, a further page is
 * not fetched and the wish would be lost: it is remembered until then.
 */
export function useNextPage({
  hasNextPage,
  isFetching,
  isFetchingNextPage,
  fetchNextPage,
}: PagedList) {
  const [isWanted, setWanted] = useState(false);
  useEffect(() => {
    if (!isWanted || isFetching) return;
    setWanted(false);
    if (hasNextPage) fetchNextPage();
  }, [isWanted, isFetching, hasNextPage, fetchNextPage]);
  return {
    isComing: isWanted || isFetchingNextPage,
    showMore: () => setWanted(true),
  };
}

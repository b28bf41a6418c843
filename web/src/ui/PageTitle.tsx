/** What the browser calls the page: the nearest thing first, since tabs and histories cut off the end. */
export const PageTitle = ({ children }: { children: string }) => (
  <title>{`${children} · Katharos`}</title>
);

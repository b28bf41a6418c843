import { Loader } from '@mantine/core';
import { lazy, type ReactNode, Suspense } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { BrokenPage, MissingPage } from '../ui/FailurePages.tsx';
import { bare, frame, framed, type Place } from './places.ts';

const Shell = lazy(async () => ({ default: await frame() }));

const routeOf = ({ path, load }: Place): ReactNode => {
  const Page = lazy(async () => ({ default: await load() }));
  return <Route key={path} path={path} element={<Page />} />;
};

const routes = {
  bare: bare.map(routeOf),
  framed: framed.map(routeOf),
};

/** What stands for a page that failed is gone with the next address. */
function Guarded({ children }: { children: ReactNode }) {
  const { key } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={BrokenPage} resetKeys={[key]}>
      <Suspense fallback={<Loader aria-label="Opening" m="xl" />}>{children}</Suspense>
    </ErrorBoundary>
  );
}

/** The application, address by address. */
export const Pages = () => (
  <BrowserRouter>
    <Guarded>
      <Routes>
        {routes.bare}
        <Route element={<Shell />}>
          <Route index element={<Navigate to="/board" replace />} />
          {routes.framed}
          <Route path="/van" element={<Navigate to="/stock" replace />} />
          <Route path="*" element={<MissingPage />} />
        </Route>
      </Routes>
    </Guarded>
  </BrowserRouter>
);

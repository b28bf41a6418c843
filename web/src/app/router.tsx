import { createBrowserRouter, Navigate } from 'react-router';
import { BrokenPage, MissingPage } from '../ui/FailurePages.tsx';
import { Shell } from './Shell.tsx';

/** Addresses of the application. The job's stages and papers are loaded when first asked for. */
export const router = createBrowserRouter([
  {
    path: '/sign-in',
    lazy: async () => ({ Component: (await import('../session/SignInPage.tsx')).SignInPage }),
    errorElement: <BrokenPage />,
  },
  {
    path: '/join/:token',
    lazy: async () => ({ Component: (await import('../session/JoinPage.tsx')).JoinPage }),
    errorElement: <BrokenPage />,
  },
  {
    path: '/reset/:token',
    lazy: async () => ({ Component: (await import('../session/ResetPage.tsx')).ResetPage }),
    errorElement: <BrokenPage />,
  },
  {
    element: <Shell />,
    errorElement: <BrokenPage />,
    children: [
      { index: true, element: <Navigate to="/board" replace /> },
      {
        path: '/board',
        lazy: async () => ({ Component: (await import('../jobs/BoardPage.tsx')).BoardPage }),
      },
      {
        path: '/jobs',
        lazy: async () => ({ Component: (await import('../jobs/JobsPage.tsx')).JobsPage }),
      },
      {
        path: '/jobs/:id/:stage?',
        lazy: () => import('../job/page/route.ts'),
      },
      {
        path: '/firm',
        lazy: async () => ({ Component: (await import('../firm/FirmPage.tsx')).FirmPage }),
      },
      {
        path: '/people',
        lazy: async () => ({ Component: (await import('../people/PeoplePage.tsx')).PeoplePage }),
      },
      {
        path: '/account',
        lazy: async () => ({ Component: (await import('../people/AccountPage.tsx')).AccountPage }),
      },
      {
        path: '/instruments',
        lazy: async () => ({
          Component: (await import('../instruments/InstrumentsPage.tsx')).InstrumentsPage,
        }),
      },
      {
        path: '/diary',
        lazy: async () => ({ Component: (await import('../diary/DiaryPage.tsx')).DiaryPage }),
      },
      {
        path: '/catalogue',
        lazy: async () => ({
          Component: (await import('../catalogue/CataloguePage.tsx')).CataloguePage,
        }),
      },
      {
        path: '/catalogue/file',
        lazy: async () => ({
          Component: (await import('../catalogue/CatalogueFilePage.tsx')).CatalogueFilePage,
        }),
      },
      {
        path: '/catalogue/compare',
        lazy: async () => ({
          Component: (await import('../catalogue/ComparePage.tsx')).ComparePage,
        }),
      },
      {
        path: '/catalogue/new/:kind',
        lazy: async () => ({ Component: (await import('../catalogue/PartPage.tsx')).NewPartPage }),
      },
      {
        path: '/catalogue/part/:part',
        lazy: async () => ({ Component: (await import('../catalogue/PartPage.tsx')).PartPage }),
      },
      {
        path: '/log',
        lazy: async () => ({ Component: (await import('../firm/LogPage.tsx')).LogPage }),
      },
      {
        path: '/stock',
        lazy: async () => ({ Component: (await import('../stock/StockPage.tsx')).StockPage }),
      },
      {
        path: '/stock/load',
        lazy: async () => ({ Component: (await import('../stock/LoadPage.tsx')).LoadPage }),
      },
      {
        path: '/stock/labels',
        lazy: async () => ({ Component: (await import('../stock/LabelsPage.tsx')).LabelsPage }),
      },
      { path: '/van', element: <Navigate to="/stock" replace /> },
      { path: '*', element: <MissingPage /> },
    ],
  },
  {
    path: '/jobs/:id/sheet',
    lazy: async () => ({ Component: (await import('../papers/SheetPage.tsx')).SheetPage }),
    errorElement: <BrokenPage />,
  },
  {
    path: '/jobs/:id/card',
    lazy: async () => ({ Component: (await import('../papers/CardPage.tsx')).CardPage }),
    errorElement: <BrokenPage />,
  },
  {
    path: '/jobs/:id/proposal',
    lazy: async () => ({ Component: (await import('../papers/ProposalPage.tsx')).ProposalPage }),
    errorElement: <BrokenPage />,
  },
  {
    path: '/jobs/:id/certificate',
    lazy: async () => ({
      Component: (await import('../papers/CertificatePage.tsx')).CertificatePage,
    }),
    errorElement: <BrokenPage />,
  },
]);

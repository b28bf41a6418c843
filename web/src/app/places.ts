import type { ComponentType } from 'react';
import { matchPath, type Params } from 'react-router';
import { isSignOutPending } from '../data/endSession.ts';
import { askAhead as askJobAhead } from '../job/page/askAhead.ts';
import { askBoardAhead, askJobsAhead } from '../jobs/askAhead.ts';

/** What stands under an address: its code is loaded when it is first asked for. */
export interface Place {
  path: string;
  load: () => Promise<ComponentType>;
  /** Asks for what the page will want besides its own code. */
  askAhead?: (params: Params) => void;
}

/** The frame of the signed-in pages. */
export const frame = () => import('./Shell.tsx').then((it) => it.Shell);

/** Within it. */
export const framed: Place[] = [
  {
    path: '/board',
    load: () => import('../jobs/BoardPage.tsx').then((it) => it.BoardPage),
    askAhead: askBoardAhead,
  },
  {
    path: '/jobs',
    load: () => import('../jobs/JobsPage.tsx').then((it) => it.JobsPage),
    askAhead: askJobsAhead,
  },
  {
    path: '/jobs/:id/:stage?',
    load: () => import('../job/page/JobPage.tsx').then((it) => it.JobPage),
    askAhead: askJobAhead,
  },
  {
    path: '/firm',
    load: () => import('../firm/FirmPage.tsx').then((it) => it.FirmPage),
  },
  {
    path: '/people',
    load: () => import('../people/PeoplePage.tsx').then((it) => it.PeoplePage),
  },
  {
    path: '/account',
    load: () => import('../people/AccountPage.tsx').then((it) => it.AccountPage),
  },
  {
    path: '/instruments',
    load: () => import('../instruments/InstrumentsPage.tsx').then((it) => it.InstrumentsPage),
  },
  {
    path: '/diary',
    load: () => import('../diary/DiaryPage.tsx').then((it) => it.DiaryPage),
  },
  {
    path: '/catalogue',
    load: () => import('../catalogue/CataloguePage.tsx').then((it) => it.CataloguePage),
  },
  {
    path: '/catalogue/file',
    load: () => import('../catalogue/CatalogueFilePage.tsx').then((it) => it.CatalogueFilePage),
  },
  {
    path: '/catalogue/compare',
    load: () => import('../catalogue/ComparePage.tsx').then((it) => it.ComparePage),
  },
  {
    path: '/catalogue/new/:kind',
    load: () => import('../catalogue/PartPage.tsx').then((it) => it.NewPartPage),
  },
  {
    path: '/catalogue/part/:part',
    load: () => import('../catalogue/PartPage.tsx').then((it) => it.PartPage),
  },
  {
    path: '/log',
    load: () => import('../firm/LogPage.tsx').then((it) => it.LogPage),
  },
  {
    path: '/stock',
    load: () => import('../stock/StockPage.tsx').then((it) => it.StockPage),
  },
  {
    path: '/stock/load',
    load: () => import('../stock/LoadPage.tsx').then((it) => it.LoadPage),
  },
  {
    path: '/stock/labels',
    load: () => import('../stock/LabelsPage.tsx').then((it) => it.LabelsPage),
  },
];

/** Before anybody is signed in, and the papers of a job, which have a frame of their own. */
export const bare: Place[] = [
  {
    path: '/sign-in',
    load: () => import('../session/SignInPage.tsx').then((it) => it.SignInPage),
  },
  {
    path: '/join/:token',
    load: () => import('../session/JoinPage.tsx').then((it) => it.JoinPage),
  },
  {
    path: '/reset/:token',
    load: () => import('../session/ResetPage.tsx').then((it) => it.ResetPage),
  },
  {
    path: '/jobs/:id/sheet',
    load: () => import('../papers/SheetPage.tsx').then((it) => it.SheetPage),
  },
  {
    path: '/jobs/:id/card',
    load: () => import('../papers/CardPage.tsx').then((it) => it.CardPage),
  },
  {
    path: '/jobs/:id/proposal',
    load: () => import('../papers/ProposalPage.tsx').then((it) => it.ProposalPage),
  },
  {
    path: '/jobs/:id/certificate',
    load: () => import('../papers/CertificatePage.tsx').then((it) => it.CertificatePage),
  },
];

/** Loads what stands under the first address, and all that it will ask for, while who is signed in is still on its way. */
export function askAhead(address: string): void {
  for (const place of [...bare, ...framed]) {
    const match = matchPath(place.path, address);
    if (!match) continue;
    // What does not come is told where it is drawn.
    void place.load().catch(() => undefined);
    if (framed.includes(place)) void frame().catch(() => undefined);
    // Of a session that somebody ended nothing is asked.
    if (!isSignOutPending()) place.askAhead?.(match.params);
    return;
  }
}

import type { Page } from './app.ts';

/** A view of a sample job that everybody has to be able to use. */
export interface View {
  name: string;
  job: string;
  path: string;
  /** A heading of the view, so that it is the view that is looked at. */
  heading: string | RegExp;
  /** What is opened first: a dialog, a menu, a popover, a fold. */
  open?: (page: Page) => Promise<unknown>;
  /** What would stay open on the next page is closed. */
  close?: (page: Page) => Promise<unknown>;
  /** What is opened, where the rest of the page is looked at as a view of its own. */
  part?: string;
  /** Work is done standing or kneeling here: nothing smaller than a thumb. */
  thumbs?: boolean;
}

const proposed = 'Proposed system';
const agreed = 'The agreed system';
const [ilario, odalys, tamsin] = ['Ilario Quenby', 'Odalys Brightwen', 'Tamsin Orrell'];
const [per, senna] = ['Per Hathersage-Lunn', 'Senna Vauclair'];

/** Every view of the sample jobs, by whose job it is. */
export const views: View[] = [
  { name: 'survey', job: 'Hob Farrendale', path: 'survey', heading: 'Survey', thumbs: true },
  {
    name: 'survey, demand',
    job: tamsin,
    path: 'survey?place=demand',
    heading: 'Demand',
    thumbs: true,
  },
  {
    name: 'survey, chemistry',
    job: tamsin,
    path: 'survey?place=chemistry',
    heading: 'Chemistry',
    thumbs: true,
  },
  {
    name: 'survey, sink',
    job: per,
    path: 'survey?place=under-the-sink',
    heading: 'Under the sink',
    thumbs: true,
  },
  {
    name: 'survey, photographs',
    job: per,
    path: 'survey?place=photographs',
    heading: 'Photographs',
    thumbs: true,
  },
  {
    name: 'who took a reading',
    job: tamsin,
    path: 'survey?place=at-the-tap',
    heading: 'At the tap',
    open: (page) => page.getByTitle('Feed TDS: by whom, when and with what').click(),
    part: '[role=dialog]',
  },
  { name: 'sizing with a warning', job: ilario, path: 'size', heading: proposed },
  { name: 'agreed system', job: senna, path: 'size', heading: agreed },
  {
    name: 'why a figure is what it is',
    job: ilario,
    path: 'size',
    heading: proposed,
    open: (page) => page.getByRole('button', { name: 'Product TDS' }).click(),
    part: '[role=dialog]',
  },
  {
    name: 'deciding otherwise',
    job: ilario,
    path: 'size',
    heading: proposed,
    open: (page) =>
      page
        .getByTestId('decision-regulator')
        .getByRole('button', { name: 'Decide otherwise' })
        .click(),
    part: '[role=dialog]',
  },
  { name: 'days', job: senna, path: 'size?view=days', heading: agreed },
  { name: 'conditions', job: senna, path: 'size?view=conditions', heading: agreed },
  { name: 'water and pressure', job: ilario, path: 'size?view=water', heading: proposed },
  { name: 'weighing', job: ilario, path: 'size?view=weigh', heading: proposed },
  { name: 'comparing', job: ilario, path: 'size?view=compare', heading: proposed },
  { name: 'composing', job: ilario, path: 'size?view=compose', heading: proposed },
  {
    name: 'waterline with a component picked',
    job: odalys,
    path: 'plumb',
    heading: 'Order of work',
    open: async (page) => {
      await page.getByRole('button', { name: /open the waterline/ }).click();
      await page.getByRole('button', { name: 'Membrane', exact: true }).click();
    },
    close: (page) =>
      page
        .getByRole('region', { name: 'Waterline' })
        .getByRole('button', { name: 'Close', exact: true })
        .last()
        .click(),
    part: '[aria-label=Waterline]',
  },
  { name: 'order of work', job: odalys, path: 'plumb', heading: 'Order of work', thumbs: true },
  {
    name: 'changing the order',
    job: odalys,
    path: 'plumb',
    heading: 'Order of work',
    open: (page) => page.getByRole('button', { name: 'Change the order' }).click(),
    part: '[data-next=true]',
    thumbs: true,
  },
  { name: 'the cabinet', job: odalys, path: 'plumb?view=fit', heading: 'Does it fit' },
  { name: 'connections', job: odalys, path: 'plumb?view=connections', heading: 'Drain' },
  { name: 'tubes', job: odalys, path: 'plumb?view=tubes', heading: 'Tubes' },
  { name: 'parts', job: odalys, path: 'plumb?view=parts', heading: 'Parts' },
  { name: 'flushing', job: per, path: 'flush', heading: 'Flush', thumbs: true },
  {
    name: 'the runner',
    job: per,
    path: 'flush?whole',
    heading: /^Tank fill/,
    part: '[role=dialog]',
    open: (page) => page.getByRole('button', { name: 'Drain has stopped by itself' }).click(),
  },
  {
    name: 'what is likely behind a sign',
    job: per,
    path: 'flush?whole',
    heading: /^Tank fill/,
    open: async (page) => {
      await page.getByRole('button', { name: 'Not right' }).click();
      await page.getByRole('button', { name: 'The drain does not stop' }).click();
      await page.getByRole('list', { name: 'Likely causes' }).waitFor();
    },
    part: '[role=dialog]:has([aria-label="Likely causes"])',
  },
  { name: 'the household’s card', job: per, path: 'card', heading: 'For the household' },
  {
    name: 'a failed verification',
    job: senna,
    path: 'verify',
    heading: 'Verify',
    thumbs: true,
  },
  { name: 'keeping', job: 'Dunstan Eskdale-Moor', path: 'keep', heading: 'Keep' },
  {
    name: 'in service',
    job: 'Dunstan Eskdale-Moor',
    path: 'keep?view=service',
    heading: 'The membrane’s trend',
    thumbs: true,
  },
  {
    name: 'a visit',
    job: 'Dunstan Eskdale-Moor',
    path: 'keep?view=service',
    heading: 'The membrane’s trend',
    open: (page) => page.getByRole('button', { name: 'Begin a visit' }).click(),
    part: '[aria-label="This visit"]',
    thumbs: true,
  },
  {
    name: 'a complaint, weighed',
    job: 'Dunstan Eskdale-Moor',
    path: 'keep?view=service',
    heading: 'The membrane’s trend',
    open: async (page) => {
      await page.getByRole('button', { name: 'Begin a visit' }).click();
      const visit = page.getByRole('region', { name: 'This visit' });
      await visit.getByLabel('What for').selectOption('complaint');
      for (const [label, value] of [
        ['Feed TDS', '430 ppm'],
        ['Product TDS', '80 ppm'],
      ]) {
        await visit.getByLabel(label!, { exact: true }).fill(value!);
        await visit.getByLabel(label!, { exact: true }).press('Enter');
      }
      await visit.getByLabel('Taste or smell').check();
      await visit.getByRole('list', { name: 'Likely causes' }).waitFor();
    },
    part: '[aria-label="This visit"]',
    thumbs: true,
  },
  {
    name: 'a change-out on the whole screen',
    job: 'Dunstan Eskdale-Moor',
    path: 'keep?view=service',
    heading: 'The membrane’s trend',
    open: async (page) => {
      await page.getByRole('button', { name: 'Begin a visit' }).click();
      await page.getByRole('button', { name: 'Begin, on the whole screen' }).click();
    },
    part: '[role=dialog]',
  },
  { name: 'a stage without a system', job: tamsin, path: 'flush', heading: 'Flush' },
  { name: 'proposal', job: odalys, path: 'proposal', heading: /reverse osmosis/ },
  { name: 'job sheet', job: odalys, path: 'sheet', heading: /Odalys Brightwen/ },
  {
    name: 'certificate',
    job: 'Dunstan Eskdale-Moor',
    path: 'certificate',
    heading: /dissolved solids held back/,
  },
];

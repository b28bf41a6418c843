import type { JobDocument } from './job.ts';

/** A job as it begins: a name, and nothing known yet. */
export const newJobDocument = (name: string, address = ''): JobDocument => ({
  customer: { name, address, phone: '', note: '' },
  survey: {
    readings: {},
    details: {},
    site: {},
    source: 'unknown',
    disinfectant: 'unknown',
    safe: 'unknown',
    outlet: 'unknown',
  },
  system: null,
  size: { weights: {}, limits: {}, overruled: {}, compared: [] },
  plumb: { routes: {}, ticks: {} },
  flush: { steps: {} },
  verify: { readings: {}, shutoffTest: 'not-done', leakCheck: 'not-done', note: '' },
  keep: { issued: null, remark: '' },
});

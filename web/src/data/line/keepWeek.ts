import type { Answer, Asked } from '@katharos/contract';
import { call } from './call.ts';
import { keepAnswer, keptAnswer } from './keptStore.ts';
import { takeIn } from './sender.ts';

/** What is worked on now: jobs touched within these days, and no more than so many. */
const days = 7;
const mostJobs = 40;
/** A job that nobody touched since, and its papers and photographs, are not fetched again within this, ms; lists within the other. */
const jobAgainMs = 3600e3;
const listAgainMs = 600e3;

/** Whether something was kept within some time. */
const isWithin = (known: { at: string } | undefined, ms: number): boolean =>
  known !== undefined && Date.now() - Date.parse(known.at) < ms;

/** Fetches one answer and keeps it for when the server cannot be asked; undefined where none came. */
async function fetchKept<A extends Asked>(address: string): Promise<Answer<A> | undefined> {
  const answer = await call({ method: 'GET', address });
  if (answer.kind !== 'answered') return undefined;
  await keepAnswer(address, answer);
  return answer.body as Answer<A>;
}

/** Under what it is kept that all of a job was: pages keep parts of it, each what it shows. */
const wholeMark = (id: string) => `whole:${id}`;

/** Whether all of a job is kept as it stands. */
async function isWhole(id: string, updatedAt: string): Promise<boolean> {
  const mark = await keptAnswer(wholeMark(id));
  return mark?.body === updatedAt && isWithin(mark, jobAgainMs);
}

/** Keeps this week's jobs with their photographs, the parts and the van, so that they open without a line. One thing at a time, quietly. */
export async function keepWeek(now: Date, isWanted: () => boolean): Promise<void> {
  for (const address of ['/catalogue', '/van', '/stock', '/instruments']) {
    if (!isWithin(await keptAnswer(address), listAgainMs)) await fetchKept(address);
  }
  const list = await fetchKept<'GET /jobs'>('/jobs?search=&shelf=open').catch(() => undefined);
  if (!list) return;
  const since = new Date(now.getTime() - days * 86400e3).toISOString();
  for (const { id, updatedAt } of list.jobs
    .filter(({ updatedAt }) => updatedAt >= since)
    .slice(0, mostJobs)) {
    if (!isWanted()) return;
    if (await isWhole(id, updatedAt)) continue;
    const job = await fetchKept<'GET /jobs/:job'>(`/jobs/${id}`);
    if (job) await takeIn(job);
    const papers = await fetchKept<'GET /jobs/:job/papers'>(`/jobs/${id}/papers`);
    for (const paper of papers?.papers ?? []) {
      await fetchKept(`/jobs/${id}/papers/${paper.id}`);
    }
    const photographs = await fetchKept<'GET /jobs/:job/photographs'>(`/jobs/${id}/photographs`);
    if (!photographs) continue;
    // Asking is enough: the service worker keeps what it sees.
    for (const one of photographs.photographs) {
      await fetch(`/api/jobs/${id}/photographs/${one.id}`).catch(() => undefined);
    }
    if (job && papers) await keepAnswer(wholeMark(id), { body: updatedAt, mark: null });
  }
}

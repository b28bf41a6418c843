import type { Answer, IssuePaper, Job } from '@katharos/contract';
import { saysTheSame } from '@katharos/job';
import { call, type Called } from './call.ts';
import { isDocumentDeed, type KeptDeed, type Lane } from './deeds.ts';
import { allDeeds, changeLane, deedsOf, keptJob, type KeptJob } from './keptStore.ts';
import { presentOf, takenIn, without } from './lanes.ts';
import { tellAll } from './messages.ts';

/** What keeps everything from being sent, not one job alone. */
export type Trouble = Exclude<Called, { kind: 'answered' | 'refused' }>;

/** Sends what waits, in the order in which it was done, each lane by itself; says what stopped it, or nothing where all lanes were tried. */
export async function sendWaiting(userId: string): Promise<Trouble | undefined> {
  for (const lane of await lanesWaiting(userId)) {
    const trouble = await sendLane(lane, userId);
    if (trouble) return trouble;
  }
  return undefined;
}

/** Lanes with something to send, the one that waits longest first. */
async function lanesWaiting(userId: string): Promise<Lane[]> {
  const deeds = await allDeeds();
  return [...new Set(deeds.filter((deed) => deed.userId === userId).map(({ lane }) => lane))];
}

/** Sends a lane until it is empty or something stands in its way. */
async function sendLane(lane: Lane, userId: string): Promise<Trouble | undefined> {
  for (;;) {
    const deeds = (await deedsOf(lane)).filter((deed) => deed.userId === userId);
    const [first] = deeds;
    if (!first) return undefined;
    const held = await keptJob(lane);
    if (held?.conflict || isRefused(held, deeds)) return undefined;
    const outcome = isDocumentDeed(first)
      ? await saveDocument(lane, held, deeds)
      : await sendOne(first);
    if (outcome === 'stopped') return undefined;
    if (outcome) return outcome;
    tellAll({ about: 'lane', lane });
  }
}

/** Refused, and nothing was done about it since. */
const isRefused = (held: KeptJob | undefined, deeds: readonly KeptDeed[]): boolean =>
  held?.refusal !== undefined && deeds.at(-1)!.seq <= held.refusal.upTo;

/** The first run of edits of the document, as one save. */
function batchOf(held: KeptJob, deeds: readonly KeptDeed[]) {
  const end = deeds.findIndex((deed) => !isDocumentDeed(deed));
  const run = end < 0 ? deeds : deeds.slice(0, end);
  const { inflight } = held;
  const batch = inflight ? run.filter(({ seq }) => seq <= inflight.upTo) : run;
  // What was sent was sent by another run of this, whose deeds are gone: its key is of no use any more.
  return inflight && batch.length > 0
    ? { batch, key: inflight.key }
    : { batch: run, key: `save:${run.at(-1)!.id}` };
}

async function saveDocument(
  lane: Lane,
  known: KeptJob | undefined,
  deeds: readonly KeptDeed[],
): Promise<Trouble | 'stopped' | undefined> {
  const held = known ?? (await fetched(lane));
  if ('kind' in held) return refusedOr(held, lane, deeds);
  const { batch, key } = batchOf(held, deeds);
  const upTo = batch.at(-1)!.seq;
  const document = presentOf(held, batch);
  if (!held.inflight && saysTheSame(document, held.job.document)) {
    await changeLane(lane, (job) => ({ job: job ?? held, done: batch }));
    return undefined;
  }
  await changeLane(lane, (job) => ({ job: { ...(job ?? held), inflight: { key, upTo } } }));
  const { version } = held.job;
  const answer = await call({
    method: 'PUT',
    address: `/jobs/${lane}`,
    body: { version, document },
    key,
  });
  if (answer.kind === 'answered') {
    const saved = answer.body as Answer<'PUT /jobs/:job'>;
    await changeLane(lane, () => ({ job: { id: lane, job: { ...saved, document } }, done: batch }));
    return undefined;
  }
  if (answer.kind === 'refused' && ['version-conflict', 'key-reused'].includes(answer.code)) {
    const theirs = await fetched(lane);
    if ('kind' in theirs) return refusedOr(theirs, lane, deeds);
    await changeLane(lane, (job, waiting) => {
      const { inflight: _answered, ...rest } = job ?? held;
      return { job: takenIn(rest, waiting, theirs.job) };
    });
    return undefined;
  }
  return refusedOr(answer, lane, batch);
}

/** Notes a refusal at its lane; any other trouble stops everything and is handed on. */
async function refusedOr(
  answer: Exclude<Called, { kind: 'answered' }>,
  lane: Lane,
  deeds: readonly KeptDeed[],
): Promise<Trouble | 'stopped'> {
  if (answer.kind !== 'refused') return answer;
  const { message, path } = answer;
  const upTo = deeds.at(-1)!.seq;
  await changeLane(lane, (job) => {
    if (!job) return {};
    const { inflight: _answered, ...rest } = job;
    return { job: { ...rest, refusal: { message, path, upTo } } };
  });
  tellAll({ about: 'lane', lane });
  return 'stopped';
}

/** The job as the server has it, as something kept; or what came of asking. */
async function fetched(id: string): Promise<KeptJob | Exclude<Called, { kind: 'answered' }>> {
  const answer = await call({ method: 'GET', address: `/jobs/${id}` });
  if (answer.kind !== 'answered') return answer;
  return { id, job: answer.body as Answer<'GET /jobs/:job'> };
}

/** Sends a deed that is no edit of the document. One that the server refuses is told of and let go: it cannot be mended here. */
async function sendOne(deed: KeptDeed): Promise<Trouble | 'stopped' | undefined> {
  const answer = await call({ ...requestOf(deed), key: deed.id });
  if (answer.kind !== 'answered' && answer.kind !== 'refused') return answer;
  await changeLane(deed.lane, () => ({ done: [deed] }));
  if (answer.kind === 'refused' && answer.code !== 'not-found') {
    tellAll({ about: 'refused', lane: deed.lane, kind: deed.kind, message: answer.message });
  }
  tellAll({ about: 'lists', of: listOf(deed) });
  return undefined;
}

const listOf = ({ kind }: KeptDeed) => {
  switch (kind) {
    case 'paper':
      return 'papers';
    case 'take':
    case 'put-back':
    case 'stock':
      return 'van';
    case 'instrument':
    case 'calibration':
      return 'instruments';
    default:
      return 'photographs';
  }
};

function requestOf(deed: Exclude<KeptDeed, { kind: 'document' }> | KeptDeed) {
  const photographs = `/jobs/${deed.lane}/photographs`;
  switch (deed.kind) {
    case 'photograph': {
      const { about, step, at, photographId: id } = deed;
      const query = new URLSearchParams({ about, takenAt: at, id, ...(step ? { step } : {}) });
      return { method: 'POST', address: `${photographs}?${query}`, body: deed.file } as const;
    }
    case 'photograph-change':
      return {
        method: 'PATCH',
        address: `${photographs}/${deed.photographId}`,
        body: deed.change,
      } as const;
    case 'photograph-remove':
      return { method: 'DELETE', address: `${photographs}/${deed.photographId}` } as const;
    case 'photograph-restore':
      return { method: 'POST', address: `${photographs}/${deed.photographId}/restore` } as const;
    case 'take':
      return {
        method: 'POST',
        address: `/van/takings/${deed.lane}`,
        body: { lines: deed.lines },
      } as const;
    case 'paper': {
      const { paper: kind, units, timeZone, reason, regardless, at, visit } = deed;
      const body: IssuePaper = {
        kind,
        units,
        timeZone,
        reason,
        regardless,
        at,
        ...(visit ? { visit } : {}),
      };
      return { method: 'POST', address: `/jobs/${deed.lane}/papers`, body } as const;
    }
    case 'put-back':
      return { method: 'DELETE', address: `/van/takings/${deed.lane}` } as const;
    case 'stock':
      return {
        method: 'PUT',
        address: `/van/stock/${deed.partId}`,
        body: { quantity: deed.quantity, ...(deed.placeId ? { placeId: deed.placeId } : {}) },
      } as const;
    case 'instrument': {
      const { id, ...body } = deed.instrument;
      return { method: 'PUT', address: `/instruments/${id}`, body } as const;
    }
    case 'calibration':
      return {
        method: 'POST',
        address: `/instruments/${deed.instrumentId}/calibrations`,
        body: deed.calibration,
      } as const;
    case 'document':
      throw new TypeError('a document is saved, not sent');
  }
}

/** Takes in what the server has of a job that others changed; what waits here stays over it. */
export async function takeInFromServer(id: string): Promise<Trouble | undefined> {
  const held = await keptJob(id);
  // What is under way must be answered first: only then is it known what of the server's state is this browser's own.
  if (!held || held.inflight) return undefined;
  const theirs = await fetched(id);
  if ('kind' in theirs) return theirs.kind === 'refused' ? undefined : theirs;
  await takeIn(theirs.job);
  return undefined;
}

/** Takes in a state of the server that was fetched. */
export async function takeIn(theirs: Job): Promise<void> {
  let changed = false;
  await changeLane(theirs.id, (job, deeds) => {
    if (!job) {
      changed = true;
      return { job: { id: theirs.id, job: theirs } };
    }
    if (job.inflight || job.conflict) return {};
    const next = takenIn(job, deeds, theirs);
    changed = next !== job;
    return { job: next };
  });
  if (changed) tellAll({ about: 'lane', lane: theirs.id });
}

/** Drops what the server refused of a job, so that the rest goes on. */
export async function dropRefused(lane: Lane): Promise<void> {
  await changeLane(lane, (job, deeds) => {
    if (!job?.refusal) return {};
    const { refusal, ...rest } = job;
    const place = refusal.path?.replace(/^document\./, '');
    const refused = deeds.filter(({ seq }) => seq <= refusal.upTo);
    return place === undefined
      ? { job: rest, done: refused }
      : { job: rest, rewritten: without(refused, [place]) };
  });
  tellAll({ about: 'lane', lane });
  tellAll({ about: 'try' });
}

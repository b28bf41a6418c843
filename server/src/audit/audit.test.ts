import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  auditPageSchema,
  auditReportSchema,
  type Job,
  jobSchema,
  jobVersionSchema,
} from '@katharos/contract';
import { newJobDocument } from '@katharos/job';
import { checkLog, type SealedEntry } from '../sealing/logSeal.ts';
import { errorOf, startTestApp, type TestApp } from '../test/testApp.ts';
import { emptyEntries, logOf } from './auditRepository.ts';

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;
let agent: Agent;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('mere');
});
afterAll(() => server.close());

const report = async () =>
  auditReportSchema.parse((await agent.get('/api/audit/check').expect(200)).body);
const page = async (query: object = {}) =>
  auditPageSchema.parse((await agent.get('/api/audit').query(query).expect(200)).body);
const firmId = async () =>
  ((await agent.get('/api/session')).body as { firm: { id: string } }).firm.id;

async function jobOf(tds: readonly number[]): Promise<Job> {
  let job = jobSchema.parse((await agent.post('/api/jobs').send({ name: 'Wat Tarrant' })).body);
  for (const value of tds) {
    const document = structuredClone(job.document);
    document.survey.readings.feedTds = { value, unit: 'mg/L', takenAt: null, by: null };
    await agent.put(`/api/jobs/${job.id}`).send({ version: job.version, document }).expect(200);
    job = jobSchema.parse((await agent.get(`/api/jobs/${job.id}`)).body);
  }
  return job;
}

describe('the log', () => {
  test('is appended to by many at once without a gap, and holds', async () => {
    const before = (await report()).count;
    await Promise.all(
      Array.from({ length: 24 }, (_, i) => agent.post('/api/jobs').send({ name: `At once ${i}` })),
    );
    expect(await report()).toMatchObject({ count: before + 24, faults: [] });
  });

  test('lets one begin a job while another saves theirs, again and again, and turns nobody away', async () => {
    const jobs = await Promise.all(Array.from({ length: 6 }, () => jobOf([])));
    const save = async ({ id, version, document }: Job) =>
      (await agent.put(`/api/jobs/${id}`).send({ version, document })).status;
    const begin = async () => (await agent.post('/api/jobs').send({ name: 'Another' })).status;
    for (let round = 0; round < 5; round += 1) {
      const now = jobs.map((job) => ({ ...job, version: job.version + round }));
      const answers = await Promise.all(now.flatMap((job) => [save(job), begin()]));
      expect(answers.filter((status) => status >= 300)).toEqual([]);
    }
  });

  test('is not changed in the database, only emptied whole, and then it still holds', async () => {
    const job = await jobOf([100]);
    const id = await firmId();
    const change = (sql: string) =>
      server.sequelize.query(sql, { replacements: { firm: id, job: job.id } });
    const where = 'where firm_id = :firm and subject_id = :job';
    await expect(change(`update audit set code = 'job-begun' ${where}`)).rejects.toThrow(
      'never changed',
    );
    await expect(
      change(`update audit set content = content || '{"by":"Nobody"}' ${where}`),
    ).rejects.toThrow('never changed');
    await server.sequelize.transaction((transaction) =>
      emptyEntries(id, { kind: 'job', id: job.id }, transaction),
    );
    expect(await report()).toMatchObject({ faults: [], emptied: 2 });
  });

  test('tells where somebody with the database in hand changed it', async () => {
    const entries: SealedEntry[] = [];
    for await (const entry of logOf(await firmId())) entries.push(entry);
    async function* given(list: SealedEntry[]) {
      for (const one of list) yield await Promise.resolve(one);
    }
    const faultsOf = async (change: (list: SealedEntry[]) => SealedEntry[]) =>
      (await checkLog(given(change(structuredClone(entries))))).faults;
    expect(await faultsOf((list) => list)).toEqual([]);
    expect(await faultsOf((list) => list.filter((_, i) => i !== 3))).toEqual([
      { seq: 5, fault: 'missing-before' },
    ]);
    expect(
      await faultsOf((list) => {
        list[2]!.content!.by = 'Nobody';
        return list;
      }),
    ).toEqual([{ seq: 3, fault: 'content' }]);
    expect(
      await faultsOf((list) => {
        list[2]!.code = 'job-shelved';
        return list;
      }),
    ).toEqual([{ seq: 3, fault: 'seal' }]);
  });

  test('is found by who and what, a page after the other, and saved whole', async () => {
    const first = await page({ limit: 5 });
    const second = await page({ limit: 5, before: first.next });
    expect([...first.entries, ...second.entries].map(({ seq }) => seq)).toEqual(
      Array.from({ length: 10 }, (_, i) => first.entries[0]!.seq - i),
    );
    const found = await page({ search: 'at once 7' });
    expect(found.entries.map(({ content }) => content?.name)).toEqual(['At once 7']);
    expect((await page({ search: '100%' })).entries).toEqual([]);
    const saved = (
      await agent
        .get('/api/audit/log.jsonl')
        .buffer()
        .parse((answer, done) => {
          let text = '';
          answer.setEncoding('utf8');
          answer.on('data', (chunk: string) => (text += chunk));
          answer.on('end', () => done(null, text));
        })
    ).body as string;
    const lines = saved.trim().split('\n');
    expect(lines.length).toBe((await report()).count);
    expect(JSON.parse(lines[0]!)).toMatchObject({ seq: 1, code: 'signed-in', before: '' });
  });
});

describe('a job’s own history', () => {
  test('gives every version as it was, back to the first', async () => {
    const job = await jobOf([110, 120, 130]);
    expect(job.version).toBe(4);
    for (const [version, value] of [
      [1, undefined],
      [2, 110],
      [3, 120],
      [4, 130],
    ] as const) {
      const { body } = await agent.get(`/api/jobs/${job.id}/versions/${version}`).expect(200);
      const { document } = jobVersionSchema.parse(body);
      expect(document.survey.readings.feedTds?.value).toBe(value);
      if (version === 1) expect(document).toEqual(newJobDocument('Wat Tarrant'));
    }
    expect((await agent.get(`/api/jobs/${job.id}/versions/5`)).status).toBe(404);
    const { body } = await agent.get(`/api/jobs/${job.id}/history`).expect(200);
    expect(auditPageSchema.parse(body).entries.map(({ code }) => code)).toEqual([
      'job-changed',
      'job-changed',
      'job-changed',
      'job-begun',
    ]);
  });

  test('says so where the way back is not kept', async () => {
    const job = await jobOf([110, 120]);
    const id = await firmId();
    await server.sequelize.transaction((transaction) =>
      emptyEntries(id, { kind: 'job', id: job.id }, transaction),
    );
    expect(errorOf(await agent.get(`/api/jobs/${job.id}/versions/1`)).code).toBe('not-kept');
    await agent.get(`/api/jobs/${job.id}/versions/3`).expect(200);
  });
});

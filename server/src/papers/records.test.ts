import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  type IssuedPaper,
  issuedPaperSchema,
  type Job,
  jobSchema,
  paperListSchema,
  paperSchema,
} from '@katharos/contract';
import type { JobDocument } from '@katharos/job';
import { JobRow, PaperRow } from '../db/models.ts';
import { pdfText } from '../test/pdfText.ts';
import { errorOf, startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';
import { hashOf } from '../sealing/hash.ts';
import { noteHandedOver, recordHandedOver } from './recordHandedOver.ts';
import { runsOf } from './scripts.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('force');
});
afterAll(() => server.close());

async function filed(change: (document: JobDocument) => void = () => undefined): Promise<Job> {
  const created = jobSchema.parse((await agent.post('/api/jobs').send({ name: 'x' })).body);
  const document = verifiedDocument();
  change(document);
  await agent.put(`/api/jobs/${created.id}`).send({ version: 1, document }).expect(200);
  return { ...created, version: 2, document };
}

const order = {
  kind: 'certificate',
  units: 'metric',
  timeZone: 'Europe/Paris',
  at: '2026-03-01T18:30:00.000Z',
  regardless: true,
};
const issue = (job: Job, change: object = {}) =>
  agent.post(`/api/jobs/${job.id}/papers`).send({ ...order, ...change });
const read = async (job: Job, id: string): Promise<IssuedPaper> =>
  issuedPaperSchema.parse((await agent.get(`/api/jobs/${job.id}/papers/${id}`).expect(200)).body);
const pdfOf = async (address: string) => {
  const { body } = await agent.get(address).expect(200).expect('Content-Type', 'application/pdf');
  return body as Buffer;
};

describe('an issued certificate', () => {
  test('stays what it was when a reading changes; the change makes a new version beside it', async () => {
    const job = await filed();
    const first = paperSchema.parse((await issue(job).expect(201)).body);
    const before = await read(job, first.id);
    expect(before.content.result).toMatch(/held back/);
    const document = structuredClone(job.document);
    document.verify.readings.productTds!.value *= 9;
    await agent.put(`/api/jobs/${job.id}`).send({ version: 2, document }).expect(200);
    expect(await read(job, first.id)).toEqual(before);
    const second = paperSchema.parse((await issue(job).expect(201)).body);
    expect(second.version).toBe(2);
    expect((await read(job, second.id)).content.result).not.toBe(before.content.result);
    expect(await read(job, first.id)).toEqual(before);
    const { papers } = paperListSchema.parse((await agent.get(`/api/jobs/${job.id}/papers`)).body);
    expect(papers.map(({ version }) => version)).toEqual([2, 1]);
  });

  test('is the same version where nothing changed, and one however often it is asked for at once', async () => {
    const job = await filed();
    const answers = await Promise.all([issue(job), issue(job)]);
    const again = await issue(job).expect(200);
    expect(paperSchema.parse(again.body).version).toBe(1);
    // Of two at once one may be told to try again; never are there two.
    expect(answers.some(({ status }) => status === 201)).toBe(true);
    expect(await PaperRow.count({ where: { jobId: job.id } })).toBe(1);
  });

  test('carries the date of the house, its hash, and cannot be changed even in the database', async () => {
    const job = await filed();
    const late = { at: '2026-03-01T02:30:00.000Z', timeZone: 'America/Los_Angeles' };
    const record = paperSchema.parse((await issue(job, late).expect(201)).body);
    const paper = await read(job, record.id);
    expect(paper.content.signature).toMatch(/, 2026-02-28$/);
    expect(hashOf(paper.content)).toBe(record.hash);
    await expect(PaperRow.update({ content: {} }, { where: { id: record.id } })).rejects.toThrow(
      'not changed',
    );
    const text = await pdfText(await pdfOf(`/api/jobs/${job.id}/papers/${record.id}/pdf`));
    expect(text).toContain(record.hash);
    expect(text).not.toContain('DRAFT');
    expect(await pdfText(await pdfOf(`/api/jobs/${job.id}/certificate.pdf`))).toContain('Draft');
  });

  test('with something open is refused unless it is said, and then says so itself', async () => {
    const job = await filed((document) => {
      delete document.verify.leaks;
      document.system!.agreed = null;
    });
    expect(errorOf(await issue(job, { regardless: false })).code).toBe('something-open');
    const record = paperSchema.parse(
      (await issue(job, { reason: 'They leave today' }).expect(201)).body,
    );
    expect(record.gaps).toEqual(expect.arrayContaining(['leaks-unchecked', 'not-agreed']));
    const { content } = await read(job, record.id);
    expect(JSON.stringify(content.caveats)).toMatch(
      /leaks were not checked.*issued it regardless: They leave today/,
    );
  });

  test('is nobody else’s', async () => {
    const job = await filed();
    const { id } = paperSchema.parse((await issue(job)).body);
    const stranger = await server.signedIn('weir');
    expect(errorOf(await stranger.get(`/api/jobs/${job.id}/papers/${id}`)).code).toBe('not-found');
    expect(errorOf(await stranger.get(`/api/jobs/${job.id}/papers`)).code).toBe('not-found');
    expect(errorOf(await stranger.post(`/api/jobs/${job.id}/papers`).send(order)).code).toBe(
      'not-found',
    );
  });
});

test('a proposal keeps the prices and the tax of its day', async () => {
  const job = await filed();
  const proposal = { kind: 'proposal' };
  const first = paperSchema.parse((await issue(job, proposal).expect(201)).body);
  const before = await read(job, first.id);
  const settings = { units: 'metric', currency: 'EUR', paper: 'A4', taxShare: 0.33 };
  await agent.put('/api/firm/settings').send(settings).expect(200);
  const second = paperSchema.parse((await issue(job, proposal).expect(201)).body);
  expect(second.version).toBe(2);
  expect(await read(job, first.id)).toEqual(before);
  expect((await read(job, second.id)).content.totals).not.toEqual(before.content.totals);
  expect(await pdfText(await pdfOf(`/api/jobs/${job.id}/proposal.pdf`))).toContain(
    'Place, date, signature',
  );
});

test('names of any script stand on a PDF, which says its language and title', async () => {
  const name = '山田太郎 محمد علي 🔧';
  const job = await filed((document) => (document.customer.name = name));
  const pdf = await pdfOf(`/api/jobs/${job.id}/certificate.pdf`);
  const text = (await pdfText(pdf)).normalize('NFKC');
  expect(text).toContain('山田太郎');
  expect(text).toContain('🔧');
  for (const letter of 'محمدعلي') expect(text).toContain(letter);
  const raw = pdf.toString('latin1');
  expect(raw).toMatch(/\/Lang \(en-GB\)/);
  expect(raw).toMatch(/\/DisplayDocTitle true/);
});

test('a text is split where its letters need another face, and words from the right are turned round', () => {
  expect(runsOf('Haus 山田 2')).toEqual([
    { text: 'Haus ' },
    { text: '山田', font: 'Han' },
    { text: ' 2' },
  ]);
  expect(runsOf('محمد علي')).toEqual([{ text: 'علي محمد', font: 'Arabic' }]);
});

test('papers that were handed over before they were records become records once, dated as they were handed over', async () => {
  const { sequelize, mill, logger } = server;
  const tick = { at: '2025-11-03T10:00:00.000Z', by: 'Odo' };
  const { id: jobId, document } = await filed((changed) => {
    changed.keep.issued = tick;
    changed.system!.agreed = { ...tick, by: 'Ansel' };
  });
  const { firmId } = await JobRow.findByPk(jobId, { rejectOnEmpty: true });
  await sequelize.transaction((transaction) =>
    noteHandedOver({ firmId, jobId, document }, transaction),
  );
  const made = await Promise.all([1, 2].map(() => recordHandedOver(sequelize, mill, logger)));
  expect(made[0]! + made[1]!).toBe(2);
  expect(await recordHandedOver(sequelize, mill, logger)).toBe(0);
  const { papers } = paperListSchema.parse((await agent.get(`/api/jobs/${jobId}/papers`)).body);
  expect(papers).toMatchObject([
    { kind: 'certificate', version: 1, issuedAt: tick.at, issuedBy: 'Odo' },
    { kind: 'proposal', version: 1, issuedAt: tick.at, issuedBy: 'Ansel' },
  ]);
});

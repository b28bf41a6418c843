import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { type Job, jobListSchema, jobSchema, sessionSchema } from '@katharos/contract';
import { type JobDocument, stampPersons } from '@katharos/job';
import { demoJobs } from './seed/demoJobs.ts';
import {
  emptyDocument,
  errorOf,
  password,
  startTestApp,
  type TestApp,
  verifiedDocument,
} from './test/testApp.ts';
import { pdfText } from './test/pdfText.ts';
import request from 'supertest';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
let stranger: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('tarn');
  stranger = await server.signedIn('moor');
});
afterAll(() => server.close());

async function addJob(name = 'Aelfric Thorne', as = agent): Promise<Job> {
  const { body } = await as.post('/api/jobs').send({ name }).expect(201);
  return jobSchema.parse(body);
}

describe('signing in', () => {
  test('sets a cookie that scripts cannot read and other sites do not send', async () => {
    const { headers, body } = await request(server.app)
      .post('/api/session')
      .send({ email: 'OWNER@tarn.example', password })
      .expect(201);
    expect(sessionSchema.parse(body).firm.name).toBe('tarn');
    const cookie = String(headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    expect(JSON.stringify(body)).not.toMatch(/scrypt|passwordHash/);
  });

  test('is refused alike for a wrong password and an unknown person', async () => {
    const answers = await Promise.all(
      [
        { email: 'owner@tarn.example', password: 'wrong' },
        { email: 'nobody@tarn.example', password },
      ].map((credentials) => request(server.app).post('/api/session').send(credentials)),
    );
    expect(answers.map((answer) => errorOf(answer).code)).toEqual([
      'wrong-credentials',
      'wrong-credentials',
    ]);
    expect(answers[0]!.body).toEqual(answers[1]!.body);
  });

  test('ends with signing out, on the server too', async () => {
    const own = request.agent(server.app);
    const { headers } = await own
      .post('/api/session')
      .send({ email: 'owner@tarn.example', password });
    const cookie = String(headers['set-cookie']).split(';')[0]!;
    await own.get('/api/session').expect(200);
    await own.delete('/api/session').expect(204);
    const kept = await request(server.app).get('/api/session').set('Cookie', cookie);
    expect(errorOf(kept).code).toBe('not-signed-in');
  });

  test.each(['/api/session', '/api/jobs', '/api/catalogue', '/api/firm/settings'])(
    'is asked for at %s',
    async (path) => {
      const answer = await request(server.app).get(path);
      expect(errorOf(answer).code).toBe('not-signed-in');
    },
  );

  test('writes no cookie and no password to the log', () => {
    const text = server.log.join('');
    expect(text).toContain('/api/session');
    expect(text).not.toContain('katharos_session=');
    expect(text).not.toContain(password);
  });
});

describe('jobs', () => {
  test('are numbered by firm, even when many are added at once', async () => {
    const own = await server.signedIn('beck');
    const jobs = await Promise.all(Array.from({ length: 6 }, (_, i) => addJob(`Job ${i}`, own)));
    expect(jobs.map((job) => job.number).sort()).toEqual([1, 2, 3, 4, 5, 6]);
  });

  test('come back as they were saved, with the stage they wait in', async () => {
    const job = await addJob();
    const document = verifiedDocument();
    const saved = await agent.put(`/api/jobs/${job.id}`).send({ version: 1, document }).expect(200);
    expect(saved.body).toMatchObject({ version: 2, updatedBy: 'Owner of tarn' });
    const { body } = await agent.get(`/api/jobs/${job.id}`).expect(200);
    // Nothing of it was done by anybody here before: whoever brings it did.
    const stamped = stampPersons(document, emptyDocument(), 'Owner of tarn');
    expect(jobSchema.parse(body).document).toEqual(stamped);
    const list = jobListSchema.parse(
      (await agent.get('/api/jobs').query({ search: String(job.number) })).body,
    );
    expect(list.jobs.find(({ id }) => id === job.id)).toMatchObject({
      stage: 'keep',
      finished: true,
    });
  });

  test('are found by name, address and number, and a percent sign is just a sign', async () => {
    const own = await server.signedIn('gill');
    await own.post('/api/jobs').send({ name: 'Maud 100% Ridley', address: '9 Sluice Lane' });
    await own.post('/api/jobs').send({ name: 'Quill Amory', address: 'Mill' });
    const names = async (search: string) =>
      jobListSchema
        .parse((await own.get('/api/jobs').query({ search })).body)
        .jobs.map((job) => job.name);
    expect(await names('ridley')).toEqual(['Maud 100% Ridley']);
    expect(await names('sluice')).toEqual(['Maud 100% Ridley']);
    expect(await names('#2')).toEqual(['Quill Amory']);
    expect(await names('0%')).toEqual(['Maud 100% Ridley']);
    expect(await names('_')).toEqual([]);
    expect(await names('')).toEqual(['Quill Amory', 'Maud 100% Ridley']);
  });

  test('are paged', async () => {
    const own = await server.signedIn('dale');
    for (let i = 0; i < 3; i += 1) await addJob(`Paged ${i}`, own);
    const page = async (query: object) =>
      jobListSchema.parse((await own.get('/api/jobs').query({ limit: 2, ...query })).body);
    const first = await page({});
    expect(first).toMatchObject({ total: 3, jobs: [{ name: 'Paged 2' }, { name: 'Paged 1' }] });
    expect(await page({ after: first.next })).toMatchObject({
      jobs: [{ name: 'Paged 0' }],
      next: null,
    });
  });

  test('are not overwritten by an edit made on an older version', async () => {
    const job = await addJob();
    const edit = (note: string): JobDocument => ({
      ...job.document,
      customer: { ...job.document.customer, note },
    });
    const both = await Promise.all(
      ['mine', 'yours'].map((note) =>
        agent.put(`/api/jobs/${job.id}`).send({ version: 1, document: edit(note) }),
      ),
    );
    expect(both.map((answer) => answer.status).sort()).toEqual([200, 409]);
    const loser = both.find((answer) => answer.status === 409)!;
    expect(errorOf(loser).message).toContain('Owner of tarn');
    const { body } = await agent.get(`/api/jobs/${job.id}`);
    expect((body as Job).version).toBe(2);
  });

  test('of another firm are not there: not listed, not read, not written, not certified', async () => {
    const job = await addJob();
    const answers = await Promise.all([
      stranger.get(`/api/jobs/${job.id}`),
      stranger.put(`/api/jobs/${job.id}`).send({ version: 1, document: emptyDocument() }),
      stranger.get(`/api/jobs/${job.id}/certificate.pdf`),
    ]);
    expect(answers.map((answer) => errorOf(answer).code)).toEqual([
      'not-found',
      'not-found',
      'not-found',
    ]);
    expect(jobListSchema.parse((await stranger.get('/api/jobs')).body).total).toBe(0);
    expect(((await agent.get(`/api/jobs/${job.id}`)).body as Job).version).toBe(1);
  });
});

describe('job files', () => {
  test('carry every job over to another firm without loss', async () => {
    for (const { document } of demoJobs(new Date('2026-03-01T09:00:00Z'))) {
      const job = await addJob();
      await agent.put(`/api/jobs/${job.id}`).send({ version: 1, document }).expect(200);
      const { body, headers } = await agent.get(`/api/jobs/${job.id}/file`).expect(200);
      expect(headers['content-disposition']).toContain(`job-${job.number}.json`);
      const { body: opened } = await stranger.post('/api/jobs/file').send(body).expect(201);
      const stamped = stampPersons(document, emptyDocument(), 'Owner of tarn');
      expect(jobSchema.parse(opened).document).toEqual(stamped);
      expect((opened as Job).id).not.toBe(job.id);
    }
  });

  test('that are none, broken, or from a later version are refused at their field', async () => {
    const { body } = await agent.get(`/api/jobs/${(await addJob()).id}/file`);
    const file = body as { document: JobDocument };
    const post = async (changed: object) =>
      errorOf(await agent.post('/api/jobs/file').send(changed));
    expect(await post({ some: 'thing' })).toMatchObject({ path: 'format' });
    expect(await post({ ...file, version: 99 })).toMatchObject({
      path: 'version',
      message: expect.stringContaining('newer'),
    });
    const nameless = { ...file.document, customer: { ...file.document.customer, name: '' } };
    expect(await post({ ...file, document: nameless })).toMatchObject({
      path: 'document.customer.name',
    });
    expect(errorOf(await stranger.get(`/api/jobs/${(await addJob()).id}/file`)).code).toBe(
      'not-found',
    );
  });
});

describe('bad input', () => {
  test.each(['1', 'not-an-id', '00000000-0000-0000-0000-000000000000', '%00', '%E0%A4%A'])(
    'the id %s is not found',
    async (id) => {
      expect(errorOf(await agent.get(`/api/jobs/${id}`)).code).toBe('not-found');
    },
  );

  test('malformed JSON', async () => {
    const answer = await agent
      .post('/api/jobs')
      .set('Content-Type', 'application/json')
      .send('{"name": ');
    expect(errorOf(answer).code).toBe('malformed-json');
  });

  test('a body that is too large', async () => {
    const answer = await agent.post('/api/jobs').send({ name: 'x'.repeat(2_000_000) });
    expect(errorOf(answer).code).toBe('too-large');
  });

  const withReading = (reading: object): object => ({
    version: 1,
    document: {
      ...emptyDocument(),
      survey: { ...emptyDocument().survey, readings: { pressure: reading } },
    },
  });
  const taken = { takenAt: null, by: null };
  test.each<[string, object]>([
    ['version', { document: emptyDocument() }],
    [
      'document.customer.name',
      {
        version: 1,
        document: { ...emptyDocument(), customer: { ...emptyDocument().customer, name: ' ' } },
      },
    ],
    ['document.survey.readings.pressure.value', withReading({ value: 400, unit: 'psi', ...taken })],
    ['document.survey.readings.pressure.unit', withReading({ value: 4, unit: 'mg/L', ...taken })],
    ['document.survey.readings.pressure.value', withReading({ value: '4', unit: 'bar', ...taken })],
    [
      'document.survey.readings.pressure.takenAt',
      withReading({ value: 4, unit: 'bar', takenAt: 'today', by: null }),
    ],
  ])('is refused at %s', async (path, body) => {
    const job = await addJob();
    const answer = await agent.put(`/api/jobs/${job.id}`).send(body);
    expect(errorOf(answer)).toMatchObject({ code: 'invalid-input', path });
  });

  test.each([{ limit: 0 }, { limit: 'many' }, { after: 'there' }])(
    'a list of %p',
    async (query) => {
      expect(errorOf(await agent.get('/api/jobs').query(query)).code).toBe('invalid-input');
    },
  );

  test('a change sent from a page of another site', async () => {
    const foreign = agent.post('/api/jobs').set('Origin', 'https://elsewhere.example');
    expect(errorOf(await foreign.send({ name: 'Mallory' })).code).toBe('foreign-origin');
  });

  test('an address that is none', async () => {
    expect(errorOf(await agent.get('/api/nothing')).code).toBe('not-found');
    expect(errorOf(await agent.get('/elsewhere')).code).toBe('not-found');
  });
});

describe('settings', () => {
  test('are the firm’s own', async () => {
    const own = await server.signedIn('rigg');
    const settings = {
      units: 'us',
      currency: 'USD',
      paper: 'LETTER',
      standards: { productionMargin: 2 },
      taxShare: 0.07,
    };
    await own.put('/api/firm/settings').send(settings).expect(200);
    expect(sessionSchema.parse((await own.get('/api/session')).body).firm.settings).toEqual(
      settings,
    );
    expect(sessionSchema.parse((await agent.get('/api/session')).body).firm.settings.currency).toBe(
      'EUR',
    );
    const wrong = await own.put('/api/firm/settings').send({ ...settings, currency: 'dollars' });
    expect(errorOf(wrong)).toMatchObject({ code: 'invalid-input', path: 'currency' });
  });
});

describe('the certificate', () => {
  test('of a verified job is a PDF of one page; of an empty one it is refused', async () => {
    const job = await addJob();
    const early = await agent.get(`/api/jobs/${job.id}/certificate.pdf`);
    expect(errorOf(early).code).toBe('not-verified');
    await agent.put(`/api/jobs/${job.id}`).send({ version: 1, document: verifiedDocument() });
    const { body, headers } = await agent
      .get(`/api/jobs/${job.id}/certificate.pdf`)
      .query({ units: 'us' })
      .expect(200)
      .expect('Content-Type', 'application/pdf');
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    expect((body as Buffer).toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1);
    expect(headers['content-disposition']).toContain(`certificate-${job.number}-draft.pdf`);
  });
});

describe('the proposal', () => {
  test('of a chosen system is a PDF in the reader’s units; of an empty job it is refused', async () => {
    const job = await addJob();
    expect(errorOf(await agent.get(`/api/jobs/${job.id}/proposal.pdf`)).code).toBe('not-agreed');
    await agent.put(`/api/jobs/${job.id}`).send({ version: 1, document: verifiedDocument() });
    const proposal = (units: string) =>
      agent
        .get(`/api/jobs/${job.id}/proposal.pdf`)
        .query({ units })
        .expect(200)
        .expect('Content-Type', 'application/pdf');
    const { body } = await proposal('us');
    const american = await pdfText(body as Buffer);
    expect(american).toMatch(/\d psi at \d+ °F/);
    expect(american).toMatch(/\d gal/);
    expect(american).not.toMatch(/\d (bar|L\/day|°C)\b/);
    const metric = await pdfText((await proposal('metric')).body as Buffer);
    expect(metric).toMatch(/\d bar at [\d.]+ °C/);
    expect(metric).not.toMatch(/psi|°F|\bgal\b/);
    const pages = (body as Buffer).toString('latin1').match(/\/Type \/Page\b/g);
    expect(pages?.length).toBeLessThanOrEqual(2);
    expect(errorOf(await stranger.get(`/api/jobs/${job.id}/proposal.pdf`)).code).toBe('not-found');
  });
});

test('the job sheet of a chosen system is a PDF with its labels and holes on pages of their own', async () => {
  const job = await addJob();
  expect(errorOf(await agent.get(`/api/jobs/${job.id}/sheet.pdf`)).code).toBe('not-agreed');
  await agent.put(`/api/jobs/${job.id}`).send({ version: 1, document: verifiedDocument() });
  const { body } = await agent
    .get(`/api/jobs/${job.id}/sheet.pdf`)
    .expect(200)
    .expect('Content-Type', 'application/pdf');
  const pages = (body as Buffer).toString('latin1').match(/\/Type \/Page\b/g);
  expect(pages?.length).toBeGreaterThanOrEqual(3);
});

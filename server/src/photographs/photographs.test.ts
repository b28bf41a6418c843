import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { type Job, jobSchema, photographListSchema, photographSchema } from '@katharos/contract';
import type { JobFile } from '@katharos/job';
import { errorOf, startTestApp, type TestApp } from '../test/testApp.ts';
import sharp from 'sharp';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
let stranger: Awaited<ReturnType<TestApp['signedIn']>>;
let job: Job;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('beck');
  stranger = await server.signedIn('scar');
  const { body } = await agent.post('/api/jobs').send({ name: 'Photographed' }).expect(201);
  job = jobSchema.parse(body);
});
afterAll(() => server.close());

/** A large picture that says where it was taken. */
const picture = () =>
  sharp({ create: { width: 2400, height: 1200, channels: 3, background: '#4a6b5a' } })
    .withExif({
      IFD0: { Make: 'Camera' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 30/1 0/1' },
    })
    .jpeg()
    .toBuffer();

const address = (id = '') => `/api/jobs/${job.id}/photographs${id && `/${id}`}`;
const add = async (file: Buffer, about = 'drain') =>
  agent.post(`${address()}?about=${about}`).set('Content-Type', 'image/jpeg').send(file);

describe('a photograph', () => {
  test('is kept smaller, without the place it was taken at, and shown to this firm alone', async () => {
    const file = await picture();
    expect((await sharp(file).metadata()).exif).toBeDefined();
    const answer = await add(file);
    expect(answer.status).toBe(201);
    const kept = photographSchema.parse(answer.body);
    expect(kept).toMatchObject({
      about: 'drain',
      width: 1600,
      height: 800,
      takenBy: 'Owner of beck',
    });
    const shown = await agent.get(address(kept.id)).expect(200).expect('Content-Type', /jpeg/);
    const metadata = await sharp(shown.body as Buffer).metadata();
    expect(metadata).toMatchObject({ format: 'jpeg', width: 1600 });
    expect(metadata.exif).toBeUndefined();
    expect(errorOf(await stranger.get(address(kept.id))).code).toBe('not-found');
    expect(errorOf(await stranger.get(address())).code).toBe('not-found');
    expect(errorOf(await stranger.delete(address(kept.id))).code).toBe('not-found');
  });

  test('can prove a step of the work, and the job file keeps which', async () => {
    const answer = await agent
      .post(`${address()}?about=work&step=tube:feed-valve%3Eprefilter-1`)
      .set('Content-Type', 'image/jpeg')
      .send(await picture());
    const kept = photographSchema.parse(answer.body);
    expect(kept).toMatchObject({ about: 'work', step: 'tube:feed-valve>prefilter-1' });
    const file = (await agent.get(`/api/jobs/${job.id}/file`)).body as JobFile;
    expect(file.photographs.map(({ step }) => step)).toContain(kept.step);
    const copy = jobSchema.parse((await agent.post('/api/jobs/file').send(file)).body);
    const { photographs } = photographListSchema.parse(
      (await agent.get(`/api/jobs/${copy.id}/photographs`)).body,
    );
    expect(photographs.map(({ step }) => step)).toContain(kept.step);
  });

  test('is told by its content, whatever it is called', async () => {
    expect(errorOf(await add(Buffer.from('not a picture at all'))).code).toBe('not-a-picture');
    const drawing = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>');
    expect(errorOf(await add(drawing)).code).toBe('not-a-picture');
    expect(errorOf(await add(Buffer.alloc(0))).code).toBe('not-a-picture');
    expect(errorOf(await add(Buffer.alloc(15_000_001))).code).toBe('too-large');
  });

  test('can be renamed, taken away and brought back', async () => {
    const { id } = photographSchema.parse((await add(await picture())).body);
    await agent.patch(address(id)).send({ caption: 'Trap from the left' }).expect(204);
    const list = async () =>
      photographListSchema
        .parse((await agent.get(address())).body)
        .photographs.map((one) => one.id);
    expect(await list()).toContain(id);
    await agent.delete(address(id)).expect(204);
    expect(await list()).not.toContain(id);
    expect(errorOf(await agent.get(address(id))).code).toBe('not-found');
    await agent.post(`${address(id)}/restore`).expect(204);
    const back = photographListSchema.parse((await agent.get(address())).body).photographs;
    expect(back.find((one) => one.id === id)?.caption).toBe('Trap from the left');
    expect(errorOf(await agent.patch(address(id)).send({ about: 'nothing' })).code).toBe(
      'invalid-input',
    );
  });

  test('goes out with the job file and comes in with it', async () => {
    const file = (await agent.get(`/api/jobs/${job.id}/file`).expect(200)).body as JobFile;
    expect(file.photographs.length).toBeGreaterThan(0);
    const copy = jobSchema.parse(
      (await stranger.post('/api/jobs/file').send(file).expect(201)).body,
    );
    const { photographs } = photographListSchema.parse(
      (await stranger.get(`/api/jobs/${copy.id}/photographs`)).body,
    );
    expect(photographs.map(({ about, caption, takenAt }) => ({ about, caption, takenAt }))).toEqual(
      file.photographs.map(({ about, caption, takenAt }) => ({ about, caption, takenAt })),
    );
    const broken = { ...file, photographs: [{ ...file.photographs[0], jpeg: 'AAAA' }] };
    expect(errorOf(await agent.post('/api/jobs/file').send(broken)).code).toBe('not-a-picture');
  });

  test('is refused when the job holds sixty', async () => {
    const small = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#123' } })
      .png()
      .toBuffer();
    let last = await add(small);
    for (let i = 0; i < 60 && last.status === 201; i += 1) last = await add(small);
    expect(errorOf(last).code).toBe('too-many-photographs');
  });
});

import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { jobSchema, type Role, roles } from '@katharos/contract';
import fc from 'fast-check';
import request from 'supertest';
import { startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

/** Calls across the firms: many where somebody wants to be sure, `LEAK_CALLS=30000`. */
const calls = Number(process.env.LEAK_CALLS ?? 600);
const names = ['Quernmore', 'Zelphine', 'Jorvallon', 'Wexcombe'] as const;

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;

/** A firm whose every text holds its own name, and the ids of what is its. */
interface Firm {
  name: string;
  people: Record<Role, Agent>;
  ids: Record<'job' | 'person' | 'paper' | 'place' | 'part' | 'photograph' | 'instrument', string>;
  token: string;
}
const firms: Firm[] = [];

async function firmOf(name: string): Promise<Firm> {
  const owner = await server.signedIn(name.toLowerCase());
  const people: Partial<Record<Role, Agent>> = { owner };
  let person = '';
  for (const role of roles.filter((one) => one !== 'owner')) {
    const { path } = (
      await owner.post('/api/people/invitations').send({ name: `${name} ${role}`, role })
    ).body as { path: string };
    const agent = request.agent(server.app);
    const email = `${role}@${name.toLowerCase()}.example`;
    const joined = await agent
      .post(`/api${path}`)
      .send({ name: `${name} ${role}`, email, password: `${role} otter upstream` })
      .expect(201);
    person = (joined.body as { user: { id: string } }).user.id;
    people[role] = agent;
  }
  const document = verifiedDocument();
  const customer = { name, address: `${name} Lane`, phone: name, email: `x@${name}.example` };
  document.customer = { ...document.customer, ...customer, note: name };
  document.keep.remark = name;
  const job = jobSchema.parse((await owner.post('/api/jobs').send({ name })).body).id;
  await owner.put(`/api/jobs/${job}`).send({ version: 1, document }).expect(200);
  const proposal = { kind: 'proposal', units: 'metric', timeZone: 'UTC', reason: '' };
  const at = '2026-03-01T10:00:00Z';
  const issued = await owner
    .post(`/api/jobs/${job}/papers`)
    .send({ ...proposal, at })
    .expect(201);
  const place = await owner.post('/api/stock/places').send({ kind: 'van', name: `Van ${name}` });
  const home = await owner.post(`/api/jobs/${job}/household`).expect(201);
  const instrument = randomUUID();
  const ids = {
    job,
    person,
    paper: (issued.body as { id: string }).id,
    place: (place.body as { id: string }).id,
    part: 'reed-50',
    photograph: randomUUID(),
    instrument,
  };
  const token = (home.body as { path: string }).path;
  return { name, people: people as Record<Role, Agent>, ids, token };
}

beforeAll(async () => {
  server = await startTestApp();
  for (const name of names) firms.push(await firmOf(name));
});
afterAll(() => server.close());

/** Addresses of everything that is asked for, with whatever ids are at hand. */
const addresses = [
  ['get', '/jobs'],
  ['get', '/jobs?search={word}'],
  ['get', '/jobs/{job}'],
  ['get', '/jobs/{job}/file'],
  ['get', '/jobs/{job}/papers'],
  ['get', '/jobs/{job}/papers/{paper}'],
  ['get', '/jobs/{job}/photographs'],
  ['get', '/jobs/{job}/photographs/{photograph}'],
  ['get', '/jobs/{job}/household'],
  ['get', '/jobs/{job}/history'],
  ['get', '/jobs/{job}/versions/1'],
  ['put', '/jobs/{job}'],
  ['patch', '/jobs/{job}'],
  ['post', '/jobs/{job}/papers'],
  ['post', '/jobs/{job}/household'],
  ['post', '/jobs/{job}/person/forget'],
  ['get', '/board'],
  ['get', '/diary?today=2030-01-01&days=400'],
  ['get', '/diary/fleet?today=2030-01-01'],
  ['get', '/diary/recall?part={word}'],
  ['get', '/diary/letters'],
  ['post', '/diary/letters'],
  ['get', '/audit?search={word}'],
  ['get', '/audit?subject={job}'],
  ['get', '/people'],
  ['patch', '/people/{person}'],
  ['delete', '/people/{person}'],
  ['post', '/people/{person}/reset'],
  ['get', '/certificates'],
  ['get', '/certificates/chain.json'],
  ['get', '/catalogue'],
  ['get', '/stock'],
  ['get', '/diary/needed?today=2030-01-01&days=400'],
  ['put', '/stock/places/{place}'],
  ['delete', '/stock/places/{place}'],
  ['post', '/stock/moves'],
  ['put', '/stock/{place}/parts/{part}/minimum'],
  ['get', '/van'],
  ['post', '/van/takings/{job}'],
  ['delete', '/van/takings/{job}'],
  ['get', '/instruments'],
  ['get', '/session/all'],
  ['get', '/session/passkeys'],
  ['get', '/firm/found'],
] as const;

const bodyOf = ({ ids, name }: Firm): object => ({
  version: 1,
  document: {},
  shelf: 'removed',
  papers: 'removed',
  jobIds: [ids.job],
  today: '2030-01-01',
  from: ids.place,
  to: ids.place,
  lines: [{ partId: ids.part, quantity: 1 }],
  name,
  userId: ids.person,
  role: 'helper',
  minimum: 2,
});

test('of another firm nobody learns or changes anything, whoever asks for whatever', async () => {
  const state = () =>
    Promise.all(
      firms.map(async ({ ids, people }) => (await people.owner.get(`/api/jobs/${ids.job}`)).text),
    );
  const before = await state();
  const asked = fc.record({
    asker: fc.nat(firms.length - 1),
    further: fc.integer({ min: 1, max: firms.length - 1 }),
    role: fc.constantFrom(...roles),
    address: fc.constantFrom(...addresses),
  });
  const said = { told: 0, refused: 0 };
  const samples = fc.sample(asked, { numRuns: calls, seed: 41 });
  for (const { asker, further, role, address } of samples) {
    const [own, other] = [firms[asker]!, firms[(asker + further) % firms.length]!];
    const [method, form] = address;
    const path = form.replace(/\{(\w+)\}/g, (_, key: string) =>
      key === 'word' ? other.name : other.ids[key as keyof Firm['ids']],
    );
    const answer = await own.people[role]
      [method](`/api${path}`)
      .send(method === 'get' ? undefined : bodyOf(other));
    expect([method, path, role, answer.status < 500]).toEqual([method, path, role, true]);
    const text = `${answer.text ?? ''}${JSON.stringify(answer.headers)}`;
    const leaks = firms.filter(({ name }) => name !== own.name && text.includes(name));
    // What was asked for may be said back; nothing that was not.
    const isLeak = leaks.some(({ name, token }) => text.includes(token) || !path.includes(name));
    expect([method, path, role, isLeak]).toEqual([method, path, role, false]);
    said[answer.status < 300 ? 'told' : 'refused'] += 1;
  }
  expect(said.told).toBeGreaterThan(calls / 10);
  expect(said.refused).toBeGreaterThan(calls / 10);
  expect(await state()).toEqual(before);
});

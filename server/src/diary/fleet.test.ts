import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { fleetSchema, forecastSchema } from '@katharos/contract';
import { readRowsOf } from '@katharos/job';
import { starterCatalogue } from '@katharos/job';
import { ReadingRow } from '../db/models.ts';
import { startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('fleet');
});
afterAll(() => server.close());

const add = async () => {
  const { id } = (await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string };
  const document = verifiedDocument();
  await agent.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
  return { id, document };
};
const today = '2026-03-02';
const fleet = async (by = agent) =>
  fleetSchema.parse((await by.get(`/api/diary/fleet?today=${today}`).expect(200)).body);
const forecast = async (days: number, by = agent) =>
  forecastSchema.parse(
    (await by.get(`/api/diary/forecast?today=${today}&days=${days}`).expect(200)).body,
  ).lines;

test('every system is told by its last readings and its trend; its readings are rows, made anew when it changes', async () => {
  const { id, document } = await add();
  const { rows } = await fleet();
  const [row] = rows;
  expect(rows).toHaveLength(1);
  const read = readRowsOf(document);
  const newest = read
    .filter(({ figure }) => figure === 'productTds')
    .sort((a, b) => b.readOn.localeCompare(a.readOn))[0]!;
  const feed = read.find(({ figure, visit }) => figure === 'feedTds' && visit === newest.visit)!;
  expect(row!.readOn).toBe(newest.readOn);
  expect(row!.rejection).toBeCloseTo(1 - newest.value / feed.value, 9);
  expect(row!.membrane!.saltPassage.state).toBe('drifting');
  expect(await ReadingRow.count({ where: { jobId: id } })).toBe(read.length);

  const [lastVisit] = Object.entries(document.service!.visits!).at(-1)!;
  delete document.service!.visits![lastVisit];
  await agent.put(`/api/jobs/${id}`).send({ version: 2, document }).expect(200);
  await fleet();
  expect(await ReadingRow.count({ where: { jobId: id } })).toBe(readRowsOf(document).length);
  const stranger = await server.signedIn('shore');
  expect((await fleet(stranger)).rows).toEqual([]);
});

test('parts are forecast by what is due, more of them further ahead, beside what the van holds', async () => {
  await add();
  const quarter = await forecast(1);
  const years = await forecast(91);
  const total = (lines: typeof years) => lines.reduce((sum, { count }) => sum + count, 0);
  expect(total(years)).toBeGreaterThan(total(quarter));
  const part = starterCatalogue.find(({ name }) => name === years[0]!.name)!;
  expect(years[0]!.held).toBe(0);
  await agent.put(`/api/van/stock/${part.id}`).send({ quantity: 3 }).expect(204);
  expect((await forecast(91))[0]!.held).toBe(3);
  const stranger = await server.signedIn('sands');
  expect(await forecast(3000, stranger)).toEqual([]);
});

test('what is needed most comes first, all are counted, and so many are sent as are asked for', async () => {
  const firm = await server.signedIn('many');
  for (let i = 0; i < 5; i += 1) {
    const { id } = (await firm.post('/api/jobs').send({ name: 'x' })).body as { id: string };
    const document = verifiedDocument();
    document.customer.name = `M ${i}`;
    await firm.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
  }
  await fleet(firm);
  // As they are reckoned, but for when they are due.
  await server.sequelize.query(
    `update dues set membrane = null, due_on = case jobs.name
       when 'M 0' then '2026-05-01' when 'M 1' then '2026-02-01' when 'M 2' then '2026-03-20'
       when 'M 3' then '2026-01-15' else null end::date
     from jobs where jobs.id = dues.job_id and jobs.name like 'M _'`,
  );
  const page = async (query: string) =>
    fleetSchema.parse((await firm.get(`/api/diary/fleet?today=${today}&${query}`)).body);
  const names = ({ rows }: Awaited<ReturnType<typeof page>>) => rows.map(({ name }) => name);
  const all = await page('most=10');
  expect(names(all).slice(0, 3)).toEqual(['M 3', 'M 1', 'M 2']);
  expect(all.counts).toMatchObject({ overdue: 2, soon: 1 });
  expect(Object.values(all.counts).reduce((sum, count) => sum + count, 0)).toBe(5);
  expect(names(await page('most=2'))).toEqual(['M 3', 'M 1']);
  expect(names(await page('need=overdue&most=1'))).toEqual(['M 3']);
  expect((await page('need=limit')).rows).toEqual([]);
  expect((await page('need=soon')).counts).toEqual(all.counts);
  await firm.get(`/api/diary/fleet?today=${today}&need=much`).expect(400);
});

test('systems that were put away leave the diary and the load to those in use, however many they are', async () => {
  const firm = await server.signedIn('crowd');
  const { id } = (await firm.post('/api/jobs').send({ name: 'x' })).body as { id: string };
  await firm.put(`/api/jobs/${id}`).send({ version: 1, document: verifiedDocument() }).expect(200);
  await fleet(firm);
  // Each is due just before and just after it: whichever is looked at first, they would fill the page.
  await server.sequelize.query(
    `set session_replication_role = replica;
     insert into jobs (firm_id, id, number, version, name, address, found_by, stage, finished, document, updated_by, updated_at, archived_at)
       select firm_id, gen_random_uuid(), 1000 + n, 1, 'put away ' || n, '', '', stage, finished, document, updated_by, updated_at, now()
       from jobs cross join generate_series(1, 1200) n where id = :id;
     insert into dues (firm_id, job_id, version, ways, reckoned_on, due_on, dues, since, who, parts, membrane, rejection, rejection_on)
       select dues.firm_id, away.id, dues.version, dues.ways, dues.reckoned_on,
         dues.due_on + case when away.number % 2 = 0 then 1 else -1 end,
         dues.dues, dues.since, dues.who, dues.parts, dues.membrane, dues.rejection, dues.rejection_on
       from dues join jobs away on away.firm_id = dues.firm_id and away.archived_at is not null where dues.job_id = :id;
     set session_replication_role = origin`,
    { replacements: { id } },
  );
  const ahead = async (path: string) =>
    (await firm.get(`/api/diary/${path}?today=${today}&days=3000`).expect(200)).body as {
      rows: { jobId: string }[];
      beyond: number;
      needed: { jobId: string }[];
    };
  const { rows, beyond } = await ahead('');
  expect(rows.map(({ jobId }) => jobId)).toEqual([id]);
  expect(beyond).toBe(0);
  expect((await ahead('needed')).needed.map(({ jobId }) => jobId)).toEqual([id]);
});

import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { auditReportSchema, type Role, roles, sessionSchema } from '@katharos/contract';
import { jobFileOf, starterCatalogue } from '@katharos/job';
import request from 'supertest';
import { errorOf, startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

const file = join(import.meta.dirname, '../../../docs/ROLES.md');
const nobody = '3f0a9c0e-5b1a-4c43-9d1b-2f3f0d3c7a99';

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;
const agents = {} as Record<Role | 'stranger', Agent>;
let job: string;

beforeAll(async () => {
  server = await startTestApp({ signInTries: 1000 });
  agents.owner = await server.signedIn('ward');
  agents.stranger = await server.signedIn('elsewhere');
  for (const role of roles.filter((one) => one !== 'owner')) {
    const { body } = await agents.owner.post('/api/people/invitations').send({ name: role, role });
    agents[role] = request.agent(server.app);
    const joined = await agents[role]
      .post(`/api${(body as { path: string }).path}`)
      .send({ name: role, email: `${role}@ward.example`, password: 'heron kettle seven' })
      .expect(201);
    expect(sessionSchema.parse(joined.body).user.role).toBe(role);
  }
  job = ((await agents.owner.post('/api/jobs').send({ name: 'x' })).body as { id: string }).id;
  const document = verifiedDocument();
  await agents.owner.put(`/api/jobs/${job}`).send({ version: 1, document }).expect(200);
});
afterAll(() => server.close());

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';
interface Route {
  does: string;
  method: Method;
  path: string;
  body?: object;
  /** It is of one job or one person of a firm: to another firm it is not there. */
  owned?: true;
}

const day = 'today=2026-03-01';
const undecided = () => {
  const document = verifiedDocument();
  document.keep.issued = null;
  document.system!.agreed = null;
  delete document.verify.accepted;
  return document;
};
const filed = (document = undecided()) => jobFileOf({ number: 1, document }, [], new Date(0));

/** Every address of the API behind a session, with what it is asked for; nothing that is asked here ends or destroys what the next needs. */
const routes = (): Route[] => [
  { does: 'Look at the board', method: 'get', path: '/board' },
  { does: 'List jobs', method: 'get', path: '/jobs' },
  { does: 'Begin a job', method: 'post', path: '/jobs', body: { name: 'Another' } },
  { does: 'Open a job', method: 'get', path: `/jobs/${job}`, owned: true },
  {
    does: 'Record on a job',
    method: 'put',
    path: `/jobs/${job}`,
    body: { version: 1, document: { ...verifiedDocument() } },
    owned: true,
  },
  {
    does: 'Agree, accept, release, hand over, or take it back',
    method: 'put',
    path: `/jobs/${job}`,
    body: { version: 1, document: undecided() },
    owned: true,
  },
  {
    does: 'Put a job away, delete it, bring it back',
    method: 'patch',
    path: `/jobs/${job}`,
    body: { shelf: 'open' },
    owned: true,
  },
  { does: 'Save a job as a file', method: 'get', path: `/jobs/${job}/file`, owned: true },
  { does: 'Open a job file', method: 'post', path: '/jobs/file', body: filed() },
  {
    does: 'Open a job file with decisions in it',
    method: 'post',
    path: '/jobs/file',
    body: filed(verifiedDocument()),
  },
  { does: 'List papers', method: 'get', path: `/jobs/${job}/papers`, owned: true },
  {
    does: 'Issue a paper',
    method: 'post',
    path: `/jobs/${job}/papers`,
    body: { kind: 'none' },
    owned: true,
  },
  { does: 'Read a paper', method: 'get', path: `/jobs/${job}/papers/${nobody}`, owned: true },
  { does: 'Print a paper', method: 'get', path: `/jobs/${job}/papers/${nobody}/pdf`, owned: true },
  {
    does: 'Draft a service report',
    method: 'get',
    path: `/jobs/${job}/service.pdf?visit=none`,
    owned: true,
  },
  { does: 'List photographs', method: 'get', path: `/jobs/${job}/photographs`, owned: true },
  {
    does: 'Look at a photograph',
    method: 'get',
    path: `/jobs/${job}/photographs/${nobody}`,
    owned: true,
  },
  {
    does: 'Take a photograph away',
    method: 'delete',
    path: `/jobs/${job}/photographs/${nobody}`,
    owned: true,
  },
  {
    does: 'Read what a household said',
    method: 'get',
    path: `/jobs/${job}/household`,
    owned: true,
  },
  {
    does: 'Make a household’s page',
    method: 'post',
    path: `/jobs/${job}/household`,
    owned: true,
  },
  {
    does: 'End a household’s page',
    method: 'delete',
    path: `/jobs/${job}/household`,
    owned: true,
  },
  {
    does: 'Remove a household’s data',
    method: 'post',
    path: `/jobs/${nobody}/person/forget`,
    body: { papers: 'kept' },
    owned: true,
  },
  { does: 'Read the diary', method: 'get', path: `/diary?${day}` },
  { does: 'See all systems', method: 'get', path: `/diary/fleet?${day}` },
  { does: 'Forecast parts', method: 'get', path: `/diary/forecast?${day}` },
  { does: 'Find who has a part', method: 'get', path: '/diary/recall?part=carbon' },
  { does: 'Read letters', method: 'get', path: '/diary/letters' },
  {
    does: 'Write letters',
    method: 'post',
    path: '/diary/letters',
    body: { jobIds: [nobody], today: '2026-03-01' },
  },
  { does: 'See one’s own calendar', method: 'get', path: '/diary/feed' },
  { does: 'Make one’s own calendar', method: 'post', path: '/diary/feed' },
  { does: 'End one’s own calendar', method: 'delete', path: '/diary/feed' },
  { does: 'Read the catalogue', method: 'get', path: '/catalogue' },
  { does: 'Read the whole catalogue', method: 'get', path: '/catalogue/all' },
  {
    does: 'Change parts',
    method: 'put',
    path: '/catalogue/parts',
    body: { changes: [{ part: { ...starterCatalogue[0], price: 43 }, version: 1 }] },
  },
  {
    does: 'Retire a part, take it back',
    method: 'patch',
    path: '/catalogue/parts/toggle-valve',
    body: { retired: false },
  },
  { does: 'See what a part costs', method: 'get', path: '/catalogue/parts/reed-50/prices' },
  {
    does: 'Note what a part costs',
    method: 'post',
    path: '/catalogue/parts/reed-50/prices',
    body: { supplier: 'Weir', since: '2026-03-01', price: 21 },
  },
  {
    does: 'Take a price out',
    method: 'delete',
    path: `/catalogue/parts/reed-50/prices/${nobody}`,
  },
  { does: 'Read the log', method: 'get', path: '/audit' },
  { does: 'Check the log', method: 'get', path: '/audit/check' },
  { does: 'Save the log', method: 'get', path: '/audit/log.jsonl' },
  { does: 'See what was done on a job', method: 'get', path: `/jobs/${job}/history`, owned: true },
  { does: 'See a job as it was', method: 'get', path: `/jobs/${job}/versions/1`, owned: true },
  { does: 'Look into the van', method: 'get', path: '/van' },
  { does: 'Count the van', method: 'put', path: '/van/stock/none', body: { quantity: 1 } },
  { does: 'Put back what a job took', method: 'delete', path: `/van/takings/${job}` },
  { does: 'See what vans and stores hold', method: 'get', path: '/stock' },
  {
    does: 'See what the work ahead takes',
    method: 'get',
    path: '/diary/needed?today=2026-03-01&days=1',
  },
  {
    does: 'Move parts from place to place',
    method: 'post',
    path: '/stock/moves',
    body: { from: nobody, to: job, lines: [{ partId: 'reed-50', quantity: 1 }] },
    owned: true,
  },
  {
    does: 'Say what a place should hold',
    method: 'put',
    path: `/stock/${nobody}/parts/reed-50/minimum`,
    body: { minimum: 1 },
    owned: true,
  },
  {
    does: 'Add a van or a store',
    method: 'post',
    path: '/stock/places',
    body: { kind: 'van', name: 'Van 2' },
  },
  {
    does: 'Name a van, give it to somebody',
    method: 'put',
    path: `/stock/places/${nobody}`,
    body: { name: 'Van 3', userId: null },
    owned: true,
  },
  {
    does: 'Remove a van or a store',
    method: 'delete',
    path: `/stock/places/${nobody}`,
    owned: true,
  },
  { does: 'See the instruments', method: 'get', path: '/instruments' },
  { does: 'Change an instrument', method: 'put', path: `/instruments/${nobody}`, body: {} },
  {
    does: 'Note a calibration',
    method: 'post',
    path: `/instruments/${nobody}/calibrations`,
    body: {},
  },
  { does: 'Check the chain of certificates', method: 'get', path: '/certificates' },
  { does: 'Save the chain', method: 'get', path: '/certificates/chain.json' },
  { does: 'Take the whole firm along', method: 'get', path: '/firm/archive.zip' },
  { does: 'Learn what the firm finds', method: 'get', path: '/firm/found' },
  { does: 'Set how the firm works', method: 'put', path: '/firm/settings', body: {} },
  { does: 'See the people', method: 'get', path: '/people' },
  { does: 'Invite somebody', method: 'post', path: '/people/invitations', body: { name: '' } },
  {
    does: 'Take an invitation back',
    method: 'delete',
    path: `/people/invitations/${nobody}`,
    owned: true,
  },
  {
    does: 'Give somebody another part',
    method: 'patch',
    path: `/people/${nobody}`,
    body: { role: 'helper' },
    owned: true,
  },
  {
    does: 'Make a link for a new password',
    method: 'post',
    path: `/people/${nobody}/reset`,
    owned: true,
  },
  {
    does: 'End somebody’s second factor',
    method: 'delete',
    path: `/people/${nobody}/second-factor`,
    owned: true,
  },
  { does: 'Let somebody go', method: 'delete', path: `/people/${nobody}`, owned: true },
  { does: 'See who one is', method: 'get', path: '/session' },
  { does: 'See one’s second factor', method: 'get', path: '/session/second-factor' },
  { does: 'Set up a second factor', method: 'post', path: '/session/second-factor', body: {} },
  { does: 'Prove a second factor', method: 'put', path: '/session/second-factor', body: {} },
  { does: 'End one’s second factor', method: 'post', path: '/session/second-factor/end', body: {} },
  { does: 'See one’s passkeys', method: 'get', path: '/session/passkeys' },
  { does: 'Begin a passkey', method: 'post', path: '/session/passkeys/question' },
  { does: 'Make a passkey', method: 'post', path: '/session/passkeys', body: {} },
  { does: 'Remove a passkey', method: 'delete', path: `/session/passkeys/${nobody}` },
  { does: 'Begin a proof by passkey', method: 'post', path: '/session/proof/passkey/question' },
  { does: 'Give a passkey once more', method: 'put', path: '/session/proof/passkey', body: {} },
  { does: 'See whether the password was given just now', method: 'get', path: '/session/proof' },
  { does: 'Give one’s password once more', method: 'put', path: '/session/proof', body: {} },
  { does: 'Change one’s password', method: 'put', path: '/session/password', body: {} },
  { does: 'See where one is signed in', method: 'get', path: '/session/all' },
  { does: 'End another session', method: 'delete', path: `/session/all/${nobody}` },
];

const ask = (agent: Agent, { method, path, body }: Route) => {
  const asked = agent[method](`/api${path}`);
  return body ? asked.send(body) : asked;
};

test('every part of a firm may what docs/ROLES.md says, at every address; UPDATE_ROLES=1 writes it', async () => {
  const lines: string[] = [];
  for (const route of routes()) {
    const cells: string[] = [];
    for (const role of roles) {
      const answer = await ask(agents[role], route);
      expect([route.does, role, answer.status]).not.toEqual([route.does, role, 401]);
      expect([route.does, role, answer.status < 500]).toEqual([route.does, role, true]);
      const isRefused = answer.status === 403 && errorOf(answer).code === 'not-allowed';
      cells.push(isRefused ? 'no' : 'yes');
    }
    const address = route.path.replace(job, ':job').replace(nobody, ':id').replace(/\?.*/, '');
    lines.push(
      `| ${route.does} | ${route.method.toUpperCase()} ${address} | ${cells.join(' | ')} |`,
    );
  }
  const table = [
    '# Who may what',
    '',
    'Made by `server/src/people/rights.test.ts`, which asks every address of the API as everybody. Of another firm nobody finds anything.',
    '',
    `| What | Address | ${roles.join(' | ')} |`,
    `| --- | --- |${roles.map(() => ' --- |').join('')}`,
    ...lines,
    '',
  ].join('\n');
  const cellsOf = (text: string) =>
    text
      .split('\n')
      .filter((line) => line.startsWith('| ') && !line.startsWith('| -'))
      .map((line) => line.split('|').map((cell) => cell.trim()));
  if (process.env.UPDATE_ROLES) writeFileSync(file, table);
  expect(cellsOf(readFileSync(file, 'utf8'))).toEqual(cellsOf(table));
});

test('to another firm what is of a job or a person is not there, and to nobody signed in nothing is', async () => {
  for (const route of routes()) {
    const unknown = await ask(request(server.app), route);
    expect([route.does, unknown.status]).toEqual([route.does, 401]);
    if (!route.owned) continue;
    const answer = await ask(agents.stranger, route);
    // What is wrong with a request may be said before it is looked whose it is; nothing of the other firm is.
    expect([route.does, [400, 404].includes(answer.status)]).toEqual([route.does, true]);
  }
});

test('whatever changes something stands in the log, and what was refused does not', async () => {
  const count = async () =>
    auditReportSchema.parse((await agents.owner.get('/api/audit/check')).body).count;
  for (const route of routes().filter(({ method }) => method !== 'get')) {
    const before = await count();
    const answer = await ask(agents.owner, route);
    const grew = (await count()) - before;
    expect([route.does, answer.status, grew > 0]).toEqual([
      route.does,
      answer.status,
      answer.status < 300,
    ]);
  }
  const report = auditReportSchema.parse((await agents.owner.get('/api/audit/check')).body);
  expect(report).toMatchObject({ faults: [], emptied: 0 });
});

test('what an owner alone may, no other part has; a helper may nothing that a helper alone would have', () => {
  const text = readFileSync(file, 'utf8');
  const rows = text
    .split('\n')
    .filter((line) => /^\| .* \| (GET|POST|PUT|PATCH|DELETE) /.test(line));
  expect(rows.length).toBe(routes().length);
  for (const row of rows) {
    const [owner, office, installer, helper] = row
      .split('|')
      .slice(3, 7)
      .map((cell) => cell.trim());
    expect([row, owner]).toEqual([row, 'yes']);
    if (helper === 'yes') expect([row, installer, office]).toEqual([row, 'yes', 'yes']);
    if (installer === 'yes') expect([row, office]).toEqual([row, 'yes']);
  }
});

import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  type ChainReport,
  chainReportSchema,
  issuedPaperSchema,
  paperSchema,
} from '@katharos/contract';
import { pdfText } from '../test/pdfText.ts';
import { startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
let folder: string;

const order = {
  kind: 'certificate',
  units: 'metric',
  timeZone: 'Europe/Paris',
  at: '2026-03-01T18:30:00.000Z',
  regardless: true,
};

/** A job with a certificate. */
async function issued() {
  const { id } = (await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string };
  const document = verifiedDocument();
  await agent.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
  return { id, answer: await agent.post(`/api/jobs/${id}/papers`).send(order) };
}

const report = async (): Promise<ChainReport> =>
  chainReportSchema.parse((await agent.get('/api/certificates').expect(200)).body);

interface ChainFile {
  certificates: { link: number; seal: string; content: { result: string } }[];
}
async function file(): Promise<ChainFile> {
  const { text } = await agent.get('/api/certificates/chain.json').expect(200);
  return JSON.parse(text) as ChainFile;
}

/** What the published command says of a file; it shares no line with the server. */
function checked(chain: object, ...more: string[]) {
  const path = join(folder, 'certificates.json');
  writeFileSync(path, JSON.stringify(chain));
  const command = join(import.meta.dirname, '../../../tools/check-certificates.mjs');
  const { status, stdout } = spawnSync('node', [command, path, ...more], { encoding: 'utf8' });
  return { status, stdout };
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'katharos-chain-'));
  server = await startTestApp();
  agent = await server.signedIn('force');
  await issued();
  await issued();
  await issued();
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await server.close();
});

describe('the chain of a firm’s certificates', () => {
  test('holds, by the tool and by the published command', async () => {
    const found = await report();
    expect(found).toMatchObject({ count: 3, faults: [] });
    const { status, stdout } = checked(await file());
    expect(stdout).toContain(found.last!.seal);
    expect(status).toBe(0);
  });

  test('has one place for each, however many are issued at once', async () => {
    const before = (await report()).count;
    const answers = (await Promise.all([issued(), issued(), issued()])).map(({ answer }) => answer);
    const made = answers.filter(({ status }) => status === 201).length;
    expect(made).toBeGreaterThan(0);
    expect(await report()).toMatchObject({ count: before + made, faults: [] });
  });

  test('stands at the foot of the certificate, and the command finds it by that', async () => {
    const { id, answer } = await issued();
    const record = paperSchema.parse(answer.body);
    const address = `/api/jobs/${id}/papers/${record.id}`;
    const { seal } = issuedPaperSchema.parse((await agent.get(address)).body);
    const text = await pdfText((await agent.get(`${address}/pdf`)).body as Buffer);
    expect(text).toContain(seal!.seal);
    expect(text).toContain(`Certificate ${seal!.link} of the firm`);
    const chain = await file();
    expect(checked(chain, String(seal!.link), seal!.seal).status).toBe(0);
    expect(checked(chain, String(seal!.link), 'another').status).toBe(1);
    expect(checked(chain, '99', seal!.seal).status).toBe(1);
  });

  test('breaks wherever a word, a seal or a whole certificate is touched in the file', async () => {
    const chain = await file();
    const changed = (change: (certificates: ChainFile['certificates']) => void) => {
      const copy = structuredClone(chain);
      change(copy.certificates);
      return checked(copy);
    };
    expect(changed((all) => (all[1]!.content.result += ' ')).stdout).toContain('Certificate 2');
    for (const key of Object.keys(chain.certificates[0]!).filter((name) => name !== 'content')) {
      const { status } = changed((all) => Object.assign(all[1]!, { [key]: 'else' }));
      expect([key, status]).toEqual([key, 1]);
    }
    expect(changed((all) => all.splice(1, 1)).stdout).toContain('missing');
    expect(changed((all) => all.reverse()).status).toBe(1);
  });

  test('shows what was changed in the database past its guard', async () => {
    const { sequelize } = server;
    const guard = (how: string) =>
      sequelize.query(
        `alter table papers ${how} trigger keep_papers; alter table seals ${how} trigger keep_seals`,
      );
    await expect(sequelize.query("update seals set reason = 'else'")).rejects.toThrow(
      'not changed',
    );
    await guard('disable');
    const [papers] = await sequelize.query(
      `update papers set content = content || '{"result":"better"}' where id = (select paper_id from seals where link = 2) returning firm_id`,
    );
    expect(papers).toHaveLength(1);
    await sequelize.query("update seals set issued_by = 'somebody else' where link = 3");
    await guard('enable');
    expect((await report()).faults).toMatchObject([
      { link: 2, fault: 'content' },
      { link: 3, fault: 'seal' },
    ]);
  });

  test('is a firm’s own', async () => {
    const stranger = await server.signedIn('weir');
    expect((await stranger.get('/api/certificates')).body).toEqual({
      count: 0,
      last: null,
      faults: [],
    });
    const { text } = await stranger.get('/api/certificates/chain.json');
    expect((JSON.parse(text) as ChainFile).certificates).toEqual([]);
  });
});

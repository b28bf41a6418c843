import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createServer } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { lettersSchema, writtenSchema } from '@katharos/contract';
import { errorOf, startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';
import { openMailer } from './mailer.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
const today = '2026-05-01';

async function system(name: string, email?: string): Promise<string> {
  const { id } = (await agent.post('/api/jobs').send({ name })).body as { id: string };
  const document = verifiedDocument();
  document.customer = { ...document.customer, name, email: email ?? '' };
  await agent.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
  return id;
}

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('post');
});
afterAll(() => server.close());

const letters = async () =>
  lettersSchema.parse((await agent.get('/api/diary/letters').expect(200)).body).letters;

test('a letter of what is due is written once, laid into the outbox as mail, and stands in the diary', async () => {
  const reached = await system('Höhe 7, “Alm”', 'alm@household.example');
  const mute = await system('Without mail');
  const { body: home } = await agent.post(`/api/jobs/${reached}/household`).expect(201);
  await agent.get(`/api/diary?today=${today}&days=3000`).expect(200);
  const order = { jobIds: [reached, mute], today };
  const write = () =>
    agent.post('/api/diary/letters').set('Idempotency-Key', 'letters-1').send(order).expect(201);
  const written = writtenSchema.parse((await write()).body);
  expect(written).toEqual({ written: 1, without: [{ jobId: mute, name: 'Without mail' }] });
  // The same order once more, after a lost answer.
  expect((await write()).body).toEqual(written);
  await server.post.stop();
  const [letter, ...others] = await letters();
  expect(others).toEqual([]);
  expect(letter).toMatchObject({ jobId: reached, recipient: 'alm@household.example' });
  expect(letter!.sentAt).not.toBeNull();
  expect(letter!.text).toContain((home as { path: string }).path);
  expect(letter!.text).toMatch(/What we would do: .*sediment filter/);
  const [file, ...more] = readdirSync(server.outbox);
  expect(more).toEqual([]);
  const mail = readFileSync(join(server.outbox, file!), 'utf8');
  expect(mail).toMatch(/^From: post <letters@firm\.example>$/m);
  expect(mail).toMatch(/^To: alm@household\.example$/m);
  expect(mail).toContain(`Message-ID: <${letter!.id}@katharos>`);
  const { rows } = (await agent.get(`/api/diary?today=${today}&days=3000`)).body as {
    rows: { jobId: string; wroteAt: string | null }[];
  };
  const wrote = new Map(rows.map(({ jobId, wroteAt }) => [jobId, wroteAt]));
  expect(wrote.get(reached)).toBe(letter!.writtenAt);
  expect(wrote.get(mute)).toBeNull();
});

test('an address that is none is refused at its field, and nobody writes to another firm’s household', async () => {
  const id = await system('Wrong address');
  const document = verifiedDocument();
  document.customer = { ...document.customer, email: 'not an address' };
  const refused = await agent.put(`/api/jobs/${id}`).send({ version: 2, document });
  expect(errorOf(refused)).toMatchObject({
    code: 'invalid-input',
    path: 'document.customer.email',
  });
  const stranger = await server.signedIn('strange');
  const { body } = await stranger
    .post('/api/diary/letters')
    .send({ jobIds: [id], today })
    .expect(201);
  expect(body).toEqual({ written: 0, without: [] });
});

test('a mail server is spoken to as any other: what it takes is sent, what it refuses is an error', async () => {
  const heard: string[] = [];
  const smtp = createServer((socket) => {
    let inData = false;
    socket.write('220 here\r\n');
    socket.setEncoding('utf8').on('data', (text: string) => {
      heard.push(text);
      if (inData) {
        if (text.endsWith('\r\n.\r\n')) {
          inData = false;
          socket.write('250 taken\r\n');
        }
        return;
      }
      for (const line of text.split('\r\n').filter(Boolean)) {
        if (line.startsWith('DATA')) inData = true;
        socket.write(
          line.startsWith('DATA')
            ? '354 go on\r\n'
            : line.includes('<nobody@')
              ? '550 unknown\r\n'
              : line === 'QUIT'
                ? '221 bye\r\n'
                : '250 ok\r\n',
        );
      }
    });
  });
  await new Promise<void>((resolve) => smtp.listen(0, '127.0.0.1', resolve));
  const { port } = smtp.address() as { port: number };
  const mailer = openMailer({ smtpUrl: `smtp://127.0.0.1:${port}?ignoreTLS=true`, outbox: '' });
  const letter = {
    id: 'one',
    from: { name: 'A firm', address: 'a@firm.example' },
    subject: 'Due',
    text: 'In May.',
  };
  await mailer.send({ ...letter, to: 'household@house.example' });
  expect(heard.join('')).toMatch(/RCPT TO:<household@house\.example>/);
  expect(heard.join('')).toContain('In May.');
  await expect(mailer.send({ ...letter, to: 'nobody@house.example' })).rejects.toThrow();
  mailer.close();
  await pause(10);
  smtp.close();
});

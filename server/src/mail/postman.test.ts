import { afterAll, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { pino } from 'pino';
import { LetterRow } from '../db/models.ts';
import { startTestApp, type TestApp } from '../test/testApp.ts';
import { sendWaiting, writeLetters } from './letterRepository.ts';
import type { Mailer, OutgoingLetter } from './mailer.ts';
import { postman } from './postman.ts';

let server: TestApp;
let firmId: string;
let jobId: string;

beforeAll(async () => {
  server = await startTestApp();
  const agent = await server.signedIn('post');
  // The letters of this file are for its own mailers.
  await server.post.stop();
  jobId = ((await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string }).id;
  const { body } = await agent.get('/api/session');
  firmId = (body as { firm: { id: string } }).firm.id;
});
afterAll(() => server.close());
beforeEach(() => LetterRow.destroy({ where: {} }));

const write = (...recipients: string[]) =>
  server.sequelize.transaction((transaction) =>
    writeLetters(
      recipients.map((recipient, i) => ({
        firmId,
        jobId,
        recipient,
        subject: 'Due',
        text: 'In May.',
        writtenAt: new Date(Date.UTC(2026, 2, 1, 9, i)),
        writtenBy: 'Wren',
      })),
      transaction,
    ),
  );

/** A mail server that takes its time, and refuses some. */
function mailer(refuses: (letter: OutgoingLetter) => boolean = () => false) {
  const taken: OutgoingLetter[] = [];
  const asked: string[] = [];
  const send: Mailer['send'] = async (letter) => {
    asked.push(letter.to);
    await new Promise((resolve) => setTimeout(resolve, 5));
    if (refuses(letter)) throw new Error('550');
    taken.push(letter);
  };
  return {
    taken,
    asked,
    mailer: { send, forget: () => Promise.resolve(), close: () => undefined },
  };
}
const send = (by: Mailer) => sendWaiting(server.sequelize, by, 'a@firm.example', () => new Date());
const waiting = () => LetterRow.count({ where: { sentAt: null } });

test('two who carry letters at once carry each of them once', async () => {
  const recipients = Array.from({ length: 20 }, (_, i) => `h${i}@house.example`);
  await write(...recipients);
  const post = mailer();
  const counts = await Promise.all([send(post.mailer), send(post.mailer), send(post.mailer)]);
  expect(counts.reduce((a, b) => a + b)).toBe(20);
  expect(post.taken.map(({ to }) => to).sort()).toEqual([...recipients].sort());
  expect(new Set(post.taken.map(({ id }) => id)).size).toBe(20);
  expect(await waiting()).toBe(0);
  expect(await send(post.mailer)).toBe(0);
});

test('a letter that is refused waits, and keeps no other from going', async () => {
  await write('bad@house.example', 'good@house.example', 'fine@house.example');
  const post = mailer(({ to }) => to.startsWith('bad'));
  for (let round = 0; round < 3; round += 1) await send(post.mailer);
  expect(post.taken.map(({ to }) => to)).toEqual(['good@house.example', 'fine@house.example']);
  expect(await waiting()).toBe(1);
  const [left] = await LetterRow.findAll({ where: { sentAt: null } });
  expect(left).toMatchObject({ recipient: 'bad@house.example' });
  expect(left!.tries).toBeGreaterThanOrEqual(2);
});

test('what is refused for ever is not tried for ever', async () => {
  await write('bad@house.example');
  const post = mailer(() => true);
  for (let round = 0; round < 30; round += 1) await send(post.mailer);
  expect(post.asked.length).toBeLessThanOrEqual(20);
  expect(await waiting()).toBe(1);
});

test('who is told while under way goes once more, and ends the round before stopping', async () => {
  const post = mailer();
  const carrier = postman(
    server.sequelize,
    post.mailer,
    'a@firm.example',
    pino({ level: 'silent' }),
  );
  await write('one@house.example');
  carrier.soon();
  await write('two@house.example');
  carrier.soon();
  await carrier.stop();
  expect(post.taken.map(({ to }) => to)).toEqual(['one@house.example', 'two@house.example']);
  expect(await waiting()).toBe(0);
});

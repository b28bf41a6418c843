import { expect, test } from '@jest/globals';
import { answerProof, askForProof, wantsProof } from './proof.ts';
import { signal } from './signal.ts';

test('who asks for the password waits until it was given, or was not', async () => {
  const given = askForProof();
  answerProof(true);
  expect(await given).toBe(true);
  const refused = askForProof();
  answerProof(false);
  expect(await refused).toBe(false);
});

test('of two who ask, the first is told no, so that nothing happens that nobody looks at', async () => {
  const first = askForProof();
  const second = askForProof();
  expect(await first).toBe(false);
  answerProof(true);
  expect(await second).toBe(true);
  // An answer that nobody waits for does nothing.
  answerProof(true);
});

test.each([
  [{ status: 403, data: { error: { code: 'password-needed', message: '' } } }, true],
  [{ status: 403, data: { error: { code: 'not-allowed', message: '' } } }, false],
  [{ status: 502, data: '<html>' }, false],
  [{ status: 'FETCH_ERROR', error: 'TypeError' } as const, false],
])('what the server says is told apart', (error, wants) => {
  expect(wantsProof(error)).toBe(wants);
});

test('a signal holds what was set last', () => {
  const value = signal(1);
  value.set(2);
  expect(value.get()).toBe(2);
});

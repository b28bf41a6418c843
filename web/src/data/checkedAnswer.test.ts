import { expect, test } from '@jest/globals';
import { checkedAnswer } from './checkedAnswer.ts';

const asked = { method: 'GET', address: '/meta', mark: 'theirs' };
const good = { demo: null, setupNeeded: true };

test('an answer of another build is given on as the contract has it', async () => {
  expect(await checkedAnswer(asked, { ...good, more: 1 }, 'ours')).toEqual(good);
});

test.each([
  ['another build', 'ours', 'theirs'],
  ['a server that does not say what it was built of', 'ours', null],
  ['any server, for a page that nobody built', undefined, null],
])('an answer of %s that is not as the contract says is refused', async (_of, mine, mark) => {
  const answer = checkedAnswer({ ...asked, mark }, { demo: 3 }, mine);
  await expect(answer).rejects.toThrow('setupNeeded');
});

test('an answer of the same build is taken as it is', async () => {
  const body = { ...good, more: 1 };
  expect(await checkedAnswer({ ...asked, mark: 'ours' }, body, 'ours')).toBe(body);
});

test('what is asked for stands behind a question mark and makes no other answer', async () => {
  const list = { method: 'GET', address: '/jobs?search=Ford&shelf=open', mark: null };
  await expect(checkedAnswer(list, { jobs: 'none' }, 'ours')).rejects.toThrow('jobs');
});

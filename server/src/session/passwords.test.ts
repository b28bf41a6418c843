import { expect, test } from '@jest/globals';
import { hashPassword, isPassword } from './passwords.ts';

test('a password opens its own hash and no other does', async () => {
  const hash = await hashPassword('weir and sluice');
  expect(hash).not.toContain('weir');
  expect(await isPassword('weir and sluice', hash)).toBe(true);
  expect(await isPassword('weir and sluicE', hash)).toBe(false);
  expect(await hashPassword('weir and sluice')).not.toBe(hash);
});

test('the same letters typed on another keyboard are the same password', async () => {
  // A composed and a decomposed e with acute.
  const hash = await hashPassword('caf\u00e9 water');
  expect(await isPassword('cafe\u0301 water', hash)).toBe(true);
});

test('a hash that is none opens nothing', async () => {
  expect(await isPassword('x', '')).toBe(false);
  expect(await isPassword('x', 'bcrypt$1$2$3$a$b')).toBe(false);
});

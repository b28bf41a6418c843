import { expect, test } from '@jest/globals';
import { readConfig, samplePasswordCost, usualPasswordCost } from '../base/config.ts';
import { hashPassword, isPassword, nobodysHash } from './passwords.ts';

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

test('what is compared for an address that nobody has costs what a person’s own does, and opens to nothing', async () => {
  const costOf = (hash: string) => hash.split('$').slice(0, 4);
  const nobodys = nobodysHash(usualPasswordCost);
  const own = await hashPassword('weir and sluice', usualPasswordCost);
  expect(costOf(nobodys)).toEqual(costOf(own));
  expect(nobodys).toHaveLength(own.length);
  expect(nobodysHash(usualPasswordCost)).not.toBe(nobodys);
  expect(await isPassword('weir and sluice', nobodys)).toBe(false);
});

test('only the sample firm, whose password everybody is told, is kept at a low cost', () => {
  const costWith = (more: Record<string, string>) =>
    readConfig({ DATABASE_URL: 'postgresql://127.0.0.1/x', ...more }).passwordCost;
  expect(costWith({})).toBe(usualPasswordCost);
  expect(usualPasswordCost.N).toBeGreaterThanOrEqual(2 ** 17);
  expect(costWith({ KATHAROS_DEMO: '1' })).toBe(samplePasswordCost);
});

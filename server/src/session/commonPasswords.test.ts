import { describe, expect, test } from '@jest/globals';
import { isCommonPassword } from './commonPasswords.ts';

const about = ['Wren Askeby', 'wren@brackenfold.example', 'Brackenfold Water Care'];

describe('a password that is tried first', () => {
  test.each([
    'password',
    'PASSWORD',
    'password2026!!',
    'qwertyuiop',
    'aaaaaaaaaaaaaa',
    'abcabcabcabc',
    'wren wren wren',
    'Brackenfold 2026',
    'askeby-askeby',
  ])('is %s', (password) => {
    expect(isCommonPassword(password, about)).toBe(true);
  });

  test.each([
    'three otters upstream',
    'heron kettle seven',
    'wren likes wet weather',
    '七つの川を渡る鳥たちの朝',
  ])('is not %s', (password) => {
    expect(isCommonPassword(password, about)).toBe(false);
  });
});

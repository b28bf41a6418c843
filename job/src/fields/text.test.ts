import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isPlainText } from './plainText.ts';
import { text, wantedText } from './text.ts';

describe('text of people', () => {
  test('is any script and emoji, kept as it is', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (written) => {
        const plain = written.replaceAll('\0', '');
        expect(text(10_000).parse(plain)).toBe(plain.trim());
      }),
    );
    for (const name of ['李雷', 'Åsa Ödegård', 'ليلى', '👩‍🔧 Wren', 'naïve', 'e\u0301']) {
      expect(wantedText(100, 'missing').parse(name)).toBe(name);
    }
  });

  test('is no NUL and no half of a character, wherever it stands', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.constantFrom('\0', '\ud83d', '\udc00'),
        fc.string(),
        (before, bad, after) => {
          // Between two halves that make a whole, a half may find its other one.
          fc.pre(!/[\ud800-\udfff]/.test(before.slice(-1) + after.slice(0, 1)));
          expect(isPlainText(before + bad + after)).toBe(false);
          expect(text(10_000).safeParse(`a${before}${bad}${after}b`).success).toBe(false);
        },
      ),
    );
  });
});

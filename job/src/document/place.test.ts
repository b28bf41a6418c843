import { describe, expect, test } from '@jest/globals';
import { z } from 'zod';
import { documentPlace } from './place.ts';
import { saysWho, whole, writtenPlaceOf } from './whole.ts';

const who = saysWho(z.string());

describe('a place as it is written down', () => {
  test('names alike stand together, and what is optional, whole or somebody is said', () => {
    const schema = z.object({
      a: z.number(),
      b: z.number(),
      by: who,
      c: z.number().optional(),
      reading: whole(z.object({ value: z.number() })),
    });
    expect(writtenPlaceOf(schema)).toEqual({
      fields: [
        { of: ['a', 'b'], place: {} },
        { of: ['by'], place: { isPerson: true } },
        { of: ['c'], place: { optional: true } },
        { of: ['reading'], place: { isWhole: true } },
      ],
    });
  });

  test('of what is whole only the way to a person is kept', () => {
    const tick = z.object({ at: z.string(), by: who });
    const chosen = whole(z.object({ design: z.object({ pump: z.string() }), agreed: tick }));
    expect(writtenPlaceOf(chosen)).toEqual({
      isWhole: true,
      fields: [{ of: ['agreed'], place: { fields: [{ of: ['by'], place: { isPerson: true } }] } }],
    });
  });

  test('what is filled key by key may lack any of them', () => {
    expect(writtenPlaceOf(z.record(z.string(), z.number()))).toEqual({ each: { optional: true } });
  });
});

describe('the document’s places', () => {
  const at = (...path: string[]) =>
    path.reduce(
      (place: ReturnType<typeof documentPlace> | undefined, key) => place?.inside(key),
      documentPlace(),
    );

  test('a reading is whole, and says whose it is', () => {
    expect(at('survey', 'readings', 'feedTds')).toMatchObject({ isWhole: true, optional: true });
    expect(at('survey', 'readings', 'feedTds', 'by')?.isPerson).toBe(true);
  });

  test('ticks grow key by key, and no name of every object is one of theirs', () => {
    expect(at('plumb', 'ticks')).toMatchObject({ growsByKey: true, isWhole: false });
    expect(at('plumb', 'ticks', 'any')?.optional).toBe(true);
    expect(at('survey', 'toString')).toBeUndefined();
    expect(at('survey', 'nothing of the kind')).toBeUndefined();
  });

  test('a chosen system is never gone inside of, and still says who chose it', () => {
    expect(at('system')?.isWhole).toBe(true);
    expect(at('system', 'chosenBy')?.isPerson).toBe(true);
    expect(at('system', 'design')).toBeUndefined();
  });
});

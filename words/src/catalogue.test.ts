import { describe, expect, test } from '@jest/globals';
import { type Part, partKinds } from '@katharos/core';
import {
  emptyPart,
  idOf,
  partFields,
  partSchema,
  partValue,
  starterCatalogue,
  withPartValue,
  writeCatalogue,
} from '@katharos/job';
import { catalogueChanges, checkPart, mayHold, sayPartValue } from './catalogue.ts';
import { readerOf } from './reader.ts';

const parts = starterCatalogue;
const read = (text: string) => {
  const answer = catalogueChanges(text, parts);
  if (!answer.ok) throw new Error(answer.sentence);
  return answer;
};
const verdicts = (text: string) => read(text).changes.map(({ verdict }) => verdict.kind);

describe('the table of what a part has', () => {
  test('reaches every value that a part of the first catalogue has, and nothing else', () => {
    for (const part of parts) {
      const paths = new Set<string>(partFields(part.kind).map(({ path }) => path));
      const leaves = (value: unknown, path: string): string[] =>
        paths.has(path) || typeof value !== 'object' || value === null || Array.isArray(value)
          ? [path]
          : Object.entries(value).flatMap(([key, held]) =>
              leaves(held, path ? `${path}.${key}` : key),
            );
      const own = ['id', 'kind', 'name', 'price'];
      const found = leaves(part, '').filter((path) => !own.includes(path) && !paths.has(path));
      expect([part.id, found]).toEqual([part.id, []]);
    }
  });

  test('an empty part of every kind wants only what its data sheet says', () => {
    for (const kind of partKinds) {
      const parsed = partSchema.safeParse({ ...emptyPart(kind), id: 'x', name: 'X' });
      const missing = parsed.success ? [] : parsed.error.issues.map(({ path }) => path.join('.'));
      const asked = new Set<string>(partFields(kind).map(({ path }) => path));
      for (const path of missing)
        expect([kind, path, [...asked].some((one) => one.startsWith(path))]).toEqual([
          kind,
          path,
          true,
        ]);
    }
  });

  test('a value is set and taken out where it belongs, and a group goes with its last', () => {
    const sized = withPartValue({ ...parts[0]! }, 'sizeM.width', 0.1);
    expect(partValue(sized, 'sizeM.width')).toBe(0.1);
    expect(withPartValue(sized, 'sizeM.width', undefined)).not.toHaveProperty('sizeM');
  });

  test('an id is of the name, and never one that is taken', () => {
    expect(idOf('Ödland 5 µm, double', new Set())).toBe('odland-5-m-double');
    expect(idOf('Reed 50', new Set(['reed-50', 'reed-50-2']))).toBe('reed-50-3');
    expect(idOf('滤芯', new Set())).toBe('part');
  });

  test('every value of every part is said in words', () => {
    const reader = readerOf({ units: 'us' });
    for (const part of parts) {
      for (const field of partFields(part.kind)) {
        const said = sayPartValue(field, partValue(part, field.path), reader, (id) => id);
        expect([part.id, field.path, said]).not.toEqual([part.id, field.path, '']);
        expect(said).not.toMatch(/undefined|NaN|\[object/);
      }
    }
  });
});

describe('a catalogue as a file', () => {
  test('written and read again changes nothing', () => {
    const { changes, unknown } = read(writeCatalogue(parts));
    expect(unknown).toEqual([]);
    expect(changes.filter(({ verdict }) => verdict.kind !== 'same')).toEqual([]);
    expect(changes.length).toBe(parts.length);
  });

  test('carries a whole catalogue into an empty one, part for part', () => {
    const answer = catalogueChanges(writeCatalogue(parts), []);
    if (!answer.ok) throw new Error(answer.sentence);
    const taken = answer.changes.map(({ verdict }) =>
      verdict.kind === 'new' ? verdict.part : verdict,
    );
    expect(taken).toEqual(JSON.parse(JSON.stringify(parts)));
  });

  test('of id and price alone changes prices alone', () => {
    const { changes } = read('id,price\nreed-50,44.5\n');
    expect(changes[0]!.verdict).toMatchObject({ kind: 'changed', paths: ['price'] });
  });

  test('with semicolons and decimal commas, as workbooks of half of Europe write it', () => {
    const { changes } = read('id;price\nreed-50;44,5\n');
    expect(changes[0]!.verdict).toMatchObject({ part: { price: 44.5 } });
  });

  test('says of every line that it does not take why, and takes the others', () => {
    const text = [
      'id,kind,name,price,rating.ratedPressureBar,rating.ratedTdsMgL',
      'reed-50,,,a lot,,',
      'nowhere,,,3,,',
      ',,No kind,3,,',
      'reed-75,pump,,,,',
      'reed-75,,,50,,',
      'reed-100,,,50,4,19000',
      'reed-150,,Renamed,69,4.48,500',
    ].join('\n');
    const { changes } = read(text);
    const said = changes.map(({ line, verdict }) =>
      verdict.kind === 'refused'
        ? `${line} ${verdict.faults.map(({ path, sentence }) => `${path}: ${sentence}`).join(' ')}`
        : `${line} ${verdict.kind}`,
    );
    expect(said[0]).toMatch(/^2 price: This is not a number/);
    expect(said[1]).toMatch(/^3 id: .*holds no part/);
    expect(said[2]).toMatch(/^4 kind: /);
    expect(said[3]).toMatch(/^5 .*: Membrane element/);
    expect(said[4]).toMatch(/^6 id: .*earlier line/);
    expect(said[5]).toMatch(/^7 rating.ratedPressureBar: .*osmotic pressure/);
    expect(said[6]).toBe('8 changed');
  });

  test('does not take a kit whose part it does not take', () => {
    const kit = parts.find(({ kind }) => kind === 'kit')!;
    const own = parts.filter(({ id }) => id === 'reed-75' || id === kit.id);
    const csv = writeCatalogue(own).replace(/reed-75,membrane,[^,]*,46/, 'reed-75,membrane,,46');
    const held = parts.filter(({ id }) => id !== 'reed-75' && id !== kit.id);
    const answer = catalogueChanges(csv, held);
    if (!answer.ok) throw new Error(answer.sentence);
    expect(answer.changes.map(({ verdict }) => verdict.kind)).toEqual(['refused', 'refused']);
  });

  test('a name that looks like a formula is guarded in the file and whole again when read', () => {
    const part = { ...(parts[0] as Part), name: '=1+1' };
    const text = writeCatalogue([part]);
    expect(text).not.toMatch(/,=1/);
    const answer = catalogueChanges(text, [part]);
    expect(answer).toMatchObject({ ok: true, changes: [{ verdict: { kind: 'same' } }] });
  });

  test('that is none says so', () => {
    expect(catalogueChanges('Dear all,\nprices go up', parts).ok).toBe(false);
    expect(verdicts('id,colour\nreed-50,blue')).toEqual(['same']);
    expect(read('id,colour\nreed-50,blue').unknown).toEqual(['colour']);
  });
});

test('a part is held against the core and against what the catalogue holds', () => {
  const kit = parts.find(({ kind }) => kind === 'kit')!;
  const known = new Set(parts.map(({ id }) => id));
  expect(checkPart(kit, known).ok).toBe(true);
  known.delete('reed-75');
  expect(checkPart(kit, known)).toMatchObject({ faults: [{ path: 'holds' }] });
});

describe('a part that was retired', () => {
  const kit = parts.find((part) => part.kind === 'kit' && part.holds.length > 0)!;
  if (kit.kind !== 'kit') throw new Error('the starter catalogue has a kit');
  const gone = kit.holds[0]!.id;
  const inUse = new Set(parts.map(({ id }) => id).filter((id) => id !== gone));

  test('stays in what holds it already', () => {
    expect(checkPart(kit, mayHold(inUse, kit)).ok).toBe(true);
  });

  test('is not held anew, neither by hand nor by a file', () => {
    const empty = { ...kit, holds: kit.holds.filter(({ id }) => id !== gone) };
    expect(checkPart(kit, mayHold(inUse, empty)).ok).toBe(false);
    expect(checkPart(kit, mayHold(inUse, undefined)).ok).toBe(false);
    const another = { ...kit, id: 'another-kit', name: 'Another kit' };
    const file = writeCatalogue([another]);
    const answer = catalogueChanges(file, parts, new Set([gone]));
    if (!answer.ok) throw new Error(answer.sentence);
    expect(answer.changes.map(({ verdict }) => verdict.kind)).toEqual(['refused']);
    const before = catalogueChanges(file, parts, new Set());
    expect(before.ok && before.changes.map(({ verdict }) => verdict.kind)).toEqual(['new']);
  });
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type JobDocument, jobDocumentSchema } from './job.ts';
import { newJobDocument } from './newJob.ts';
import type { Reading } from './reading.ts';
import { mergeDocuments, saysTheSame } from './merge.ts';
import {
  applyOverOwn,
  applyPatches,
  diffDocuments,
  inverted,
  joined,
  type Patch,
  valueAt,
} from './patch.ts';
import { storageSchemaOf } from './storageSchema.ts';

const tick = (by: string) => ({ at: '2026-03-01T09:00:00.000Z', by });
const reading = (value: number, unit: string, by: string): Reading => ({
  value,
  unit,
  takenAt: '2026-03-01T09:00:00.000Z',
  by,
});

/** Things that people do to a document, each of one place. */
type Edit = (document: JobDocument) => void;
const edit = fc
  .record({
    what: fc.constantFrom(
      'note',
      'pressure',
      'no-pressure',
      'tick',
      'untick',
      'done',
      'household',
      'no-household',
      'people',
      'placement',
      'obstacles',
      'laboratory',
      'remote',
      'drain',
      'limit',
    ),
    n: fc.integer({ min: 1, max: 6 }),
    by: fc.constantFrom('Odo', 'Maud'),
  })
  .map(({ what, n, by }): Edit => (document) => {
    const { survey, plumb, size } = document;
    switch (what) {
      case 'note':
        document.customer.note = `${by} ${n}`;
        break;
      case 'pressure':
        survey.readings.pressure = reading(n, 'bar', by);
        break;
      case 'no-pressure':
        delete survey.readings.pressure;
        break;
      case 'tick':
        plumb.ticks[`p${n}`] = tick(by);
        break;
      case 'untick':
        delete plumb.ticks[`p${n}`];
        break;
      case 'done':
        plumb.done = { ...plumb.done, [`s${n}`]: { ...tick(by), mark: '[]' } };
        break;
      case 'household':
        survey.household = {
          people: n,
          drinkingL: 1,
          hotDrinks: 2,
          meals: 2,
          potL: 3,
          pets: 0,
          plantsL: 0,
          guestChance: 0,
        };
        break;
      case 'no-household':
        delete survey.household;
        break;
      case 'people':
        if (survey.household) survey.household.people = n;
        break;
      case 'placement':
        plumb.placements = {
          ...plumb.placements,
          tank: { x: n, y: by === 'Odo' ? 0 : 1, z: n, lies: by === 'Odo' },
        };
        break;
      case 'obstacles':
        plumb.obstacles = [{ id: 'bin', x: n, y: 0, z: 0, width: 1, height: 1, depth: 1 }];
        break;
      case 'laboratory':
        survey.laboratory = {
          name: by,
          text: `Calcium;${n}`,
          choices: { [n]: { unit: 'mg/L' } },
          readAt: tick(by).at,
          by,
        };
        break;
      case 'remote':
        plumb.remote = { through: 'wall', lengthM: n, riseM: by === 'Odo' ? 1 : 2 };
        break;
      case 'drain':
        plumb.drain = { way: by === 'Odo' ? 'saddle' : 'standpipe', reason: `${by} ${n}` };
        break;
      case 'limit':
        size.limits.buy = 100 * n;
        break;
    }
  });
const edits = fc.array(edit, { maxLength: 6 });
const after = (document: JobDocument, changes: readonly Edit[]): JobDocument => {
  const next = structuredClone(document);
  for (const change of changes) change(next);
  return next;
};
const base = newJobDocument('Quill Amory', 'Mill');
const anyDocument = edits.map((changes) => after(base, changes));
const same = (a: JobDocument, b: JobDocument) => expect(saysTheSame(a, b)).toBe(true);

describe('a deed as changes of values', () => {
  test('leads from before to after and, backwards, to before', () => {
    fc.assert(
      fc.property(anyDocument, edits, (document, changes) => {
        const next = after(document, changes);
        const patches = diffDocuments(document, next);
        same(applyPatches(document, patches).document, next);
        same(applyOverOwn(next, inverted(patches)).document, document);
      }),
    );
  });

  test('of one value is one change, never of half a reading', () => {
    const next = after(base, [
      (document) => (document.survey.readings.pressure = reading(3, 'bar', 'Odo')),
      (document) => (document.plumb.done = { feed: { ...tick('Odo'), mark: '' } }),
    ]);
    expect(diffDocuments(base, next).map(({ path }) => path.join('.'))).toEqual([
      'survey.readings.pressure',
      'plumb.done.feed',
    ]);
  });

  test('several in a row are joined to what one deed would have been', () => {
    fc.assert(
      fc.property(anyDocument, edits, edits, (document, first, then) => {
        const middle = after(document, first);
        const end = after(middle, then);
        const both = joined(diffDocuments(document, middle), diffDocuments(middle, end));
        same(applyOverOwn(end, inverted(both)).document, document);
      }),
    );
  });
});

describe('undo', () => {
  test('is the present without my deed, whatever others did in between', () => {
    fc.assert(
      fc.property(anyDocument, edits, edits, (document, mine, others) => {
        const withMine = after(document, mine);
        const deed = diffDocuments(document, withMine);
        const present = after(withMine, others);
        const { document: undone, left } = applyOverOwn(present, inverted(deed));
        const theirs = diffDocuments(withMine, present);
        const touches = (a: Patch, b: Patch) =>
          a.path.every((key, i) => b.path[i] === key || b.path[i] === undefined);
        // Every value that they changed and I had not stands as they left it.
        for (const patch of theirs) {
          if (deed.some((own) => touches(own, patch) || touches(patch, own))) continue;
          expect(valueAt(undone, patch.path)).toEqual(valueAt(present, patch.path));
        }
        // Every value of mine that nobody changed since is as it was before; the others are named and stand.
        for (const patch of deed) {
          const stands = left.some((one) => one.path.join() === patch.path.join());
          const wanted = stands ? present : document;
          if (theirs.some((one) => touches(one, patch) || touches(patch, one)) && !stands) continue;
          expect(valueAt(undone, patch.path)).toEqual(valueAt(wanted, patch.path));
        }
        expect(storageSchemaOf(jobDocumentSchema).safeParse(undone).success).toBe(true);
      }),
    );
  });

  test('leaves what a colleague read after me', () => {
    const mine = after(base, [(one) => (one.survey.readings.pressure = reading(3, 'bar', 'Odo'))]);
    const both = after(mine, [(one) => (one.survey.readings.hardness = reading(9, 'dH', 'Maud'))]);
    const { document } = applyOverOwn(both, inverted(diffDocuments(base, mine)));
    expect(document.survey.readings).toEqual({ hardness: reading(9, 'dH', 'Maud') });
  });
});

describe('merging', () => {
  test('invents nothing: every value is mine, theirs or the base’s, whole', () => {
    fc.assert(
      fc.property(anyDocument, edits, edits, (document, one, other) => {
        const [mine, theirs] = [after(document, one), after(document, other)];
        const { document: merged } = mergeDocuments(document, mine, theirs);
        for (const { path, after: value } of diffDocuments(document, merged)) {
          const sources = [mine, theirs, document].map((source) => valueAt(source, path));
          expect(sources).toContainEqual(value);
        }
        expect(jobDocumentSchema.safeParse(merged).success).toBe(true);
      }),
    );
  });

  test('without a conflict does not depend on who comes first, or on how three are brought together', () => {
    fc.assert(
      fc.property(anyDocument, edits, edits, edits, (document, one, two, three) => {
        const [a, b, c] = [after(document, one), after(document, two), after(document, three)];
        const ab = mergeDocuments(document, a, b);
        const ba = mergeDocuments(document, b, a);
        expect(ab.conflicts.sort()).toEqual(ba.conflicts.sort());
        if (ab.conflicts.length > 0) return;
        same(ab.document, ba.document);
        const abc = mergeDocuments(document, ab.document, c);
        const bc = mergeDocuments(document, b, c);
        if (abc.conflicts.length > 0 || bc.conflicts.length > 0) return;
        const right = mergeDocuments(document, a, bc.document);
        if (right.conflicts.length === 0) same(abc.document, right.document);
      }),
    );
  });

  test('takes a report with its own choices, a tank with its own place', () => {
    const mine = after(base, [
      (one) => (one.plumb.placements = { tank: { x: 1, y: 0, z: 0, lies: true } }),
    ]);
    const theirs = after(base, [
      (one) => (one.plumb.placements = { tank: { x: 0, y: 0, z: 2, lies: true } }),
    ]);
    const { document, conflicts } = mergeDocuments(base, mine, theirs);
    expect(conflicts).toEqual(['plumb.placements.tank']);
    expect(document.plumb.placements).toEqual(mine.plumb.placements);
  });
});

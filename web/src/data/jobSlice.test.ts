import { describe, expect, test } from '@jest/globals';
import type { Job } from '@katharos/contract';
import { type JobDocument, newJobDocument } from '@katharos/job';
import {
  closed,
  confirmed,
  edited,
  jobReducer,
  opened,
  type OpenJob,
  rebased,
  redone,
  saveStateChanged,
  undone,
} from './jobSlice.ts';

const named = (note: string): JobDocument => {
  const document = newJobDocument('Bronwen Leat');
  document.customer.note = note;
  return document;
};
const job: Job = {
  id: 'a',
  number: 4,
  version: 3,
  updatedAt: '2026-03-01T09:00:00.000Z',
  updatedBy: 'Odo',
  document: named('from the server'),
};
type Step = Parameters<typeof jobReducer>[1];
const after = (...steps: Step[]): OpenJob => {
  const state = steps.reduce<OpenJob | null>(jobReducer, null);
  if (!state) throw new Error('no job is open');
  return state;
};
const noteOf = (state: OpenJob) => state.document.customer.note;

describe('the open job', () => {
  test('is saved as it comes, and waits once it is edited', () => {
    expect(after(opened({ job })).save).toEqual({ kind: 'saved' });
    const state = after(opened({ job }), edited(named('mine')));
    expect(state).toMatchObject({ save: { kind: 'waiting' }, version: 3 });
    expect(state.base).toEqual(job.document);
  });

  test('brings back a draft, says so, and lets it be taken back', () => {
    const state = after(opened({ job, draft: named('typed in the cellar') }));
    expect(noteOf(state)).toBe('typed in the cellar');
    expect(state.remark).toContain('brought back');
    expect(noteOf(jobReducer(state, undone())!)).toBe('from the server');
  });

  test('goes back and forth through every edit, and a new edit ends what was ahead', () => {
    const edits = ['one', 'two', 'three'].map((note) => edited(named(note)));
    const back = after(opened({ job }), ...edits, undone(), undone());
    expect(noteOf(back)).toBe('one');
    expect(noteOf(jobReducer(back, redone())!)).toBe('two');
    const branched = jobReducer(back, edited(named('other')))!;
    expect(branched.future).toEqual([]);
    expect(noteOf(jobReducer(branched, undone())!)).toBe('one');
  });

  test('does nothing where there is nothing to take back or bring again', () => {
    const state = after(opened({ job }));
    expect(jobReducer(state, undone())).toEqual(state);
    expect(jobReducer(state, redone())).toEqual(state);
    expect(jobReducer(null, edited(named('x')))).toBeNull();
    expect(jobReducer(state, closed())).toBeNull();
  });

  test('keeps two hundred steps and no more', () => {
    const edits = Array.from({ length: 230 }, (_, i) => edited(named(String(i))));
    expect(after(opened({ job }), ...edits).past).toHaveLength(200);
  });

  test('takes the server’s word for what is the base', () => {
    const mine = named('mine');
    const state = after(opened({ job }), edited(mine), confirmed({ version: 4, document: mine }));
    expect(state).toMatchObject({ version: 4, base: mine, save: { kind: 'saved' } });
  });

  test('stays in a conflict until it is settled, whatever is typed meanwhile', () => {
    const theirs = { ...job, version: 5, document: named('theirs') };
    const paths = ['customer.note'];
    const conflict = saveStateChanged({ kind: 'conflict', theirs, paths });
    const state = after(opened({ job }), edited(named('mine')), conflict, edited(named('more')));
    expect(state.save.kind).toBe('conflict');
    const settled = jobReducer(
      state,
      rebased({ theirs, document: theirs.document, remark: 'taken' }),
    )!;
    expect(settled).toMatchObject({ version: 5, save: { kind: 'waiting' }, remark: 'taken' });
    expect(noteOf(jobReducer(settled, undone())!)).toBe('more');
  });
});

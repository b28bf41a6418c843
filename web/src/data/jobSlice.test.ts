import { describe, expect, test } from '@jest/globals';
import type { Job } from '@katharos/contract';
import { type JobDocument, newJobDocument } from '@katharos/job';
import {
  closed,
  done,
  edited,
  jobReducer,
  opened,
  type OpenJob,
  redone,
  type SaveState,
  synced,
  undone,
} from './jobSlice.ts';

const first = newJobDocument('Bronwen Leat');
const job: Job = {
  id: 'a',
  number: 4,
  version: 3,
  updatedAt: '2026-03-01T09:00:00.000Z',
  updatedBy: 'Odo',
  document: first,
};
const saved: SaveState = { kind: 'saved' };
const open = opened({ job, document: first, save: saved });

type Change = (document: JobDocument) => void;
const note =
  (text: string): Change =>
  (document) =>
    (document.customer.note = text);
const phone =
  (text: string): Change =>
  (document) =>
    (document.customer.phone = text);
const with_ = (document: JobDocument, ...changes: Change[]): JobDocument => {
  const next = structuredClone(document);
  for (const change of changes) change(next);
  return next;
};

type Action = Parameters<typeof jobReducer>[1];
const after = (...steps: (Action | Change)[]): OpenJob => {
  const state = steps.reduce<OpenJob | null>(
    (held, step) =>
      jobReducer(held, typeof step === 'function' ? edited(with_(held!.document, step)) : step),
    null,
  );
  if (!state) throw new Error('no job is open');
  return state;
};
/** Others' work comes in: the server's document and, over it, what stands here. */
const theirs = (state: OpenJob, ...changes: Change[]) =>
  synced({
    job: { ...job, version: state.version + 1, document: with_(state.base, ...changes) },
    document: with_(state.document, ...changes),
    save: saved,
  });

describe('the open job', () => {
  test('is saved as it comes, and waits once it is edited', () => {
    expect(after(open).save).toEqual({ kind: 'saved' });
    const state = after(open, note('mine'));
    expect(state).toMatchObject({ save: { kind: 'waiting' }, version: 3, base: first });
    expect(after(open, edited(structuredClone(first))).past).toEqual([]);
  });

  test('goes back and forth through every deed, and a new one ends what was ahead', () => {
    const back = after(open, note('one'), note('two'), note('three'), undone(), undone());
    expect(back.document.customer.note).toBe('one');
    expect(jobReducer(back, redone())!.document.customer.note).toBe('two');
    const branched = jobReducer(back, edited(with_(back.document, note('other'))))!;
    expect(branched.future).toEqual([]);
    expect(jobReducer(branched, undone())!.document.customer.note).toBe('one');
  });

  test('does nothing where there is nothing to take back or bring again', () => {
    const state = after(open);
    expect(jobReducer(state, undone())).toEqual(state);
    expect(jobReducer(state, redone())).toEqual(state);
    expect(jobReducer(null, edited(first))).toBeNull();
    expect(jobReducer(state, closed())).toBeNull();
  });

  test('takes forty nudges back as one deed, and what else was done apart', () => {
    let state = after(open, phone('0100'));
    for (let i = 1; i <= 40; i += 1) {
      state = jobReducer(state, edited(with_(state.document, note(String(i))), 'nudge'))!;
    }
    expect(state.past).toHaveLength(2);
    const back = jobReducer(state, undone())!;
    expect(back.document.customer).toMatchObject({ note: '', phone: '0100' });
    expect(jobReducer(back, redone())!.document.customer.note).toBe('40');
  });

  test('keeps two hundred deeds and no more', () => {
    const edits = Array.from({ length: 230 }, (_, i) => note(String(i)));
    expect(after(open, ...edits).past).toHaveLength(200);
  });

  test('takes back its own deed alone, whatever came in from others', () => {
    const mine = after(open, note('mine'));
    const both = jobReducer(mine, theirs(mine, phone('theirs')))!;
    expect(both.remark).toContain('Odo changed this job');
    const back = jobReducer(both, undone())!;
    expect(back.document.customer).toMatchObject({ note: '', phone: 'theirs' });
  });

  test('leaves what another changed after it, and says so', () => {
    const mine = after(open, note('mine'));
    const both = jobReducer(mine, theirs(mine, note('theirs')))!;
    const back = jobReducer(both, undone())!;
    expect(back.document.customer.note).toBe('theirs');
    expect(back.remark).toContain('somebody else');
  });

  test('has in its history what is no part of the document', () => {
    const away = { kind: 'photograph-remove', photographId: 'p' } as const;
    const again = { kind: 'photograph-restore', photographId: 'p' } as const;
    const state = after(open, note('one'), done({ undo: again, redo: away }), undone());
    expect(state.document.customer.note).toBe('one');
    expect(state.future).toEqual([{ undo: again, redo: away }]);
    expect(jobReducer(state, undone())!.document.customer.note).toBe('');
  });

  test('stays in a conflict until it is settled, whatever is typed meanwhile', () => {
    const conflict: SaveState = { kind: 'conflict', theirs: job, paths: ['customer.note'] };
    const state = after(
      open,
      note('mine'),
      synced({ job, document: with_(first, note('mine')), save: conflict }),
      note('more'),
    );
    expect(state.save.kind).toBe('conflict');
    expect(state.document.customer.note).toBe('more');
  });
});

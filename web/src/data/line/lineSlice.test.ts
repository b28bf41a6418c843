import { expect, test } from '@jest/globals';
import { lineChanged, lineReducer, type LineState } from './lineSlice.ts';

const after = (...states: LineState[]) =>
  states.reduce(
    (state, line) => lineReducer(state, lineChanged(line)),
    lineReducer(undefined, { type: 'begin' }),
  ).line;

test('since when a line is lost does not begin anew with every try', () => {
  expect(after({ kind: 'unreachable', since: '09:00' }, { kind: 'slow', since: '09:05' })).toEqual({
    kind: 'slow',
    since: '09:00',
  });
});

test('who has to sign in again has to, also when the line is lost meanwhile; an open line ends it', () => {
  const over: LineState = { kind: 'signed-out' };
  expect(after(over, { kind: 'unreachable', since: '09:00' })).toEqual(over);
  expect(after(over, { kind: 'fault', since: '09:00' }, { kind: 'open' })).toEqual({
    kind: 'open',
  });
});

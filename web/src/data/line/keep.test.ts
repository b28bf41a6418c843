import 'fake-indexeddb/auto';
import { expect, test } from '@jest/globals';
import { keep, keepFor } from './keep.ts';
import { allDeeds } from './keptStore.ts';

const whose = async () => (await allDeeds()).map(({ userId }) => userId);
const tick = { kind: 'document', patches: [] } as const;

test('what is done is stored under whoever is at work, and waits for nobody once that is known', async () => {
  const early = keep('job', { ...tick, patches: [] });
  expect(await whose()).toEqual([]);
  keepFor('odo');
  await early;
  expect(await whose()).toEqual(['odo']);
  // The session ends; nobody has signed in again yet.
  await keep('job', { ...tick, patches: [] });
  expect(await whose()).toEqual(['odo', 'odo']);
  keepFor('maud');
  await keep('job', { ...tick, patches: [] });
  expect(await whose()).toEqual(['odo', 'odo', 'maud']);
});

import { describe, expect, test } from '@jest/globals';
import { briefOf, newJobDocument, starterCatalogue } from '@katharos/job';
import { recommend } from '@katharos/core';
import { runner } from './runner.ts';

function task() {
  const brief = briefOf(newJobDocument('x').survey, starterCatalogue);
  if (!brief.ok) throw new Error(brief.failure.code);
  return brief.value.task;
}

describe('a worker', () => {
  test('answers what the core answers, and says how far it is', async () => {
    const shares: number[] = [];
    const answer = await runner.run(1, 'recommend', task(), (share) => shares.push(share));
    expect(answer).toEqual(recommend(task()));
    expect(shares.length).toBeGreaterThan(0);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });

  test('puts down what is given up, and then does what is asked next', async () => {
    const shares: number[] = [];
    const first = runner.run(2, 'recommend', task(), (share) => shares.push(share));
    runner.giveUp(2);
    expect(await first).toBeNull();
    // It looked up once and never went on.
    expect(shares).toHaveLength(1);
    expect(await runner.run(3, 'recommend', task(), () => undefined)).not.toBeNull();
  });
});

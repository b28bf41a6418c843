import Sequencer from '@jest/test-sequencer';

/** Those that take longest, where no earlier run says it: begun last, one would hold the whole run up. */
const long = ['houses', 'sheet', 'diagnose', 'strangers'];

/** @param {import('@jest/test-result').Test} test */
const rank = ({ path }) => {
  const at = long.findIndex((name) => path.endsWith(`/${name}.test.ts`));
  return at < 0 ? long.length : at;
};

export default class LongestFirst extends Sequencer {
  /** @param {import('@jest/test-result').Test[]} tests */
  sort(tests) {
    return super.sort(tests).sort((a, b) => rank(a) - rank(b));
  }
}

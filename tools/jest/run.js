import { randomBytes } from 'node:crypto';
import { readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** What a run built for its suites is of no use to a later one. */
const built = join(import.meta.dirname, '../../server/dist/test');
const hourMs = 3600e3;

function dropOld() {
  for (const name of readdirSync(built)) {
    const path = join(built, name);
    if (Date.now() - statSync(path).mtimeMs > hourMs) rmSync(path, { force: true });
  }
}

/** Names a run, so that what its suites share is made once, and never by a run before: they inherit it. */
export default () => {
  process.env.TEST_RUN = randomBytes(4).toString('hex');
  try {
    dropOld();
  } catch {
    // Nothing was built yet, or another run was quicker.
  }
};

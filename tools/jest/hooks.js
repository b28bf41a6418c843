import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * How Node reads what the tests import. `keepNames`, as others transform it, would wrap each inner function in a call, which makes
 * the core's loops half as slow again.
 */
const options = {
  format: 'esm',
  target: 'node20.10',
  jsx: 'automatic',
  sourcemap: 'inline',
  // As of a page that nobody built.
  define: { 'import.meta.env': '{"DEV":true,"PROD":false}' },
};
const kept = join(import.meta.dirname, '../../.local/cache/tests');
mkdirSync(kept, { recursive: true });

/** What a source became, from an earlier run where it is the same. */
async function transformed(file, source) {
  const key = createHash('sha256').update(JSON.stringify(options)).update(file).update(source);
  const path = join(kept, key.digest('hex'));
  try {
    return readFileSync(path, 'utf8');
  } catch {
    const { transform } = await import('esbuild');
    const loader = file.endsWith('x') ? 'tsx' : 'ts';
    const { code } = await transform(source, { ...options, loader, sourcefile: file });
    // Two workers may write the same: each moves a whole file there.
    const unfinished = `${path}.${process.pid}`;
    writeFileSync(unfinished, code);
    renameSync(unfinished, path);
    return code;
  }
}

/** Jest's own functions are global where no sandbox stands between a test and Node. */
export function resolve(specifier, context, next) {
  if (specifier !== '@jest/globals') return next(specifier, context);
  return {
    url: new URL('./globals.js', import.meta.url).href,
    format: 'module',
    shortCircuit: true,
  };
}

export async function load(url, context, next) {
  if (/^file:.*\.css$/.test(url)) {
    return { format: 'module', source: 'export default {};', shortCircuit: true };
  }
  if (!/^file:[^?]*\.tsx?(\?|$)/.test(url)) return next(url, context);
  const file = fileURLToPath(new URL(url));
  const source = await transformed(file, readFileSync(file, 'utf8'));
  return { format: 'module', source, shortCircuit: true };
}

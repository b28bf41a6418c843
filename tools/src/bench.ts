import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { build } from 'esbuild';
import { localFolder } from './installation.ts';

/** `npm run bench`: bundled first, as the application is, so that the loader's own wrapping is not measured. */
export async function run(): Promise<void> {
  const outfile = join(localFolder, 'bench.mjs');
  await build({
    entryPoints: [join(import.meta.dirname, 'benchmarks.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
  });
  const { runBenchmarks } = (await import(pathToFileURL(outfile).href)) as {
    runBenchmarks: () => void;
  };
  runBenchmarks();
}

import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, gzip } from 'node:zlib';
import { build as bundle } from 'esbuild';
import { build as buildWeb } from 'vite';
import { workspaces } from './workspaces.ts';

const brotliOf = promisify<Buffer, Buffer>(brotliCompress);
const gzipOf = promisify(gzip) as (content: Buffer, options: { level: number }) => Promise<Buffer>;

const root = join(import.meta.dirname, '../..');
const shared = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
  // Workspaces are bundled from their source, packages of the registry stay where they are installed.
  alias: Object.fromEntries(
    workspaces.map((name) => [`@katharos/${name}`, join(root, name, 'src/index.ts')]),
  ),
} as const;

/** The command-line solver with all it needs in one file, so that it starts at once. */
export const buildSolve = () =>
  bundle({
    ...shared,
    entryPoints: [join(root, 'solve/src/main.ts')],
    outfile: join(root, 'solve/dist/solve.mjs'),
  });

export const buildServer = () =>
  bundle({
    ...shared,
    entryPoints: [join(root, 'server/src/main.ts')],
    outfile: join(root, 'server/dist/server.mjs'),
    packages: 'external',
    sourcemap: true,
  });

/** Squeezes what is served for ever once, as hard as it goes, beside itself. */
async function squeeze(folder: string): Promise<void> {
  const files = (await readdir(folder)).filter((name) => /\.(js|css)$/.test(name));
  await Promise.all(
    files.map(async (name) => {
      const content = await readFile(join(folder, name));
      const [brotli, gzip] = await Promise.all([brotliOf(content), gzipOf(content, { level: 9 })]);
      await writeFile(join(folder, `${name}.br`), brotli);
      await writeFile(join(folder, `${name}.gz`), gzip);
    }),
  );
}

/** Everything that is served or started in earnest. */
export async function buildAll(): Promise<void> {
  await Promise.all([
    buildSolve(),
    buildServer(),
    buildWeb({ root: join(root, 'web'), logLevel: 'warn' }),
  ]);
  await squeeze(join(root, 'web/dist/assets'));
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  await (process.argv[2] === 'solve' ? buildSolve() : buildAll());
}

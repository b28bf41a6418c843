import { createHash } from 'node:crypto';
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join, relative } from 'node:path';
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

/** Stands for the contract and all that it is made of: page and server that were built of the same have the same. */
async function contractMark(): Promise<string> {
  const hash = createHash('sha256');
  for (const name of ['core', 'job', 'contract']) {
    const folder = join(root, name, 'src');
    const files = (await readdir(folder, { recursive: true }))
      .filter((file) => /(?<!\.test)\.ts$/.test(file))
      .sort();
    for (const file of files)
      hash.update(`${name}/${file}\n${await readFile(join(folder, file), 'utf8')}`);
  }
  return hash.digest('base64url').slice(0, 16);
}

/** Packages that hold machine code or find their own files, and dialects of databases that are not ours. */
const leftOut = [
  'sharp',
  'piscina',
  'pg-native',
  'pg-hstore',
  'tedious',
  'mariadb',
  'mysql2',
  'sqlite3',
  'ibm_db',
  'snowflake-sdk',
  'oracledb',
];

/** Older packages ask by `require`, and for the place of their file. */
const forOlderPackages = `
import { createRequire as requireOfServer } from 'node:module';
const require = requireOfServer(import.meta.url);
const { filename: __filename, dirname: __dirname } = import.meta;
`;

/** The server, with the packages that it waits for: of their many small files it would take two seconds longer to start. */
async function buildServer(mark: string): Promise<void> {
  const served = {
    ...shared,
    define: { 'process.env.CONTRACT_MARK': JSON.stringify(mark) },
    outdir: join(root, 'server/dist'),
    outExtension: { '.js': '.mjs' },
    sourcemap: true,
    sourcesContent: false,
  } as const;
  await Promise.all([
    bundle({
      ...served,
      entryPoints: { server: join(root, 'server/src/main.ts') },
      external: leftOut,
      banner: { js: forOlderPackages },
    }),
    bundle({
      ...served,
      entryPoints: { paperWorker: join(root, 'server/src/papers/paperWorker.ts') },
      packages: 'external',
    }),
  ]);
}

/** What the browser keeps of a build, so that every page opens without a line. */
async function buildServiceWorker(): Promise<void> {
  const folder = join(root, 'web/dist');
  const names = await readdir(folder, { recursive: true, withFileTypes: true });
  const files = names
    .filter((entry) => entry.isFile() && !/\.(br|gz|map)$|^serviceWorker/.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name));
  const builtFiles = await Promise.all(
    files.map(async (file) => {
      const url = `/${relative(folder, file)}`;
      // What stands in assets has its content in its name.
      const isNamed = url.startsWith('/assets/');
      const content = isNamed ? '' : await readFile(file);
      const revision = isNamed ? null : createHash('sha256').update(content).digest('hex');
      return { url, revision: revision && revision.slice(0, 16) };
    }),
  );
  await bundle({
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    logLevel: 'warning',
    define: {
      builtFiles: JSON.stringify(builtFiles),
      'process.env.NODE_ENV': '"production"',
    },
    entryPoints: [join(root, 'web/src/offline/serviceWorker.ts')],
    outfile: join(folder, 'serviceWorker.js'),
  });
}

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
  const mark = await contractMark();
  const define = { 'import.meta.env.CONTRACT_MARK': JSON.stringify(mark) };
  await Promise.all([
    buildSolve(),
    buildServer(mark),
    buildWeb({ root: join(root, 'web'), logLevel: 'warn', define }),
  ]);
  await Promise.all([squeeze(join(root, 'web/dist/assets')), buildServiceWorker()]);
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  await (process.argv[2] === 'solve' ? buildSolve() : buildAll());
}

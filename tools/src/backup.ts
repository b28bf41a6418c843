import { spawn } from 'node:child_process';
import {
  createCipheriv,
  createDecipheriv,
  createHash,
  randomBytes,
  scryptSync,
  timingSafeEqual,
} from 'node:crypto';
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { plainText, rowsHash } from '@katharos/server';
import pg from 'pg';
import { dataFolder, firmFolder } from './installation.ts';
import { ended } from './processes.ts';
import { runningPostgres, startPostgres } from './postgres.ts';
import { findOrInstall, postgresServer } from './systemPackages.ts';

/** What a backup says of itself: how many rows each table had in the moment that it shows, and a hash over all of them. */
interface Manifest {
  madeAt: string;
  encrypted: boolean;
  sha256: string;
  tables: Record<string, { rows: number; hash: string }>;
}

const magic = Buffer.from('KTHB1');
const [saltBytes, ivBytes, tagBytes] = [16, 12, 16];

const keyOf = (passphrase: string, salt: Buffer): Buffer =>
  scryptSync(passphrase, salt, 32, { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 2 ** 20 });

/** Runs with the database's address: the one of DATABASE_URL, a firm's that is running, or the firm's, started for it. */
async function withDatabase(work: (url: string) => Promise<void>): Promise<void> {
  const given = process.env.DATABASE_URL;
  if (given) return work(given);
  const running = await runningPostgres(firmFolder());
  if (running) return work(running);
  const postgres = await startPostgres({ folder: firmFolder(), lasting: true });
  try {
    await work(postgres.url);
  } finally {
    await postgres.stop();
  }
}

/** A database's address as PostgreSQL's programs read it from their environment: an argument is seen by everybody on the machine. */
function addressIn(url: string): NodeJS.ProcessEnv {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    ...process.env,
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  };
}

/** Every table with its rows and a hash over them in a fixed order, as one moment shows it. */
export async function tablesOf(client: pg.Client): Promise<Manifest['tables']> {
  await client.query(plainText);
  const { rows } = await client.query<{ name: string }>(
    "select tablename as name from pg_tables where schemaname = 'public' order by 1",
  );
  const tables: Manifest['tables'] = {};
  for (const { name } of rows) {
    const { rows: found } = await client.query<{ rows: string; hash: string }>(
      `select count(*) as rows, ${rowsHash('t')} as hash from "${name}" t`,
    );
    tables[name] = { rows: Number(found[0]!.rows), hash: found[0]!.hash };
  }
  return tables;
}

/** Writes a backup of a database while others work on it: PostgreSQL's own dump of one moment, and what that moment held. */
export async function backUp(
  url: string,
  file: string,
  passphrase: string | undefined,
): Promise<Manifest> {
  const programs = await findOrInstall(postgresServer);
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const unfinished = `${file}.unfinished`;
  try {
    await client.query('begin isolation level repeatable read read only');
    const { rows } = await client.query<{ id: string }>('select pg_export_snapshot() as id');
    const dump = spawn(
      join(programs, 'pg_dump'),
      ['--format=custom', `--snapshot=${rows[0]!.id}`, '--no-owner', '--no-acl'],
      { stdio: ['ignore', 'pipe', 'inherit'], env: addressIn(url) },
    );
    const hash = createHash('sha256');
    const out = createWriteStream(unfinished, { mode: 0o600 });
    if (passphrase) {
      const [salt, iv] = [randomBytes(saltBytes), randomBytes(ivBytes)];
      out.write(Buffer.concat([magic, salt, iv]));
      const cipher = createCipheriv('aes-256-gcm', keyOf(passphrase, salt), iv);
      await pipeline(dump.stdout, cipher, out, { end: false });
      out.end(cipher.getAuthTag());
      await new Promise<void>((resolve) => out.once('close', () => resolve()));
    } else await pipeline(dump.stdout, out);
    if ((await ended(dump)) !== 0) throw new Error('pg_dump failed.');
    const tables = await tablesOf(client);
    for await (const chunk of createReadStream(unfinished)) hash.update(chunk as Buffer);
    const manifest = {
      madeAt: new Date().toISOString(),
      encrypted: passphrase !== undefined,
      sha256: hash.digest('hex'),
      tables,
    };
    writeFileSync(`${file}.json`, `${JSON.stringify(manifest, null, 2)}\n`, { mode: 0o600 });
    // Under its own name only once it is whole.
    renameSync(unfinished, file);
    return manifest;
  } finally {
    await client.end();
    rmSync(unfinished, { force: true });
  }
}

/** Brings a backup back into an empty database and holds every table to what the backup said of it. */
export async function bringBack(
  url: string,
  file: string,
  passphrase: string | undefined,
): Promise<Manifest> {
  const manifest = JSON.parse(readFileSync(`${file}.json`, 'utf8')) as Manifest;
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file)) hash.update(chunk as Buffer);
  if (!timingSafeEqual(hash.digest(), Buffer.from(manifest.sha256, 'hex')))
    throw new Error('The file is not as it was written: its hash is another.');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const plain = `${file}.plain`;
  try {
    if (Object.keys(await tablesOf(client)).length > 0)
      throw new Error(
        'The database is not empty. A backup is brought back into an empty one only.',
      );
    if (manifest.encrypted) await decrypt(file, plain, passphrase);
    const programs = await findOrInstall(postgresServer);
    const restore = spawn(
      join(programs, 'pg_restore'),
      ['--exit-on-error', '--single-transaction', '--no-owner', '--no-acl', '--dbname']
        .concat(addressIn(url).PGDATABASE!)
        .concat(manifest.encrypted ? plain : file),
      { stdio: ['ignore', 'inherit', 'inherit'], env: addressIn(url) },
    );
    if ((await ended(restore)) !== 0) throw new Error('pg_restore failed.');
    const found = await tablesOf(client);
    const differing = Object.entries(manifest.tables).filter(
      ([name, { rows, hash: wanted }]) => found[name]?.rows !== rows || found[name].hash !== wanted,
    );
    if (differing.length > 0)
      throw new Error(`Not as it was: ${differing.map(([name]) => name).join(', ')}.`);
    return manifest;
  } finally {
    await client.end();
    rmSync(plain, { force: true });
  }
}

async function decrypt(file: string, to: string, passphrase: string | undefined): Promise<void> {
  if (!passphrase)
    throw new Error(
      'This backup is encrypted: put its passphrase into KATHAROS_BACKUP_PASSPHRASE.',
    );
  const head = Buffer.alloc(magic.length + saltBytes + ivBytes);
  const tag = Buffer.alloc(tagBytes);
  const size = statSync(file).size;
  const handle = openSync(file, 'r');
  readSync(handle, head, 0, head.length, 0);
  readSync(handle, tag, 0, tagBytes, size - tagBytes);
  if (!head.subarray(0, magic.length).equals(magic))
    throw new Error('This is no encrypted backup of Katharos.');
  const salt = head.subarray(magic.length, magic.length + saltBytes);
  const decipher = createDecipheriv(
    'aes-256-gcm',
    keyOf(passphrase, salt),
    head.subarray(magic.length + saltBytes),
  );
  decipher.setAuthTag(tag);
  const body = createReadStream(file, { start: head.length, end: size - tagBytes - 1 });
  try {
    await pipeline(body, decipher, createWriteStream(to, { mode: 0o600 }));
  } catch {
    throw new Error('The passphrase is another one, or the file was changed.');
  }
}

const rowsOf = ({ tables }: Manifest): number =>
  Object.values(tables).reduce((sum, { rows }) => sum + rows, 0);

/** `npm run backup -- [file]`: the whole database, while others work on it. */
export async function run([file]: string[]): Promise<void> {
  const folder = join(dataFolder(), 'backups');
  const target =
    file ?? join(folder, `katharos-${new Date().toISOString().replace(/[:.]/g, '-')}.dump`);
  if (existsSync(target)) throw new Error(`${target} is there already.`);
  if (!file) mkdirSync(folder, { recursive: true, mode: 0o700 });
  await withDatabase(async (url) => {
    const manifest = await backUp(url, target, process.env.KATHAROS_BACKUP_PASSPHRASE);
    process.stdout.write(
      `${target}: ${rowsOf(manifest)} rows, ${manifest.encrypted ? 'encrypted' : 'not encrypted'}. Keep the .json beside it.\n`,
    );
  });
}

/** `npm run restore -- file`: into an empty database, and held to what the backup said. */
export async function runRestore([file]: string[]): Promise<void> {
  if (!file) throw new Error('Say which backup: npm run restore -- file.');
  await withDatabase(async (url) => {
    const manifest = await bringBack(url, file, process.env.KATHAROS_BACKUP_PASSPHRASE);
    process.stdout.write(
      `${rowsOf(manifest)} rows of ${manifest.madeAt} are back, each table as it was.\n`,
    );
  });
}

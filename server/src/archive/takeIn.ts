import { createInterface } from 'node:readline';
import { QueryTypes, type Sequelize } from 'sequelize';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { z } from 'zod';
import { hasOwner } from '../firm/firmRepository.ts';
import { firmTables, lastMigration, stateOf } from './firmTables.ts';
import { archiveFormat, archiveVersion, photographPath } from './writeArchive.ts';

const manifestSchema = z.object({
  format: z.literal(archiveFormat),
  version: z.int(),
  madeAt: z.string(),
  migration: z.string(),
  firmId: z.uuid(),
  tables: z.record(z.string(), z.object({ rows: z.int(), hash: z.string() })),
});

/** An archive's files by their paths. */
interface Files {
  zip: ZipFile;
  entries: Map<string, Entry>;
}

async function openZip(file: string): Promise<Files> {
  const zip = await yauzl.openPromise(file, { autoClose: false });
  const entries = new Map<string, Entry>();
  for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
  return { zip, entries };
}

async function streamOf({ zip, entries }: Files, path: string): Promise<NodeJS.ReadableStream> {
  const entry = entries.get(path);
  if (!entry) throw new Error(`The archive lacks ${path}.`);
  return zip.openReadStreamPromise(entry);
}

async function bytesOf(files: Files, path: string): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of await streamOf(files, path)) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}

const atATime = 100;

/**
 * Brings a firm back into an empty installation, all or nothing, and holds every table to what the archive says of it. Returns the count of
 * rows. Errors: a sentence for whoever runs it.
 */
export async function takeIn(sequelize: Sequelize, file: string): Promise<number> {
  if (await hasOwner())
    throw new Error('This installation has a firm already. An archive goes into an empty one.');
  const files = await openZip(file).catch(() => {
    throw new Error('This file is no archive that can be read.');
  });
  try {
    const manifest = manifestSchema.parse(
      JSON.parse((await bytesOf(files, 'manifest.json')).toString('utf8')),
    );
    if (manifest.version > archiveVersion)
      throw new Error('This archive was written by a newer version of the program.');
    return await sequelize.transaction(async (transaction) => {
      await sequelize.query('set local statement_timeout = 0', { transaction });
      const here = await lastMigration(sequelize, transaction);
      if (here !== manifest.migration)
        throw new Error(
          `This archive is of another version of the program (${manifest.migration}, here ${here}).`,
        );
      let count = 0;
      for (const table of await firmTables(sequelize, transaction)) {
        const columns = table.columns.map((column) => `"${column}"`).join(', ');
        const insert = async (rows: Record<string, unknown>[]) => {
          if (rows.length === 0) return;
          await sequelize.query(
            `insert into "${table.name}" (${columns})
             select ${columns} from jsonb_populate_recordset(null::"${table.name}", cast(:rows as jsonb))`,
            { replacements: { rows: JSON.stringify(rows) }, type: QueryTypes.RAW, transaction },
          );
          count += rows.length;
        };
        let waiting: Record<string, unknown>[] = [];
        const input = await streamOf(files, `tables/${table.name}.jsonl`);
        for await (const line of createInterface({ input, crlfDelay: Infinity })) {
          const row = JSON.parse(line) as Record<string, unknown>;
          if (table.name === 'photographs') {
            const bytes = await bytesOf(files, photographPath(String(row.id)));
            row.bytes = `\\x${bytes.toString('hex')}`;
          }
          waiting.push(row);
          if (waiting.length === atATime || table.name === 'photographs') {
            await insert(waiting);
            waiting = [];
          }
        }
        await insert(waiting);
        const state = await stateOf(sequelize, table, manifest.firmId, transaction);
        const wanted = manifest.tables[table.name];
        if (state.rows !== wanted?.rows || state.hash !== wanted.hash)
          throw new Error(`Not as it was written: ${table.name}. Nothing was taken in.`);
      }
      return count;
    });
  } finally {
    files.zip.close();
  }
}

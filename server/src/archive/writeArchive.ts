import { PassThrough, Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { jobDocumentSchema, writeCatalogue } from '@katharos/job';
import Papa from 'papaparse';
import { QueryTypes, type Sequelize, Transaction } from 'sequelize';
import yazl from 'yazl';
import { z } from 'zod';
import { firmParts } from '../catalogue/catalogueRepository.ts';
import { PhotographRow } from '../db/models.ts';
import { type FirmTable, firmTables, lastMigration, stateOf } from './firmTables.ts';

export const archiveFormat = 'katharos-firm';
export const archiveVersion = 1;

const readme = `A whole firm as Katharos keeps it.

manifest.json     what this is, and how many rows each table has
tables/*.jsonl    every table, a row a line, as JSON
photographs/      every photograph, by its id
csv/              jobs and catalogue as tables for workbooks
schema/           what a job's document holds, as JSON Schema

Bring it back into an empty installation with: npm run take-in -- this-file.zip
It holds names, addresses and telephone numbers: keep it as you keep your keys.
`;

const atATime = 200;

/** What is read of a firm, in the one moment of a transaction. */
interface Reading {
  sequelize: Sequelize;
  firmId: string;
  transaction: Transaction;
}

/** Columns as they stand in a line: a photograph's bytes are a file beside it. */
const lineColumns = ({ name, columns }: FirmTable): string =>
  columns
    .map((column) =>
      name === 'photographs' && column === 'bytes' ? 'null as bytes' : `"${column}"`,
    )
    .join(', ');

/** Rows of a table, each a line, a few at a time. */
async function* linesOf(
  { sequelize, firmId, transaction }: Reading,
  table: FirmTable,
): AsyncGenerator<string> {
  const { name, firmColumn } = table;
  const cursor = `rows_${name}`;
  await sequelize.query(
    `declare ${cursor} no scroll cursor for select to_jsonb(r) as row from (select ${lineColumns(table)} from "${name}" where ${firmColumn} = :firmId) r`,
    { replacements: { firmId }, transaction },
  );
  for (;;) {
    const rows = await sequelize.query<{ row: Record<string, unknown> }>(
      `fetch ${atATime} from ${cursor}`,
      { type: QueryTypes.SELECT, transaction },
    );
    for (const { row } of rows) yield `${JSON.stringify(row)}\n`;
    if (rows.length < atATime) break;
  }
  await sequelize.query(`close ${cursor}`, { transaction });
}

/**
 * Writes a firm as one file: everything of one moment, as others work on. Whoever stops taking it ends it.
 * Nothing is held in memory but what is on its way.
 */
export async function writeArchive(
  sequelize: Sequelize,
  firmId: string,
  now: Date,
  to: Writable,
): Promise<void> {
  const isolationLevel = Transaction.ISOLATION_LEVELS.REPEATABLE_READ;
  await sequelize.transaction({ isolationLevel }, async (transaction) => {
    // A line may be slow, and a firm large.
    await sequelize.query(
      'set local idle_in_transaction_session_timeout = 0; set local statement_timeout = 0',
      { transaction },
    );
    const zip = new yazl.ZipFile();
    await Promise.all([
      pipeline(zip.outputStream, to),
      fill(zip, { sequelize, firmId, transaction }, now),
    ]);
  });
}

async function fill(zip: yazl.ZipFile, reading: Reading, now: Date): Promise<void> {
  const { sequelize, firmId, transaction } = reading;
  const tables = await firmTables(sequelize, transaction);
  const state: Record<string, { rows: number; hash: string }> = {};
  for (const table of tables)
    state[table.name] = await stateOf(sequelize, table, firmId, transaction);
  const manifest = {
    format: archiveFormat,
    version: archiveVersion,
    madeAt: now.toISOString(),
    migration: await lastMigration(sequelize, transaction),
    firmId,
    tables: state,
  };
  const schema = z.toJSONSchema(jobDocumentSchema, { io: 'input', unrepresentable: 'any' });
  const text = (path: string, content: string) => zip.addBuffer(Buffer.from(content), path);
  text('README.txt', readme);
  text('manifest.json', JSON.stringify(manifest, null, 2));
  text('schema/job.schema.json', JSON.stringify(schema));
  text('csv/catalogue.csv', writeCatalogue(await firmParts(firmId)));
  text('csv/jobs.csv', await jobsCsv(reading));
  for (const table of tables)
    await added(zip, `tables/${table.name}.jsonl`, linesOf(reading, table));
  for (const id of await photographIds(reading)) {
    const bytes = await photographOf(reading, id);
    await added(zip, photographPath(id), Readable.from([bytes]));
  }
  zip.end();
}

export const photographPath = (id: string): string => `photographs/${id}.jpg`;

/** Adds a file whose content comes piece by piece, and waits until it has gone. */
async function added(
  zip: yazl.ZipFile,
  path: string,
  of: AsyncIterable<string | Buffer>,
): Promise<void> {
  const stream = new PassThrough();
  // Pictures are squeezed already.
  zip.addReadStream(stream, path, { compress: !path.startsWith('photographs/') });
  await pipeline(Readable.from(of), stream);
}

async function photographIds({ sequelize, firmId, transaction }: Reading): Promise<string[]> {
  const rows = await sequelize.query<{ id: string }>(
    'select id from photographs where firm_id = :firmId order by id',
    { replacements: { firmId }, type: QueryTypes.SELECT, transaction },
  );
  return rows.map(({ id }) => id);
}

async function photographOf({ firmId, transaction }: Reading, id: string): Promise<Buffer> {
  const where = { firmId, id };
  const row = await PhotographRow.findOne({ where, attributes: ['bytes'], transaction });
  return row!.bytes;
}

async function jobsCsv({ sequelize, firmId, transaction }: Reading): Promise<string> {
  const rows = await sequelize.query<Record<string, unknown>>(
    `select number, name, address, phone, email, stage, finished, updated_at, updated_by from jobs
     where firm_id = :firmId and removed_at is null order by number`,
    { replacements: { firmId }, type: QueryTypes.SELECT, transaction },
  );
  return `\ufeff${Papa.unparse(rows, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

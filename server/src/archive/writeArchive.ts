import { PassThrough, Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { jobDocumentSchema, writeCatalogue } from '@katharos/job';
import Papa from 'papaparse';
import { QueryTypes, type Sequelize, Transaction } from 'sequelize';
import yazl from 'yazl';
import { z } from 'zod';
import { firmParts } from '../catalogue/catalogueRepository.ts';
import { type FirmTable, firmTables, stateOf } from './firmTables.ts';

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

/** Rows of a table in one moment, a few at a time. */
async function* rowsOf(
  sequelize: Sequelize,
  { name, firmColumn, columns }: FirmTable,
  firmId: string,
  transaction: Transaction,
): AsyncGenerator<Record<string, unknown>> {
  const list = columns.map((column) => `"${column}"`).join(', ');
  const cursor = `rows_${name}`;
  await sequelize.query(
    `declare ${cursor} no scroll cursor for select to_jsonb(r) as row from (select ${list} from "${name}" where ${firmColumn} = :firmId) r`,
    { replacements: { firmId }, transaction },
  );
  for (;;) {
    const rows = await sequelize.query<{ row: Record<string, unknown> }>(
      `fetch ${atATime} from ${cursor}`,
      { type: QueryTypes.SELECT, transaction },
    );
    for (const { row } of rows) yield row;
    if (rows.length < atATime) break;
  }
  await sequelize.query(`close ${cursor}`, { transaction });
}

/** Writes a firm as one file: everything of one moment, as others work on. */
export async function writeArchive(
  sequelize: Sequelize,
  firmId: string,
  now: Date,
  to: Writable,
): Promise<void> {
  const isolationLevel = Transaction.ISOLATION_LEVELS.REPEATABLE_READ;
  await sequelize.transaction({ isolationLevel }, async (transaction) => {
    await sequelize.query('set local idle_in_transaction_session_timeout = 0', { transaction });
    const zip = new yazl.ZipFile();
    const sending = pipeline(zip.outputStream, to);
    const tables = await firmTables(sequelize, transaction);
    const state: Record<string, { rows: number; hash: string }> = {};
    for (const table of tables)
      state[table.name] = await stateOf(sequelize, table, firmId, transaction);
    const [last] = await sequelize.query<{ name: string }>(
      'select name from migrations order by name desc limit 1',
      { type: QueryTypes.SELECT, transaction },
    );
    const text = (path: string, content: string) => zip.addBuffer(Buffer.from(content), path);
    const manifest = {
      format: archiveFormat,
      version: archiveVersion,
      madeAt: now.toISOString(),
      migration: last!.name,
      firmId,
      tables: state,
    };
    text('README.txt', readme);
    text('manifest.json', JSON.stringify(manifest, null, 2));
    text(
      'schema/job.schema.json',
      JSON.stringify(z.toJSONSchema(jobDocumentSchema, { io: 'input', unrepresentable: 'any' })),
    );
    text('csv/catalogue.csv', writeCatalogue(await firmParts(firmId)));
    text('csv/jobs.csv', await jobsCsv(sequelize, firmId, transaction));
    for (const table of tables) {
      await added(
        zip,
        `tables/${table.name}.jsonl`,
        lines(sequelize, table, firmId, transaction, zip),
      );
    }
    zip.end();
    await sending;
  });
}

/** Each row a line; a photograph's bytes stand beside, as the picture that they are. */
async function* lines(
  sequelize: Sequelize,
  table: FirmTable,
  firmId: string,
  transaction: Transaction,
  zip: yazl.ZipFile,
): AsyncGenerator<string> {
  for await (const row of rowsOf(sequelize, table, firmId, transaction)) {
    if (table.name === 'photographs') {
      const { id, bytes } = row as { id: string; bytes: string };
      zip.addBuffer(Buffer.from(bytes.slice(2), 'hex'), photographPath(id), { compress: false });
      row.bytes = null;
    }
    yield `${JSON.stringify(row)}\n`;
  }
}

export const photographPath = (id: string): string => `photographs/${id}.jpg`;

/** Adds a file whose lines come one after the other, and waits until they have come. */
async function added(zip: yazl.ZipFile, path: string, of: AsyncGenerator<string>): Promise<void> {
  const stream = new PassThrough();
  zip.addReadStream(stream, path);
  await pipeline(Readable.from(of), stream);
}

async function jobsCsv(
  sequelize: Sequelize,
  firmId: string,
  transaction: Transaction,
): Promise<string> {
  const rows = await sequelize.query<Record<string, unknown>>(
    `select number, name, address, phone, email, stage, finished, updated_at, updated_by from jobs
     where firm_id = :firmId and removed_at is null order by number`,
    { replacements: { firmId }, type: QueryTypes.SELECT, transaction },
  );
  return `\ufeff${Papa.unparse(rows, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

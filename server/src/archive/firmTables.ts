import { rowsHash } from '../db/rowsHash.ts';
import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';

/**
 * What is not a firm's to take along: who is signed in or forgot a password at the moment, who failed to, passkeys, which serve the address
 * that they were made at and no other, answers to requests that were lost, and the database's own bookkeeping. Whoever adds a table adds it to the archive by that alone.
 */
const leftBehind = new Set([
  'sessions',
  'password_resets',
  'passkeys',
  'passkey_questions',
  'failed_tries',
  'deeds',
  'migrations',
]);

export interface FirmTable {
  name: string;
  /** Column by which rows are the firm's. */
  firmColumn: 'id' | 'firm_id';
  /** Those that are stored, in their order; what the database makes of others is made again. */
  columns: string[];
}

/** A firm's tables, each behind those that it refers to. */
export async function firmTables(
  sequelize: Sequelize,
  transaction: Transaction,
): Promise<FirmTable[]> {
  const columns = await sequelize.query<{ table: string; columns: string[] }>(
    `select table_name as "table", array_agg(column_name::text order by ordinal_position) as columns
     from information_schema.columns where table_schema = 'public' and is_generated = 'NEVER' group by 1`,
    { type: QueryTypes.SELECT, transaction },
  );
  const references = await sequelize.query<{ table: string; to: string }>(
    `select conrelid::regclass::text as "table", confrelid::regclass::text as "to" from pg_constraint
     where contype = 'f' and connamespace = 'public'::regnamespace and conrelid <> confrelid`,
    { type: QueryTypes.SELECT, transaction },
  );
  const open = columns
    .filter(({ table }) => !leftBehind.has(table))
    .map(({ table, columns: names }): FirmTable => ({
      name: table,
      firmColumn: table === 'firms' ? 'id' : 'firm_id',
      columns: names,
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
  const ordered: FirmTable[] = [];
  const isPlaced = (name: string) =>
    leftBehind.has(name) || ordered.some((one) => one.name === name);
  while (ordered.length < open.length) {
    const next = open.find(
      ({ name }) =>
        !isPlaced(name) &&
        references.filter(({ table }) => table === name).every(({ to }) => isPlaced(to)),
    );
    if (!next) throw new Error('tables refer to each other in a circle');
    ordered.push(next);
  }
  return ordered;
}

/** Rows of a firm in a table, and a hash over all of them in any order. */
export async function stateOf(
  sequelize: Sequelize,
  { name, firmColumn, columns }: FirmTable,
  firmId: string,
  transaction: Transaction,
): Promise<{ rows: number; hash: string }> {
  const list = columns.map((column) => `"${column}"`).join(', ');
  const [found] = await sequelize.query<{ rows: string; hash: string }>(
    `select count(*) as rows, ${rowsHash('r')} as hash
     from (select ${list} from "${name}" where ${firmColumn} = :firmId) r`,
    { replacements: { firmId }, type: QueryTypes.SELECT, transaction },
  );
  return { rows: Number(found!.rows), hash: found!.hash };
}

/** The migration that the schema stands at. */
export async function lastMigration(
  sequelize: Sequelize,
  transaction: Transaction,
): Promise<string> {
  const [last] = await sequelize.query<{ name: string }>(
    'select name from migrations order by name desc limit 1',
    { type: QueryTypes.SELECT, transaction },
  );
  return last!.name;
}

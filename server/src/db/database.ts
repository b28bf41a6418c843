import { type FindOptions, Sequelize } from 'sequelize';
import { heedingPg } from './heedingPg.ts';
import { defineModels } from './models.ts';

/** Told of every statement that took long, without the values in it. */
export type SlowQuery = (statement: string, ms: number) => void;

/** What is waited for at most, ms: a connection, a lock, a statement. Beyond, the request is answered that the database is busy. */
const patience = { acquire: 8000, lock: 8000, statement: 15000 } as const;
const slowMs = 500;

/** A statement's text without what stands in quotes: documents, names and searches belong in no log. */
export const withoutValues = (statement: string): string =>
  statement
    .replace(/^Execut\w+ \([^)]*\): /, '')
    .replace(/E?'(?:[^'\\]|''|\\.)*'/gs, "'…'")
    .slice(0, 300);

/** Opens the connection pool and binds the models. */
export function openDatabase(url: string, slow?: SlowQuery): Sequelize {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: heedingPg,
    benchmark: true,
    logging: (statement, ms) => {
      if (slow && typeof ms === 'number' && ms >= slowMs) slow(withoutValues(statement), ms);
    },
    pool: { max: 10, acquire: patience.acquire },
    dialectOptions: {
      application_name: 'katharos',
      statement_timeout: patience.statement,
      lock_timeout: patience.lock,
      idle_in_transaction_session_timeout: patience.statement,
    },
  });
  defineModels(sequelize);
  // Whoever wants one row is given one. The library leaves the limit out where a table's first key column is named, as if it were the whole
  // key; here that is the firm, and all of its rows would come.
  sequelize.addHook('beforeFindAfterOptions', (options: FindOptions & { plain?: boolean }) => {
    if (options.plain) options.limit ??= 1;
  });
  return sequelize;
}

/** Whether the database answers. */
export const answers = (sequelize: Sequelize): Promise<boolean> =>
  sequelize.query('select 1').then(
    () => true,
    () => false,
  );

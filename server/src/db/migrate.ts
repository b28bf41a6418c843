import { QueryTypes, Sequelize } from 'sequelize';
import { Umzug } from 'umzug';
import { heedingPg } from './heedingPg.ts';
import * as foundation from './migrations/0001-foundation.ts';
import * as photographs from './migrations/0002-photographs-and-document-2.ts';
import * as van from './migrations/0003-van-and-document-3.ts';
import * as unions from './migrations/0004-unions.ts';
import * as document4 from './migrations/0005-document-4.ts';
import * as deeds from './migrations/0006-deeds-and-search.ts';
import * as papers from './migrations/0007-papers.ts';
import * as papersToRecord from './migrations/0008-papers-to-record.ts';
import * as instruments from './migrations/0009-instruments.ts';
import * as seals from './migrations/0010-seals.ts';
import * as dues from './migrations/0011-dues.ts';
import * as feeds from './migrations/0012-feeds.ts';
import * as householdPages from './migrations/0013-household-pages.ts';
import * as letters from './migrations/0014-letters-and-copies.ts';
import * as people from './migrations/0015-people.ts';
import * as auditAndCatalogue from './migrations/0016-audit-and-catalogue.ts';
import * as foundBy from './migrations/0017-found-by.ts';
import * as secondFactor from './migrations/0018-second-factor.ts';
import * as stockPlaces from './migrations/0019-stock-places.ts';
import * as proofs from './migrations/0020-proofs.ts';
import * as keysByFirm from './migrations/0021-keys-by-firm.ts';
import * as passkeys from './migrations/0022-passkeys.ts';
import * as toldToTheBoard from './migrations/0023-told-to-the-board.ts';

/** In order, by name; a name that has run is never changed. */
const migrations = [
  { name: '0001-foundation', ...foundation },
  { name: '0002-photographs-and-document-2', ...photographs },
  { name: '0003-van-and-document-3', ...van },
  { name: '0004-unions', ...unions },
  { name: '0005-document-4', ...document4 },
  { name: '0006-deeds-and-search', ...deeds },
  { name: '0007-papers', ...papers },
  { name: '0008-papers-to-record', ...papersToRecord },
  { name: '0009-instruments', ...instruments },
  { name: '0010-seals', ...seals },
  { name: '0011-dues', ...dues },
  { name: '0012-feeds', ...feeds },
  { name: '0013-household-pages', ...householdPages },
  { name: '0014-letters-and-copies', ...letters },
  { name: '0015-people', ...people },
  { name: '0016-audit-and-catalogue', ...auditAndCatalogue },
  { name: '0017-found-by', ...foundBy },
  { name: '0018-second-factor', ...secondFactor },
  { name: '0019-stock-places', ...stockPlaces },
  { name: '0020-proofs', ...proofs },
  { name: '0021-keys-by-firm', ...keysByFirm },
  { name: '0022-passkeys', ...passkeys },
  { name: '0023-told-to-the-board', ...toldToTheBoard },
];

/** Whoever migrates holds this lock of the database; who comes second waits and then finds nothing to do. */
const migrating = 8716;

/**
 * Brings the schema and what is stored up to date; returns the names of the migrations that ran. Each runs in one transaction together
 * with the note that it ran, on one connection of its own: whatever ends it in the middle leaves the database as it was before.
 */
export async function migrate(url: string): Promise<string[]> {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    dialectModule: heedingPg,
    logging: false,
    // One connection for all of it: the lock and the transactions are that connection's.
    pool: { max: 1, min: 1, idle: 2 ** 30, evict: 2 ** 30 },
    dialectOptions: { application_name: 'katharos-migrate' },
  });
  const run = (sql: string) => sequelize.query(sql);
  try {
    await run(`select pg_advisory_lock(${migrating})`);
    // The pool would replace a lost connection, and what follows would run outside of the transaction and without the lock.
    sequelize.addHook('beforeConnect', () => {
      throw new Error('The connection that migrated was lost.');
    });
    await run(
      'create table if not exists migrations (name varchar(255) primary key, "createdAt" timestamptz not null, "updatedAt" timestamptz not null)',
    );
    const query = sequelize.getQueryInterface();
    const umzug = new Umzug({
      migrations: migrations.map(({ name, up }) => ({
        name,
        up: async () => {
          await run('begin');
          try {
            await up(query);
            await sequelize.query('insert into migrations values (:name, now(), now())', {
              replacements: { name },
            });
            await run('commit');
          } catch (error) {
            await run('rollback').catch(() => undefined);
            throw error;
          }
        },
      })),
      storage: {
        executed: async () => {
          const rows = await sequelize.query<{ name: string }>('select name from migrations', {
            type: QueryTypes.SELECT,
          });
          return rows.map(({ name }) => name);
        },
        // Noted within the migration's own transaction; nothing is ever taken back.
        logMigration: () => Promise.resolve(),
        unlogMigration: () => Promise.resolve(),
      },
      logger: undefined,
    });
    return (await umzug.up()).map(({ name }) => name);
  } finally {
    await sequelize.close();
  }
}

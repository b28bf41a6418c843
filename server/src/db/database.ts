import { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import * as foundation from './migrations/0001-foundation.ts';
import * as photographs from './migrations/0002-photographs-and-document-2.ts';
import * as van from './migrations/0003-van-and-document-3.ts';
import * as unions from './migrations/0004-unions.ts';
import { defineModels } from './models.ts';

/** In order, by name; a name that has run is never changed. */
const migrations = [
  { name: '0001-foundation', ...foundation },
  { name: '0002-photographs-and-document-2', ...photographs },
  { name: '0003-van-and-document-3', ...van },
  { name: '0004-unions', ...unions },
];

/** Opens the connection pool and binds the models. */
export function openDatabase(url: string): Sequelize {
  const sequelize = new Sequelize(url, { dialect: 'postgres', logging: false, pool: { max: 10 } });
  defineModels(sequelize);
  return sequelize;
}

/** Brings the schema up to date; returns the names of the migrations that ran. */
export async function migrate(sequelize: Sequelize): Promise<string[]> {
  const query = sequelize.getQueryInterface();
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up, down }) => ({
      name,
      up: () => up(query),
      down: () => down(query),
    })),
    storage: new SequelizeStorage({ sequelize, modelName: 'migrations', timestamps: true }),
    logger: undefined,
  });
  return (await umzug.up()).map((migration) => migration.name);
}

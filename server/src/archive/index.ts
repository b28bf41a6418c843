import { openDatabase } from '../db/database.ts';
import { migrate } from '../db/migrate.ts';
import { takeIn } from './takeIn.ts';

/** Brings the schema up to date and a firm's archive in, where there is no firm yet. Returns the count of rows. */
export async function takeInArchive(databaseUrl: string, file: string): Promise<number> {
  await migrate(databaseUrl);
  const sequelize = openDatabase(databaseUrl);
  try {
    return await takeIn(sequelize, file);
  } finally {
    await sequelize.close();
  }
}

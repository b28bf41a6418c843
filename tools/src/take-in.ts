import { takeInArchive } from '@katharos/server';
import { firmFolder } from './installation.ts';
import { runningPostgres, startPostgres } from './postgres.ts';

/** `npm run take-in -- file.zip`: a firm's archive into an empty installation. */
export async function run([file]: string[]): Promise<void> {
  if (!file) throw new Error('Say which archive: npm run take-in -- file.zip.');
  const given = process.env.DATABASE_URL;
  if (!given && (await runningPostgres(firmFolder())))
    throw new Error('This installation is running. Stop it first.');
  const postgres = given ? undefined : await startPostgres({ folder: firmFolder(), lasting: true });
  try {
    const count = await takeInArchive(given ?? postgres!.url, file);
    process.stdout.write(`The firm is back: ${count} rows, each table as it was written.\n`);
  } finally {
    await postgres?.stop();
  }
}

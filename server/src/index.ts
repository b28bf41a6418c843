export { createApp } from './app.ts';
export { readConfig } from './base/config.ts';
export { openDatabase } from './db/database.ts';
export { migrate } from './db/migrate.ts';
export { takeInArchive } from './archive/index.ts';
export { plainText, rowsHash } from './db/rowsHash.ts';

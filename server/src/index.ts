export { createApp } from './app.ts';
export { readConfig } from './base/config.ts';
export { migrate, openDatabase } from './db/database.ts';

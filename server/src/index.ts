export { createApp } from './app.ts';
export { readConfig } from './config.ts';
export { migrate, openDatabase } from './db/database.ts';

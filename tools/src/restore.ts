export { runRestore as run } from './backup.ts';

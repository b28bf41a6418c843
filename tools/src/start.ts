import { firmFolder, runInstallation } from './installation.ts';

/** `npm start`: a real installation; its first owner is created on the page with the code that the server prints. */
export const run = (options: string[]): Promise<void> =>
  runInstallation({ demo: false, folder: firmFolder, options });

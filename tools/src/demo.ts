import { demoSignIn } from '@katharos/server/demo';
import { demoFolder, runInstallation } from './installation.ts';

/** `npm run demo`: everything with sample data, on one port. */
export async function run(options: string[]): Promise<void> {
  process.stdout.write(
    `Sign in with ${demoSignIn.email} and ${demoSignIn.password}. Ctrl-C stops everything.\n`,
  );
  await runInstallation({ demo: true, folder: () => demoFolder, options });
}

import { demoSignIn } from '@katharos/server/demo';
import { demoFolder, runInstallation } from './installation.ts';

/** `npm run demo`: everything with sample data, on one port; with `--large` ten thousand systems. */
export async function run(options: string[]): Promise<void> {
  process.stdout.write(
    `Sign in with ${demoSignIn.email} and ${demoSignIn.password}. Ctrl-C stops everything.\n`,
  );
  const large = options.includes('--large');
  await runInstallation({
    demo: large ? 'large' : 'usual',
    // Ten thousand systems stand beside the usual sample, not in it.
    folder: () => (large ? `${demoFolder}-large` : demoFolder),
    options: options.filter((option) => option !== '--large'),
  });
}

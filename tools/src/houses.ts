import { randomHouses } from './houses/randomHouses.ts';
import { firedBefore } from './houses/rules.ts';
import { tally } from './houses/tally.ts';

/** Houses that are tried where nobody says how many. */
const usual = 300;

/** `npm run houses`: proposals for random houses, held to what no proposal may be; the table stands in docs/HOUSES.md. */
export function run([asked]: readonly string[] = []): void {
  const { proposed, misfits, absurd } = tally(randomHouses(asked ? Number(asked) : usual));
  const rows = Object.entries(absurd);
  const width = Math.max(...rows.map(([kind]) => kind.length));
  console.log(`| ${'absurd in this way'.padEnd(width)} | before | houses |`);
  for (const [kind, found] of rows)
    console.log(
      `| ${kind.padEnd(width)} | ${String(firedBefore[kind] ?? '').padStart(6)} | ${String(found.length).padStart(6)} | ${found.join(', ')}`,
    );
  console.log(`Nothing fits as the house is, with a way out: ${misfits}`);
  const count = rows.reduce((sum, [, found]) => sum + found.length, 0);
  console.log(`houses: ${proposed} proposed, ${count} absurd`);
  if (count > 0) process.exitCode = 1;
}

import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { type Browser, chromium as browserType } from '@playwright/test';
import pg from 'pg';
import { type Outcome, runSchedule } from './faults/schedule.ts';
import { startServer } from './faults/server.ts';
import { buildIfChanged } from './installation.ts';
import { scratchFolder, startPostgres } from './postgres.ts';
import { freePort } from './processes.ts';
import { findTestBrowser } from './systemPackages.ts';

/** People who work on one job at the same time, at the most. */
const mostPeople = 4;

/**
 * `npm run faults`: seeded schedules of lost lines, killed pages and servers, hanging, ended sessions and people at the same thing; at
 * the end of each the database holds everything that somebody did, once.
 */
export async function run(options: string[]): Promise<void> {
  const { values } = parseArgs({
    args: options,
    options: {
      schedules: { type: 'string', default: '200' },
      seed: { type: 'string', default: '1' },
      'at-once': { type: 'string', default: '3' },
    },
  });
  const [schedules, first] = [Number(values.schedules), Number(values.seed)];
  const executablePath = await findTestBrowser();
  await buildIfChanged();
  const scratch = scratchFolder('faults');
  const postgres = await startPostgres({ folder: join(scratch, 'postgres'), lasting: false });
  const browser = await browserType.launch({
    executablePath,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const seeds = Array.from({ length: schedules }, (_, i) => first + i);
  const sum = { schedules: 0, deeds: 0, lost: 0, doubled: 0 };
  const note = (seed: number, { deeds, lost, doubled, accounts }: Outcome) => {
    sum.schedules += 1;
    sum.deeds += deeds;
    sum.lost += lost.length;
    sum.doubled += doubled.length;
    for (const fault of [...lost, ...doubled]) {
      process.stdout.write(`schedule ${seed}: ${fault}\n`);
    }
    for (const line of accounts) process.stdout.write(`  ${line}\n`);
    process.stderr.write(`\r${sum.schedules} of ${schedules}, ${sum.deeds} deeds`);
  };
  try {
    const houses = Math.min(Number(values['at-once']), schedules);
    await Promise.all(
      Array.from({ length: houses }, async (_, house) => {
        const databaseUrl = await emptyDatabase(postgres.url, `house_${house}`);
        await runInTurn(seeds, { browser, databaseUrl }, note);
      }),
    );
  } finally {
    await browser.close();
    await postgres.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
  process.stderr.write('\n');
  process.stdout.write(`${sum.deeds} deeds\n`);
  process.stdout.write(
    `faults: ${sum.schedules} schedules, ${sum.lost} lost, ${sum.doubled} doubled\n`,
  );
  if (sum.lost + sum.doubled > 0) process.exitCode = 1;
}

/** Takes seed after seed, as long as there are any, on a server of its own. */
async function runInTurn(
  seeds: number[],
  { browser, databaseUrl }: { browser: Browser; databaseUrl: string },
  note: (seed: number, outcome: Outcome) => void,
): Promise<void> {
  const server = await startServer(databaseUrl, await freePort());
  const browsers = await Promise.all(
    Array.from({ length: mostPeople }, () =>
      browser.newContext({
        baseURL: server.base,
        viewport: { width: 1000, height: 800 },
        reducedMotion: 'reduce',
      }),
    ),
  );
  try {
    for (let seed = seeds.shift(); seed !== undefined; seed = seeds.shift()) {
      note(seed, await runSchedule(seed, { browsers, server, databaseUrl }));
    }
  } finally {
    for (const one of browsers) await one.close();
    await server.stop();
  }
}

async function emptyDatabase(url: string, name: string): Promise<string> {
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  const own = new URL(url);
  own.pathname = `/${name}`;
  return own.href;
}

import { randomBytes } from 'node:crypto';
import { existsSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { answerSchema, type ApiErrorBody, apiErrors } from '@katharos/contract';
import {
  type JobDocument,
  newJobDocument,
  starterCatalogue,
  usualFirmSettings,
} from '@katharos/job';
import { createApp } from '../app.ts';
import { type Config, readConfig } from '../base/config.ts';
import { openDatabase } from '../db/database.ts';
import { migrate } from '../db/migrate.ts';
import { type Changes, hearChanges } from '../events/changes.ts';
import { createFirm } from '../firm/firmRepository.ts';
import { openMailer } from '../mail/mailer.ts';
import { type Postman, postman } from '../mail/postman.ts';
import { type PaperMill, paperMill } from '../papers/paperMill.ts';
import { demoJobs } from '../seed/demoJobs.ts';
import { hashPassword } from '../session/passwords.ts';
import { expect } from '@jest/globals';
import { build } from 'esbuild';
import type { Express } from 'express';
import pg from 'pg';
import { type Logger, pino } from 'pino';
import type { Sequelize } from 'sequelize';
import request, { type Response } from 'supertest';

export const setupCode = '12345678';
export const password = 'a test password';

/** The hash is slow on purpose; what is tested here is who gets in, and `passwords.test.ts` hashes at the real cost. */
const cheap = { N: 2 ** 4, r: 8, p: 1 };
const sharedHash = hashPassword(password, cheap);

export interface TestApp {
  app: Express;
  sequelize: Sequelize;
  mill: PaperMill;
  logger: Logger;
  /** Adds a firm with an owner and returns an agent that is signed in as that owner. */
  signedIn: (firm: string) => Promise<ReturnType<typeof request.agent>>;
  log: string[];
  /** Folder into which letters are laid. */
  outbox: string;
  post: Postman;
  /** What is told of as it changes. */
  changes: Changes;
  close: () => Promise<void>;
}

/** The name of this run of tests, given by `tools/jestRun.js`. */
function run(): string {
  const { TEST_RUN } = process.env;
  if (!TEST_RUN) throw new Error('API tests need the name of their run.');
  return TEST_RUN;
}

/** An empty database after all migrations, made by whoever comes first and copied by all: a copy takes a tenth of the time. */
async function migratedTemplate(admin: pg.Client, url: string): Promise<string> {
  const name = `template_${run()}`;
  await admin.query('select pg_advisory_lock(8718)');
  try {
    const made = await admin.query('select from pg_database where datname = $1', [name]);
    if (made.rowCount === 0) {
      await admin.query(`create database ${name}`);
      const template = new URL(url);
      template.pathname = `/${name}`;
      await migrate(template.href);
    }
  } finally {
    await admin.query('select pg_advisory_unlock(8718)');
  }
  return name;
}

/** The papers' worker, built from what stands here: a thread runs no TypeScript. Whoever first prints in a run builds it for all. */
async function builtWorker(): Promise<string> {
  const root = join(import.meta.dirname, '../../..');
  const outfile = join(root, `server/dist/test/paperWorker-${run()}.mjs`);
  const href = pathToFileURL(outfile).href;
  if (existsSync(outfile)) return href;
  // Two may build at once: each moves a whole file there.
  const unfinished = `${outfile}.${process.pid}`;
  await build({
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: Object.fromEntries(
      ['core', 'job', 'words', 'papers', 'contract'].map((name) => [
        `@katharos/${name}`,
        join(root, name, 'src/index.ts'),
      ]),
    ),
    entryPoints: [join(root, 'server/src/papers/paperWorker.ts')],
    outfile: unfinished,
  });
  renameSync(unfinished, outfile);
  return href;
}

/** Holds every answer of a server to the contract: a page of the same build takes it as it is. */
function holdToContract({ response }: Express): void {
  const send = response.json;
  response.json = function json(body: unknown) {
    const { method, originalUrl } = this.req;
    const [, address] = /^\/api([^?]*)/.exec(originalUrl) ?? [];
    const schema = address && this.statusCode < 300 && answerSchema(method, address);
    const checked = schema && schema.safeParse(JSON.parse(JSON.stringify(body)));
    if (checked && !checked.success) {
      throw new Error(
        `The answer to ${method} ${originalUrl} is not the contract's: ${checked.error}`,
      );
    }
    return send.call(this, body);
  };
}

/**
 * The whole server on a database of its own, which is dropped at the end. The models belong to the last one started, so a test
 * file starts one. `npm test` says where the database server is.
 */
export async function startTestApp(change: Partial<Config> = {}): Promise<TestApp> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('API tests need a database server: run them by npm test.');
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  const name = `api_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name} template ${await migratedTemplate(admin, url)}`);
  const own = new URL(url);
  own.pathname = `/${name}`;
  const config: Config = {
    ...readConfig({ DATABASE_URL: own.href }),
    signInTries: 1000,
    passwordCost: cheap,
    ...change,
  };
  const sequelize = openDatabase(own.href);
  const log: string[] = [];
  const logger = pino({ level: 'info' }, { write: (line: string) => log.push(line) });
  const changes = hearChanges(own.href, logger);
  const mill = paperMill(builtWorker, undefined);
  const outbox = mkdtempSync(join(tmpdir(), 'katharos-outbox-'));
  const mailer = change.mail ? openMailer(change.mail) : openMailer({ smtpUrl: undefined, outbox });
  const post = postman(sequelize, mailer, 'letters@firm.example', logger);
  const app = createApp({ config, sequelize, logger, setupCode, changes, mill, post });
  holdToContract(app);
  return {
    app,
    sequelize,
    mill,
    logger,
    log,
    changes,
    outbox,
    post,
    signedIn: async (firm) => {
      const email = `owner@${firm}.example`;
      const owner = { name: `Owner of ${firm}`, email, passwordHash: await sharedHash };
      await sequelize.transaction((transaction) =>
        createFirm(
          { name: firm, settings: usualFirmSettings, parts: starterCatalogue, owner },
          transaction,
        ),
      );
      const agent = request.agent(app);
      await agent.post('/api/session').send({ email, password }).expect(201);
      return agent;
    },
    close: async () => {
      await post.stop();
      rmSync(outbox, { recursive: true, force: true });
      await Promise.all([changes.close(), mill.close()]);
      await sequelize.close();
      await admin.query(`drop database ${name} with (force)`);
      await admin.end();
    },
  };
}

/** The newest sample document that carries a full set of verification readings. */
export function verifiedDocument(): JobDocument {
  const found = demoJobs(new Date('2026-03-01T09:00:00Z')).findLast(
    ({ document }) => document.verify.readings.productTds && document.keep.issued,
  );
  if (!found) throw new Error('no sample job is verified');
  return found.document;
}

export const emptyDocument = (): JobDocument => newJobDocument('Aelfric Thorne', '2 Ford End');

/** The error of an answer, held to the catalogue: known code, its status, a sentence, and nothing of the server's insides. */
export function errorOf(response: Response): ApiErrorBody['error'] {
  const { error } = response.body as ApiErrorBody;
  expect(Object.keys(apiErrors)).toContain(error.code);
  expect(response.status).toBe(apiErrors[error.code as keyof typeof apiErrors]);
  expect(error.message).toMatch(/[.)]$/);
  expect(JSON.stringify(response.body)).not.toMatch(/node_modules|\bat \/|\.ts:|SELECT|Sequelize/);
  return error;
}

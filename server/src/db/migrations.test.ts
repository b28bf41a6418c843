import { randomBytes } from 'node:crypto';
import { expect, test } from '@jest/globals';
import {
  jobDocumentSchema,
  partSchema,
  upgradeDocument1,
  upgradeDocument2,
  upgradeDocument3,
} from '@katharos/job';
import { fittingRoles, seededRandom } from '@katharos/core';
import { demoJobs } from '../seed/demoJobs.ts';
import { verifiedDocument } from '../test/testApp.ts';
import { openDatabase } from './database.ts';
import { migrate } from './migrate.ts';
import { JobRow } from './models.ts';
import pg from 'pg';
import * as unions from './migrations/0004-unions.ts';
import * as foundation from './migrations/0001-foundation.ts';

/** An empty database of its own, and a connection to the server to make and drop it. */
async function withDatabase(use: (url: string, admin: pg.Client) => Promise<void>): Promise<void> {
  const admin = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await admin.connect();
  const name = `mig_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name}`);
  const url = new URL(process.env.DATABASE_URL!);
  url.pathname = `/${name}`;
  try {
    await use(url.href, admin);
  } finally {
    await admin.query(`drop database ${name} with (force)`);
    await admin.end();
  }
}

/** A database as the first version left it, with so many jobs of one firm. */
async function asTheFirstLeftIt(url: string, jobs: number): Promise<void> {
  const sequelize = openDatabase(url);
  await foundation.up(sequelize.getQueryInterface());
  await sequelize.query(
    'create table migrations (name varchar(255) primary key, "createdAt" timestamptz not null, "updatedAt" timestamptz not null)',
  );
  await sequelize.query("insert into migrations values ('0001-foundation', now(), now())");
  await sequelize.query(`insert into firms values ('${firm}', 'Old', '{"units":"metric"}', 2)`);
  await sequelize.query(
    `insert into jobs select gen_random_uuid(), '${firm}', n, 1, 'x', '', 'keep', true, :document, 'Odo', now()
     from generate_series(1, ${jobs}) n`,
    { replacements: { document: JSON.stringify(firstVersion()) } },
  );
  await sequelize.close();
}

const firm = '11111111-1111-4111-8111-111111111111';

/** A document as the first version wrote it. */
function firstVersion(): object {
  const { size: _size, survey, system, ...rest } = verifiedDocument();
  const { details: _details, site: _site, ...older } = survey;
  const { agreed: _agreed, ...chosen } = system!;
  const {
    permeatePump: _pump,
    branches: _branches,
    solenoid: _solenoid,
    ...design
  } = chosen.design as unknown as Record<string, unknown>;
  return { ...rest, survey: older, system: { ...chosen, design: { ...design, branch } } };
}

/** Of a refrigerator, as the first version knew it. */
const branch = { innerDiameterMm: 4, lengthM: 3, riseM: 1, neededBar: 1.4, flowLPerMin: 0.8 };

test(
  'whatever ends a migration in the middle leaves nothing half done: the next start goes on, and every document is whole',
  () =>
    withDatabase(async (url, admin) => {
      await asTheFirstLeftIt(url, 300);
      const { pathname } = new URL(url);
      const random = seededRandom(12);
      let ended = 0;
      for (let kill = 0; kill < 10; kill += 1) {
        const running = migrate(url).then(
          () => true,
          () => false,
        );
        // As a killed process looks from the database: its connection is gone.
        await new Promise((resolve) => setTimeout(resolve, 15 + random() * 400));
        await admin.query(
          "select pg_terminate_backend(pid) from pg_stat_activity where datname = $1 and application_name = 'katharos-migrate'",
          [pathname.slice(1)],
        );
        if (!(await running)) ended += 1;
      }
      expect(ended).toBeGreaterThan(0);
      await migrate(url);
      const sequelize = openDatabase(url);
      const jobs = await JobRow.findAll();
      expect(jobs).toHaveLength(300);
      for (const { document } of jobs) {
        expect(jobDocumentSchema.safeParse(document).success).toBe(true);
        expect(document.system!.design).toMatchObject({
          branches: [{ kind: 'refrigerator', ...branch }],
        });
      }
      await sequelize.close();
      // Ten kills and a whole way: seconds, and many where much else runs.
    }),
  120_000,
);

test('two servers started at once on an empty database both live', () =>
  withDatabase(async (url) => {
    const [first, second] = await Promise.all([migrate(url), migrate(url)]);
    expect([...first, ...second].sort()).toEqual([...new Set([...first, ...second])].sort());
    expect(await migrate(url)).toEqual([]);
  }));

test('an upgrade that is done again changes nothing', () => {
  for (const { document } of demoJobs(new Date('2026-03-01T09:00:00Z'))) {
    for (const upgrade of [upgradeDocument1, upgradeDocument2, upgradeDocument3]) {
      expect(upgrade(document)).toEqual(document);
    }
  }
});

test('documents and parts that were stored by earlier versions are read after all migrations, and fittings that a firm lacks are added', () =>
  withDatabase(async (url) => {
    await asTheFirstLeftIt(url, 1);
    const sequelize = openDatabase(url);
    const keep = (id: string, position: number, part: object) =>
      sequelize.query(`insert into parts values ('${firm}', :id, ${position}, :part)`, {
        replacements: { id, part: JSON.stringify({ id, ...part }) },
      });
    // Two sessions of the one who was there alone.
    const who = '8f0b9c5e-0f5a-4a53-9d1b-2f3f0d3c7a10';
    await sequelize.query(
      `insert into users values ('${who}', '${firm}', 'owner@old.example', 'Old Owner', 'scrypt$')`,
    );
    for (const token of ['one', 'two']) {
      await sequelize.query(
        `insert into sessions values ('${token}', '${firm}', '${who}', now() + interval '1 day')`,
      );
    }
    await keep('own', 1, { kind: 'fitting', name: 'Own tee', price: 3, role: 'feed-adapter' });
    await keep('l', 0, { kind: 'lamp', name: 'L', price: 9, ratedFlowLPerH: 200, powerW: 9 });
    expect(await migrate(url)).toEqual([
      '0002-photographs-and-document-2',
      '0003-van-and-document-3',
      '0004-unions',
      '0005-document-4',
      '0006-deeds-and-search',
      '0007-papers',
      '0008-papers-to-record',
      '0009-instruments',
      '0010-seals',
      '0011-dues',
      '0012-feeds',
      '0013-household-pages',
      '0014-letters-and-copies',
      '0015-people',
      '0016-audit-and-catalogue',
      '0017-found-by',
      '0018-second-factor',
      '0019-stock-places',
      '0020-proofs',
      '0021-keys-by-firm',
      '0022-passkeys',
      '0023-told-to-the-board',
    ]);
    const read = async (sql: string) => {
      const [rows] = await sequelize.query(sql);
      return (rows as { value: unknown }[])[0]!.value;
    };
    // Each session can be told from the other and is as old as the upgrade; whoever was there owns the firm.
    expect(
      await read(
        'select count(distinct id) as value from sessions where opened_at is not null and seen_at is not null',
      ),
    ).toBe('2');
    expect(await read('select role as value from users')).toBe('owner');
    const stored = jobDocumentSchema.parse(await read('select document as value from jobs'));
    expect(stored.verify).toEqual(verifiedDocument().verify);
    expect(stored.system?.agreed).toBeNull();
    expect(stored.system?.design).toMatchObject({ solenoid: null });
    expect(
      partSchema.parse(await read("select part as value from parts where part_id = 'l'")),
    ).toMatchObject({ ratedDoseMjCm2: 40 });
    // What was handed over before papers were records is to become one.
    expect(await read('select array_agg(kind) as value from papers_to_record')).toEqual([
      'certificate',
    ]);
    const roles = async (role: string) =>
      Number(await read(`select count(*) as value from parts where part ->> 'role' = '${role}'`));
    // What the firm has of its own is enough; of every other role it gets one.
    for (const role of fittingRoles) expect([role, await roles(role)]).toEqual([role, 1]);
    // A firm that was brought to the third version before there were unions gets them too, and nothing twice.
    await sequelize.query("delete from parts where part ->> 'role' like 'union%'");
    await unions.up(sequelize.getQueryInterface());
    for (const role of fittingRoles) expect([role, await roles(role)]).toEqual([role, 1]);
    await sequelize.close();
  }));

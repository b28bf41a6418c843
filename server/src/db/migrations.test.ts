import { randomBytes } from 'node:crypto';
import { expect, test } from '@jest/globals';
import { jobDocumentSchema, partSchema } from '@katharos/job';
import { fittingRoles } from '@katharos/core';
import { verifiedDocument } from '../test/testApp.ts';
import { migrate, openDatabase } from './database.ts';
import pg from 'pg';
import * as unions from './migrations/0004-unions.ts';
import * as foundation from './migrations/0001-foundation.ts';

test('documents and parts that were stored by earlier versions are read after all migrations, and fittings that a firm lacks are added', async () => {
  const admin = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await admin.connect();
  const name = `mig_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name}`);
  const url = new URL(process.env.DATABASE_URL!);
  url.pathname = `/${name}`;
  const sequelize = openDatabase(url.href);
  try {
    const query = sequelize.getQueryInterface();
    await foundation.up(query);
    await sequelize.query(
      'create table migrations (name varchar(255) primary key, "createdAt" timestamptz not null, "updatedAt" timestamptz not null)',
    );
    await sequelize.query("insert into migrations values ('0001-foundation', now(), now())");
    const firm = '11111111-1111-4111-8111-111111111111';
    await sequelize.query(`insert into firms values ('${firm}', 'Old', '{"units":"metric"}', 2)`);
    const { size: _size, survey, system, ...rest } = verifiedDocument();
    const { details: _details, site: _site, ...older } = survey;
    const { agreed: _agreed, ...chosen } = system!;
    const {
      permeatePump: _pump,
      branches: _branches,
      ...design
    } = chosen.design as unknown as Record<string, unknown>;
    const document = { ...rest, survey: older, system: { ...chosen, design } };
    await sequelize.query(
      `insert into jobs values ('${firm}', '${firm}', 1, 1, 'x', '', 'keep', true, :document, 'Odo', now())`,
      { replacements: { document: JSON.stringify(document) } },
    );
    const clip = { id: 'own', kind: 'fitting', name: 'Own tee', price: 3, role: 'feed-adapter' };
    await sequelize.query(`insert into parts values ('${firm}', 'own', 1, :part)`, {
      replacements: { part: JSON.stringify(clip) },
    });
    const part = { id: 'l', kind: 'lamp', name: 'L', price: 9, ratedFlowLPerH: 200, powerW: 9 };
    await sequelize.query(`insert into parts values ('${firm}', 'l', 0, :part)`, {
      replacements: { part: JSON.stringify(part) },
    });
    expect(await migrate(sequelize)).toEqual([
      '0002-photographs-and-document-2',
      '0003-van-and-document-3',
      '0004-unions',
    ]);
    const read = async (sql: string) => {
      const [rows] = await sequelize.query(sql);
      return (rows as { value: unknown }[])[0]!.value;
    };
    const stored = jobDocumentSchema.parse(await read('select document as value from jobs'));
    expect(stored.verify).toEqual(verifiedDocument().verify);
    expect(stored.system?.agreed).toBeNull();
    expect(stored.system?.design).toMatchObject({ branches: [] });
    expect(
      partSchema.parse(await read("select part as value from parts where part_id = 'l'")),
    ).toMatchObject({ ratedDoseMjCm2: 40 });
    const roles = async (role: string) =>
      Number(await read(`select count(*) as value from parts where part ->> 'role' = '${role}'`));
    // What the firm has of its own is enough; of every other role it gets one.
    for (const role of fittingRoles) expect([role, await roles(role)]).toEqual([role, 1]);
    // A firm that was brought to the third version before there were unions gets them too, and nothing twice.
    await sequelize.query("delete from parts where part ->> 'role' like 'union%'");
    await unions.up(query);
    for (const role of fittingRoles) expect([role, await roles(role)]).toEqual([role, 1]);
  } finally {
    await sequelize.close();
    await admin.query(`drop database ${name} with (force)`);
    await admin.end();
  }
});

import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { QueryTypes } from 'sequelize';
import { startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;

beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const asked = <T extends object>(sql: string) =>
  server.sequelize.query<T>(sql, { type: QueryTypes.SELECT });

/** What is found before it is known whose it is: whoever comes brings an address or a token, and nothing else. */
const doors = [
  'feeds (token_hash)',
  'household_pages (token)',
  'invitations (token_hash)',
  'sessions (token_hash)',
  'users (email)',
];
/** What is no firm's: the firms themselves, and the database's bookkeeping. */
const nobodys = ['firms', 'migrations', 'failed_tries', 'passkey_questions'];

test('every key and every unique index begins with the firm, but for the doors', async () => {
  const indexes = await asked<{ table: string; columns: string[] }>(
    `select c.relname as "table", array(
       select a.attname::text from unnest(i.indkey) with ordinality k (n, o)
         join pg_attribute a on a.attrelid = c.oid and a.attnum = k.n order by k.o) as columns
     from pg_index i join pg_class c on c.oid = i.indrelid
     where i.indisunique and c.relnamespace = 'public'::regnamespace`,
  );
  expect(indexes.length).toBeGreaterThan(30);
  const others = indexes
    .filter(({ table, columns }) => columns[0] !== 'firm_id' && !nobodys.includes(table))
    .map(({ table, columns }) => `${table} (${columns.join(', ')})`)
    .sort();
  expect(others).toEqual(doors);
});

test('every table has a key, and every reference goes to the same firm', async () => {
  const keyless = await asked<{ name: string }>(
    `select relname as name from pg_class c where relkind = 'r' and relnamespace = 'public'::regnamespace
       and not exists (select from pg_index where indrelid = c.oid and indisprimary)`,
  );
  expect(keyless.map(({ name }) => name).filter((name) => !nobodys.includes(name))).toEqual([]);
  const references = await asked<{ said: string }>(
    `select conrelid::regclass || ' ' || pg_get_constraintdef(oid) as said from pg_constraint
     where contype = 'f' and connamespace = 'public'::regnamespace`,
  );
  expect(references.length).toBeGreaterThan(30);
  const strays = references.filter(
    ({ said }) =>
      !/FOREIGN KEY \(firm_id(, \w+)?\) REFERENCES (firms\(id\)|\w+\(firm_id, )/.test(said),
  );
  expect(strays).toEqual([]);
});

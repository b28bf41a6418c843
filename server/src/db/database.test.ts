import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;

beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

test('one row of a firm is asked for as one, of whatever table, and not picked from all', async () => {
  const firmId = '00000000-0000-4000-8000-000000000000';
  const { sequelize } = server;
  const ofFirms = Object.values(sequelize.models).filter(
    (model) => 'firmId' in model.getAttributes(),
  );
  expect(ofFirms.length).toBeGreaterThan(15);
  for (const model of ofFirms) {
    const asked: string[] = [];
    await model.findOne({ where: { firmId }, logging: (statement) => asked.push(statement) });
    expect(asked).toEqual([expect.stringMatching(/ LIMIT 1;$/)]);
  }
});

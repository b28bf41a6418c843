import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { instrumentListSchema, type KeptInstrument } from '@katharos/contract';
import { usualAccuracy } from '@katharos/core';
import { QueryTypes } from 'sequelize';
import { errorOf, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
let stranger: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('beck');
  stranger = await server.signedIn('scar');
});
afterAll(() => server.close());

const id = '6b1f5d0a-2f5e-4a52-9d31-7f2a1c90e00a';
const pen = {
  kind: 'tds-pen',
  name: 'Pen',
  serial: '7',
  tdsPerConductivity: 0.5,
  accuracy: usualAccuracy['tds-pen'],
  since: '2026-01-01',
  everyMonths: 6,
  away: false,
};
const look = { on: '2026-05-01', against: 'lot 3', shown: 350, truth: 342, adjusted: false };

const listOf = async (whose: typeof agent): Promise<KeptInstrument[]> =>
  instrumentListSchema.parse((await whose.get('/api/instruments').expect(200)).body).instruments;

describe('a firm’s instruments', () => {
  test('are kept under their own id, sent twice or not, and seen by nobody else', async () => {
    await agent.put(`/api/instruments/${id}`).send(pen).expect(204);
    await agent
      .put(`/api/instruments/${id}`)
      .send({ ...pen, name: 'Blue pen' })
      .expect(204);
    expect(await listOf(agent)).toMatchObject([{ id, name: 'Blue pen', calibrations: [] }]);
    expect(await listOf(stranger)).toEqual([]);
  });

  test('are refused with the field that is wrong', async () => {
    const refused = async (change: object) =>
      errorOf(await agent.put(`/api/instruments/${id}`).send({ ...pen, ...change }));
    expect(await refused({ name: ' ' })).toMatchObject({ code: 'invalid-input', path: 'name' });
    expect(await refused({ kind: 'gauge' })).toMatchObject({ path: 'accuracy.fullScaleBar' });
  });

  test('are calibrated once for one deed; the log stays as it was written, also for the database', async () => {
    const note = (key: string, body: object = look) =>
      agent.post(`/api/instruments/${id}/calibrations`).set('Idempotency-Key', key).send(body);
    expect((await note('calibration-one')).status).toBe(201);
    expect((await note('calibration-one')).status).toBe(201);
    expect((await note('calibration-two', { ...look, on: '2026-06-01' })).status).toBe(201);
    const [{ calibrations }] = (await listOf(agent)) as [KeptInstrument];
    expect(calibrations).toMatchObject([
      { on: '2026-06-01', by: 'Owner of beck' },
      { on: '2026-05-01', shown: 350 },
    ]);
    expect(errorOf(await note('calibration-three', { ...look, against: '' }))).toMatchObject({
      path: 'against',
    });
    const foreign = await stranger.post(`/api/instruments/${id}/calibrations`).send(look);
    expect(errorOf(foreign).code).toBe('not-found');
    await expect(
      server.sequelize.query("update calibrations set by = 'somebody else'", {
        type: QueryTypes.UPDATE,
      }),
    ).rejects.toThrow('not changed');
  });
});

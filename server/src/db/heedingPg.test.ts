import { createServer } from 'node:net';
import { expect, test } from '@jest/globals';
import { Sequelize } from 'sequelize';
import { heedingPg } from './heedingPg.ts';

const message = (type: string, body: Buffer): Buffer => {
  const length = Buffer.alloc(4);
  length.writeInt32BE(body.length + 4);
  return Buffer.concat([Buffer.from(type), length, body]);
};

/** As PostgreSQL speaks where a connection is ended while it is made: ready, and gone, in one breath. */
const readyAndGone = Buffer.concat([
  message('R', Buffer.alloc(4)),
  message('Z', Buffer.from('I')),
  message('E', Buffer.from('SFATAL\0C57P01\0Mterminating connection\0\0')),
]);

test('a connection that is ended in the moment in which it is made is an error of what was asked, and ends nothing else', async () => {
  const server = createServer((socket) => {
    socket.on('error', () => undefined).once('data', () => socket.end(readyAndGone));
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  const sequelize = new Sequelize(`postgres://x:x@127.0.0.1:${port}/x`, {
    dialectModule: heedingPg,
    logging: false,
  });
  await expect(sequelize.query('select 1')).rejects.toThrow();
  await sequelize.close().catch(() => undefined);
  server.close();
});

import { randomInt } from 'node:crypto';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { readConfig } from './base/config.ts';
import { migrate, openDatabase } from './db/database.ts';
import { hasOwner } from './firm/firmRepository.ts';
import { seedDemo } from './seed/seedDemo.ts';

/** A start that fails says why in a line; a stack trace helps nobody who starts a server. */
function giveUp(error: unknown): never {
  process.stderr.write(
    `Katharos could not start. ${error instanceof Error ? error.message : String(error)}\n`,
  );
  process.exit(1);
}

async function prepare() {
  const config = readConfig(process.env);
  const logger = pino({ level: config.logLevel });
  const sequelize = openDatabase(config.databaseUrl);
  await migrate(sequelize);
  if (config.demo) await seedDemo(sequelize, new Date());
  return { config, logger, sequelize };
}

const { config, logger, sequelize } = await prepare().catch(giveUp);

/** Eight digits, new at every start and of no use once an owner exists. */
const setupCode = String(randomInt(10 ** 7, 10 ** 8));
const server = createApp({ config, sequelize, logger, setupCode }).listen(
  config.port,
  config.host,
  (error) => {
    if (error) {
      process.stderr.write(
        `The server could not listen on ${config.host}:${config.port}: ${error.message}\n`,
      );
      process.exit(1);
    }
    const address = server.address();
    const port = typeof address === 'object' && address ? address.port : config.port;
    process.stdout.write(`Katharos is ready at http://${config.host}:${port}\n`);
    void announceSetup();
  },
);

async function announceSetup(): Promise<void> {
  if (await hasOwner()) return;
  process.stdout.write(`No owner yet. Open the page and enter the setup code ${setupCode}.\n`);
}

function stop(): void {
  server.close(() => {
    void sequelize.close().then(() => process.exit(0));
  });
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), 2000).unref();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);

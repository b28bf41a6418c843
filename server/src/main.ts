import { randomInt } from 'node:crypto';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { readConfig } from './base/config.ts';
import { sweepHourly } from './sweep.ts';
import { openDatabase } from './db/database.ts';
import { migrate } from './db/migrate.ts';
import { hearChanges } from './events/changes.ts';
import { endAllLines } from './session/openLines.ts';
import { hasOwner } from './firm/firmRepository.ts';
import { openMailer } from './mail/mailer.ts';
import { postman } from './mail/postman.ts';
import { givesWay } from './papers/givesWay.ts';
import { paperMill } from './papers/paperMill.ts';
import { recordHandedOver } from './papers/recordHandedOver.ts';
import { seedDemo } from './seed/seedDemo.ts';
import { seedLarge } from './seed/seedLarge.ts';

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
  const ran = await migrate(config.databaseUrl);
  const sequelize = openDatabase(config.databaseUrl, (statement, ms) => {
    logger.warn({ statement, ms }, 'slow query');
  });
  logger.info({ migrations: ran, pid: process.pid }, 'started');
  const changes = hearChanges(config.databaseUrl, logger);
  // The worker's module stands beside this one in a build.
  const worker = new URL('./paperWorker.mjs', import.meta.url).href;
  const mill = paperMill(() => Promise.resolve(worker), givesWay);
  const post = postman(sequelize, openMailer(config.mail), config.mail.from, logger);
  if (config.demo) {
    await seedDemo(sequelize, new Date());
    await recordHandedOver(sequelize, mill, logger);
    if (config.demoIsLarge) await seedLarge(sequelize, mill, new Date());
  }
  return { config, logger, sequelize, changes, mill, post };
}

const { config, logger, sequelize, changes, mill, post } = await prepare().catch(giveUp);

/** Eight digits, new at every start and of no use once an owner exists. */
const setupCode = String(randomInt(10 ** 7, 10 ** 8));
const server = createApp({ config, sequelize, logger, setupCode, changes, mill, post }).listen(
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
    announceSetup().catch(() => logger.warn('whether there is an owner is not known yet'));
  },
);

async function announceSetup(): Promise<void> {
  if (await hasOwner()) return;
  process.stdout.write(`No owner yet. Open the page and enter the setup code ${setupCode}.\n`);
}

// Of an earlier version of the program there may be thousands: nobody waits for them.
void recordHandedOver(sequelize, mill, logger).then(
  (recorded) => {
    if (recorded > 0) logger.info({ recorded }, 'papers recorded');
  },
  (error: unknown) => logger.error(error, 'papers not recorded'),
);

const sweeping = sweepHourly(logger);

/** Requests that are under way come to their end; new ones are not taken. */
function stop(): void {
  logger.info('stopping');
  sweeping.stop();
  endAllLines();
  server.close(() => {
    void post
      .stop()
      .then(() => Promise.all([sequelize.close(), changes.close(), mill.close()]))
      .then(() => process.exit(0));
  });
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), 5000).unref();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);

import pg from 'pg';

/**
 * A connection that is ended in the very moment in which it is made says so before anybody listens, and an error that nobody listens to
 * ends the process. Whoever asks something of the connection afterwards is told by that.
 */
class HeedingClient extends pg.Client {
  constructor(...given: ConstructorParameters<typeof pg.Client>) {
    super(...given);
    this.on('error', () => undefined);
  }
}

/** PostgreSQL's driver for Sequelize, with such connections. */
export const heedingPg: object = Object.create(pg, { Client: { value: HeedingClient } }) as object;

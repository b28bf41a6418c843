import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import { withoutContent } from '../http/errors.ts';
import { sendWaiting } from './letterRepository.ts';
import type { Mailer, OutgoingLetter } from './mailer.ts';

/** Takes what waits to the mail. */
export interface Postman {
  /** Goes now, or once more after the round that is under way. */
  soon: () => void;
  /** Hands over one that is of no job and kept nowhere; whoever waits for it asks again where it does not come. */
  deliver: (letter: Omit<OutgoingLetter, 'from'>) => void;
  /** Letters of a household that asks to be forgotten. */
  forget: (ids: readonly string[]) => Promise<void>;
  /** After the round that is under way. */
  stop: () => Promise<void>;
}

const everyMs = 60_000;

/** Goes when told, and once a minute for what the mail did not take. @param from the address that letters come from */
export function postman(
  sequelize: Sequelize,
  mailer: Mailer,
  from: string,
  logger: Logger,
): Postman {
  let round: Promise<void> | undefined;
  let again = false;
  const go = async (): Promise<void> => {
    do {
      again = false;
      await sendWaiting(sequelize, mailer, from, () => new Date()).catch((error: unknown) => {
        logger.warn({ err: withoutContent(error) }, 'letters wait');
      });
    } while (again);
    round = undefined;
  };
  const soon = (): void => {
    if (round) again = true;
    else round = go();
  };
  const timer = setInterval(soon, everyMs);
  timer.unref();
  const deliver = (letter: Omit<OutgoingLetter, 'from'>): void => {
    mailer
      .send({ ...letter, from: { name: 'Katharos', address: from } })
      .catch((error: unknown) =>
        logger.warn({ err: withoutContent(error) }, 'a letter was not taken'),
      );
  };
  return {
    soon,
    deliver,
    forget: async (ids) => {
      // What is on its way this moment would be laid a moment later.
      await round;
      await mailer.forget(ids);
    },
    stop: async () => {
      clearInterval(timer);
      await round;
      mailer.close();
    },
  };
}

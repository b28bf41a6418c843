import { createHash } from 'node:crypto';
import type { RequestHandler } from 'express';
import { Op, QueryTypes, type Sequelize } from 'sequelize';
import { FailedTryRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';

/** Failures that count, ms. */
const windowMs = 15 * 60_000;
/** An address may fail so many times more often than an account: a whole firm sits behind one. */
const perAddress = 10;

export interface TryLimits {
  /** Failures of one account in the window, from wherever they come. */
  perAccount: number;
}

/** Who tries is kept as a hash: a table of failures tells nobody who has an account. */
const subjectOf = (kind: string, who: string): string =>
  `${kind}:${createHash('sha256').update(who.trim().toLowerCase()).digest('base64url')}`;

interface Trier {
  email: string;
  address: string;
}

async function failuresOf(
  sequelize: Sequelize,
  subjects: readonly string[],
  now: Date,
): Promise<Map<string, number>> {
  const rows = await sequelize.query<{ subject: string; count: string }>(
    `select subject, count(*) from failed_tries
     where subject in (:subjects) and failed_at > :since group by subject`,
    {
      replacements: { subjects, since: new Date(now.getTime() - windowMs) },
      type: QueryTypes.SELECT,
    },
  );
  return new Map(rows.map(({ subject, count }) => [subject, Number(count)]));
}

/** Doors that are not signing in, each with tries of its own. */
type Door = 'setup' | 'join' | 'reset' | 'ask-reset' | 'passkey';

/** Limits what one address asks at a door in a quarter of an hour, whether what failed or all of it. All processes count together. */
export const limitTries =
  (
    sequelize: Sequelize,
    door: Door,
    most: number,
    counted: 'failed' | 'all' = 'failed',
  ): RequestHandler =>
  async (request, response, next) => {
    const subject = subjectOf(door, request.ip ?? '');
    const now = new Date();
    const count = (await failuresOf(sequelize, [subject], now)).get(subject) ?? 0;
    if (count >= most) throw new ApiError('too-many-tries');
    const note = () => FailedTryRow.create({ subject, failedAt: now });
    if (counted === 'all') await note();
    else
      response.once('finish', () => {
        // The answer is out; a failure that the database did not take is not counted.
        if (response.statusCode >= 400) void note().catch(() => undefined);
      });
    next();
  };

/** Refuses one try too many, of an account or from an address; all processes count together. */
export async function refuseTooMany(
  sequelize: Sequelize,
  { email, address }: Trier,
  { perAccount }: TryLimits,
  now: Date,
): Promise<void> {
  const [account, place] = [subjectOf('account', email), subjectOf('address', address)];
  const failures = await failuresOf(sequelize, [account, place], now);
  const failed = (subject: string) => failures.get(subject) ?? 0;
  if (failed(account) >= perAccount || failed(place) >= perAddress * perAccount)
    throw new ApiError('too-many-tries');
}

export async function noteFailure({ email, address }: Trier, now: Date): Promise<void> {
  await FailedTryRow.bulkCreate([
    { subject: subjectOf('account', email), failedAt: now },
    { subject: subjectOf('address', address), failedAt: now },
  ]);
}

/** Who got in begins anew; failures of the address stay. */
export async function forgetFailures(email: string): Promise<void> {
  await FailedTryRow.destroy({ where: { subject: subjectOf('account', email) } });
}

export async function dropOldTries(now: Date): Promise<void> {
  await FailedTryRow.destroy({
    where: { failedAt: { [Op.lt]: new Date(now.getTime() - windowMs) } },
  });
}

import { createHash } from 'node:crypto';
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
const subjectOf = (kind: 'account' | 'address', who: string): string =>
  `${kind}:${createHash('sha256').update(who.trim().toLowerCase()).digest('base64url')}`;

interface Trier {
  email: string;
  address: string;
}

/** Refuses one try too many, of an account or from an address; all processes count together. */
export async function refuseTooMany(
  sequelize: Sequelize,
  { email, address }: Trier,
  { perAccount }: TryLimits,
  now: Date,
): Promise<void> {
  const [account, place] = [subjectOf('account', email), subjectOf('address', address)];
  const rows = await sequelize.query<{ subject: string; count: string }>(
    `select subject, count(*) from failed_tries
     where subject in (:account, :place) and failed_at > :since group by subject`,
    {
      replacements: { account, place, since: new Date(now.getTime() - windowMs) },
      type: QueryTypes.SELECT,
    },
  );
  const failed = (subject: string) =>
    Number(rows.find((row) => row.subject === subject)?.count ?? 0);
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

import { createHash, randomBytes } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import type { Transaction } from 'sequelize';
import { UserRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';

type SecondFactor = NonNullable<UserRow['secondFactor']>;

const seconds = 30;
/** Steps that a telephone's clock may be off. */
const window = 1;
const recoveryWords = 8;

const totpOf = (secret: string, email: string): TOTP =>
  new TOTP({
    issuer: 'Katharos',
    label: email,
    secret: Secret.fromBase32(secret),
    period: seconds,
  });

const plainWord = (word: string): string => word.toLowerCase().replace(/[^a-z0-9]/g, '');
const hashWord = (word: string): string =>
  createHash('sha256').update(plainWord(word)).digest('base64url');

/** Begins one: nothing is asked for until a first code has shown that the telephone has it. */
export async function beginFactor(
  firmId: string,
  userId: string,
  transaction: Transaction,
): Promise<{ secret: string; address: string }> {
  const user = await lockUser(firmId, userId, transaction);
  if (user.secondFactor && !user.secondFactor.pending) throw new ApiError('second-factor-there');
  const secret = new Secret({ size: 20 }).base32;
  await user.update(
    { secondFactor: { secret, pending: true, step: 0, recovery: [] } },
    { transaction },
  );
  return { secret, address: totpOf(secret, user.email).toString() };
}

/** Takes the first code; returns the words that stand in for the telephone, told this once. */
export async function proveFactor(
  firmId: string,
  userId: string,
  code: string,
  now: Date,
  transaction: Transaction,
): Promise<string[]> {
  const user = await lockUser(firmId, userId, transaction);
  const factor = user.secondFactor;
  if (!factor?.pending) throw new ApiError('not-found');
  const step = stepOf(factor, user.email, code, now);
  if (step === undefined) throw new ApiError('wrong-code', { path: 'code' });
  const words = Array.from({ length: recoveryWords }, () =>
    randomBytes(6)
      .toString('hex')
      .replace(/(.{4})(?!$)/g, '$1-'),
  );
  await user.update(
    { secondFactor: { ...factor, pending: false, step, recovery: words.map(hashWord) } },
    { transaction },
  );
  return words;
}

/** Whether a code is good now: one that was taken before is not. A word is used up by it. */
export async function passesFactor(
  firmId: string,
  userId: string,
  code: string,
  now: Date,
  transaction: Transaction,
): Promise<boolean> {
  const user = await lockUser(firmId, userId, transaction);
  const factor = user.secondFactor;
  if (!factor || factor.pending) return true;
  const step = stepOf(factor, user.email, code, now);
  if (step !== undefined) {
    await user.update({ secondFactor: { ...factor, step } }, { transaction });
    return true;
  }
  const hash = hashWord(code);
  if (!factor.recovery.includes(hash)) return false;
  const recovery = factor.recovery.filter((one) => one !== hash);
  await user.update({ secondFactor: { ...factor, recovery } }, { transaction });
  return true;
}

function stepOf(
  { secret, step }: SecondFactor,
  email: string,
  code: string,
  now: Date,
): number | undefined {
  const token = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return undefined;
  const off = totpOf(secret, email).validate({ token, timestamp: now.getTime(), window });
  if (off === null) return undefined;
  const at = Math.floor(now.getTime() / 1000 / seconds) + off;
  return at > step ? at : undefined;
}

/** Two tries at once wait for each other: a code is taken by one of them. */
async function lockUser(firmId: string, id: string, transaction: Transaction): Promise<UserRow> {
  const user = await UserRow.findOne({
    where: { firmId, id, removedAt: null },
    lock: transaction.LOCK.UPDATE,
    transaction,
  });
  if (!user) throw new ApiError('not-found');
  return user;
}

export const endFactor = async (
  firmId: string,
  userId: string,
  transaction: Transaction,
): Promise<string> => {
  const user = await lockUser(firmId, userId, transaction);
  await user.update({ secondFactor: null }, { transaction });
  return user.name;
};

/** Whether somebody has one, and how many words are left. */
export async function factorOf(firmId: string, userId: string) {
  const user = await UserRow.findOne({ where: { firmId, id: userId } });
  const factor = user?.secondFactor;
  return { on: !!factor && !factor.pending, words: factor?.recovery.length ?? 0 };
}

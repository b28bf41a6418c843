import { isIP } from 'node:net';
import type { newPasskeySchema, UsedPasskey } from '@katharos/contract';
import type { Request } from 'express';
import { Op, type Transaction } from 'sequelize';
import type { z } from 'zod';
import { PasskeyQuestionRow, PasskeyRow, UserRow } from '../db/models.ts';
import { ApiError } from '../http/apiError.ts';

/** What judges signatures takes longest of all that a server loads: it is there when the first passkey is asked for. */
const signatures = () => import('@simplewebauthn/server');

/** What a browser may be asked to sign for. Whose it is belongs to it, where that is known. */
export type Purpose = 'sign-in' | `make:${string}` | `prove:${string}`;

interface Whose {
  firmId: string;
  userId: string;
}

/** So long an answer is waited for, ms: somebody may have to look for the key. */
const patienceMs = 5 * 60_000;
const mostPerPerson = 12;

/** The address that a browser is at; what is signed there says so, and is good nowhere else. */
export interface Place {
  origin: string;
  /** Its name, by which devices keep passkeys. */
  host: string;
}

/** @throws {ApiError} `passkeys-need-a-name` where the address is a number */
export function placeOf(request: Request): Place {
  const { origin, hostname } = new URL(`${request.protocol}://${request.get('host')}`);
  if (isIP(hostname.replace(/^\[|\]$/g, ''))) throw new ApiError('passkeys-need-a-name');
  return { origin, host: hostname };
}

/** A person as devices know them: two numbers that say nothing of anybody, and under which firm to look. */
const handleOf = ({ firmId, userId }: Whose): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(Buffer.from((firmId + userId).replaceAll('-', ''), 'hex'));

function whoseHandle(handle: string | undefined): Whose | undefined {
  const hex = Buffer.from(handle ?? '', 'base64url').toString('hex');
  if (hex.length !== 64) return undefined;
  const uuid = (at: number) =>
    hex.slice(at, at + 32).replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
  return { firmId: uuid(0), userId: uuid(32) };
}

/** Keeps a question until it is answered, once. */
async function asked<T extends { challenge: string }>(
  options: T,
  purpose: Purpose,
  now: Date,
): Promise<T> {
  const expiresAt = new Date(now.getTime() + patienceMs);
  await PasskeyQuestionRow.create({ challenge: options.challenge, purpose, expiresAt });
  return options;
}

/** Takes a question away; whether it was asked for this, and is still waited for. */
const taken =
  (purpose: Purpose, now: Date) =>
  async (challenge: string): Promise<boolean> =>
    (await PasskeyQuestionRow.destroy({
      where: { challenge, purpose, expiresAt: { [Op.gt]: now } },
    })) === 1;

export async function dropOldQuestions(now: Date): Promise<void> {
  await PasskeyQuestionRow.destroy({ where: { expiresAt: { [Op.lt]: now } } });
}

const keysOf = ({ firmId, userId }: Whose): Promise<PasskeyRow[]> =>
  PasskeyRow.findAll({ where: { firmId, userId }, order: [['madeAt', 'ASC']] });

/** A person's passkeys, the first made first. */
export const passkeysOf = async (whose: Whose) =>
  (await keysOf(whose)).map(({ id, name, madeAt, usedAt }) => ({
    id,
    name,
    madeAt: madeAt.toISOString(),
    usedAt: usedAt?.toISOString() ?? null,
  }));

/** Asks a browser to make a passkey that lets its person in by itself: found without a name, and given only to who unlocks the device. */
export async function askToMake(
  whose: Whose & { name: string; email: string },
  { host }: Place,
  now: Date,
) {
  const held = await keysOf(whose);
  if (held.length >= mostPerPerson) throw new ApiError('too-many-passkeys');
  const { generateRegistrationOptions } = await signatures();
  const options = await generateRegistrationOptions({
    rpName: 'Katharos',
    rpID: host,
    userID: handleOf(whose),
    userName: whose.email,
    userDisplayName: whose.name,
    attestationType: 'none',
    timeout: patienceMs,
    excludeCredentials: held
      .filter((key) => key.host === host)
      .map(({ credentialId }) => ({ id: credentialId })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  return asked(options, `make:${whose.userId}`, now);
}

/** Keeps the public half of what a browser made. */
export async function keepPasskey(
  whose: Whose,
  { name, made }: z.output<typeof newPasskeySchema>,
  { origin, host }: Place,
  now: Date,
  transaction: Transaction,
): Promise<void> {
  const { verifyRegistrationResponse } = await signatures();
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    response: made,
    expectedChallenge: taken(`make:${whose.userId}`, now),
    expectedOrigin: origin,
    expectedRPID: host,
    requireUserVerification: true,
  }).catch(refuse);
  if (!verified) throw new ApiError('passkey-refused');
  const { id: credentialId, publicKey, counter } = registrationInfo.credential;
  if (await PasskeyRow.count({ where: { ...whose, credentialId }, transaction }))
    throw new ApiError('passkey-there');
  await PasskeyRow.create(
    {
      ...whose,
      credentialId,
      publicKey: Buffer.from(publicKey),
      counter: String(counter),
      transports: made.response.transports ?? [],
      host,
      name,
      madeAt: now,
    },
    { transaction },
  );
}

/** Removes one of a person's passkeys. */
export async function removePasskey(
  whose: Whose,
  id: string,
  transaction: Transaction,
): Promise<void> {
  const removed = await PasskeyRow.destroy({ where: { ...whose, id }, transaction });
  if (removed === 0) throw new ApiError('not-found');
}

/** Asks a browser to sign: with any passkey that it has for this address, or with one of a person's. */
export async function askToSign(
  purpose: Purpose,
  { host }: Place,
  now: Date,
  whose: Whose | null = null,
) {
  const own = whose ? await keysOf(whose) : [];
  const { generateAuthenticationOptions } = await signatures();
  const options = await generateAuthenticationOptions({
    rpID: host,
    timeout: patienceMs,
    userVerification: 'required',
    allowCredentials: own
      .filter((key) => key.host === host)
      .map(({ credentialId, transports }) => ({
        id: credentialId,
        transports: transports as never,
      })),
  });
  return asked(options, purpose, now);
}

/**
 * Whose passkey signed what was asked, and holds; its use is noted.
 * @throws {ApiError} `passkey-refused` where it does not, whatever the reason
 */
export async function whoSigned(
  used: UsedPasskey,
  purpose: Purpose,
  { origin, host }: Place,
  now: Date,
): Promise<Whose> {
  const whose = whoseHandle(used.response.userHandle);
  const key =
    whose && (await PasskeyRow.findOne({ where: { ...whose, credentialId: used.id, host } }));
  const user =
    key &&
    (await UserRow.findOne({ where: { firmId: key.firmId, id: key.userId, removedAt: null } }));
  if (!key || !user) throw new ApiError('passkey-refused');
  const { verifyAuthenticationResponse } = await signatures();
  const { verified, authenticationInfo } = await verifyAuthenticationResponse({
    response: used,
    expectedChallenge: taken(purpose, now),
    expectedOrigin: origin,
    expectedRPID: host,
    requireUserVerification: true,
    credential: {
      id: key.credentialId,
      publicKey: Uint8Array.from(key.publicKey),
      counter: Number(key.counter),
    },
  }).catch(refuse);
  if (!verified) throw new ApiError('passkey-refused');
  await key.update({ counter: String(authenticationInfo.newCounter), usedAt: now });
  return { firmId: key.firmId, userId: key.userId };
}

/** What was wrong with an answer is nobody's to know; that it was is. */
function refuse(): never {
  throw new ApiError('passkey-refused');
}

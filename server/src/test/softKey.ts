import { createHash, generateKeyPairSync, randomBytes, sign } from 'node:crypto';
import { isoCBOR } from '@simplewebauthn/server/helpers';

/** A device that holds passkeys, as WebAuthn level 3 describes one (6.1, 6.5): it signs with ES256 and counts. */
export class SoftKey {
  readonly id = randomBytes(32);
  count = 0;
  /** What it says happened when it was used: somebody was there, and unlocked it. */
  flags = 0x05;
  private readonly pair = generateKeyPairSync('ec', { namedCurve: 'P-256' });
  private handle = '';

  /** The address that the browser is at. */
  origin: string;

  constructor(origin: string) {
    this.origin = origin;
  }

  private get host(): string {
    return new URL(this.origin).hostname;
  }

  private client(type: 'webauthn.create' | 'webauthn.get', challenge: string): Buffer {
    return Buffer.from(JSON.stringify({ type, challenge, origin: this.origin }));
  }

  private data(flags: number, attested = Buffer.alloc(0)): Buffer {
    const counted = Buffer.alloc(4);
    counted.writeUInt32BE(this.count);
    const host = createHash('sha256').update(this.host).digest();
    return Buffer.concat([host, Buffer.from([flags]), counted, attested]);
  }

  private get credential() {
    const id = this.id.toString('base64url');
    return { id, rawId: id, type: 'public-key' as const, clientExtensionResults: {} };
  }

  make(question: { challenge: string; user: { id: string } }) {
    this.handle = question.user.id;
    const { x, y } = this.pair.publicKey.export({ format: 'jwk' });
    const bytes = (text: string) => Uint8Array.from(Buffer.from(text, 'base64url'));
    // COSE (RFC 9053): a key of two coordinates on P-256, for ES256.
    const key = isoCBOR.encode(
      new Map<number, number | Uint8Array>([
        [1, 2],
        [3, -7],
        [-1, 1],
        [-2, bytes(x!)],
        [-3, bytes(y!)],
      ]),
    );
    const idLength = Buffer.alloc(2);
    idLength.writeUInt16BE(this.id.length);
    const attested = Buffer.concat([Buffer.alloc(16), idLength, this.id, key]);
    const object = isoCBOR.encode(
      new Map<string, unknown>([
        ['fmt', 'none'],
        ['attStmt', new Map()],
        ['authData', Uint8Array.from(this.data(this.flags | 0x40, attested))],
      ]) as never,
    );
    return {
      ...this.credential,
      response: {
        clientDataJSON: this.client('webauthn.create', question.challenge).toString('base64url'),
        attestationObject: Buffer.from(object).toString('base64url'),
        transports: ['internal'],
      },
    };
  }

  use({ challenge }: { challenge: string }) {
    this.count += 1;
    const client = this.client('webauthn.get', challenge);
    const data = this.data(this.flags);
    const signed = Buffer.concat([data, createHash('sha256').update(client).digest()]);
    return {
      ...this.credential,
      response: {
        clientDataJSON: client.toString('base64url'),
        authenticatorData: data.toString('base64url'),
        signature: sign('sha256', signed, this.pair.privateKey).toString('base64url'),
        userHandle: this.handle,
      },
    };
  }
}

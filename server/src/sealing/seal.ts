import type { CertificateLink, ChainReport } from '@katharos/contract';
import { hashOf } from './hash.ts';

/** What a seal closes over: a certificate's place, what its record says of it, the hash of its content, and the seal before it. */
export type Sealed = Omit<CertificateLink, 'seal'>;

/** SHA-256 of a link, base64url. Whoever changes a word of a certificate changes its seal, and with it every one after it. */
export const sealOf = ({
  link,
  job,
  version,
  hash,
  issuedAt,
  issuedBy,
  reason,
  gaps,
  before,
}: Sealed): string =>
  hashOf({ link, job, version, hash, issuedAt, issuedBy, reason, gaps, before });

/** Before a firm's first certificate. */
export const noSeal = '';

/** A link with the certificate's content; null where that is not kept any more. */
export type FullLink = CertificateLink & { content: Record<string, unknown> | null };

/** Follows a firm's chain from its first certificate, and says where it does not hold. */
export async function checkChain(links: AsyncIterable<FullLink>): Promise<ChainReport> {
  const faults: ChainReport['faults'] = [];
  let count = 0;
  let last = null as ChainReport['last'];
  for await (const one of links) {
    const { link, job, version, seal } = one;
    const say = (fault: ChainReport['faults'][number]['fault']) =>
      faults.push({ link, job, version, fault });
    if (link !== (last?.link ?? 0) + 1) say('missing-before');
    else if (one.before !== (last?.seal ?? noSeal)) say('not-joined');
    if (sealOf(one) !== seal) say('seal');
    if (one.content === null) say('content-missing');
    else if (hashOf(one.content) !== one.hash) say('content');
    count += 1;
    last = { link, seal };
  }
  return { count, last, faults };
}

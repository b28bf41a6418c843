import type { CertificateLink, ChainReport } from '@katharos/contract';
import { followChain } from './chain.ts';
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

/** A link with the certificate's content; null where that is not kept any more. */
export type FullLink = CertificateLink & { content: Record<string, unknown> | null };

/** Follows a firm's chain from its first certificate, and says where it does not hold. */
export async function checkChain(links: AsyncIterable<FullLink>): Promise<ChainReport> {
  const faults: ChainReport['faults'] = [];
  const { count, last } = await followChain(
    links,
    (one) => ({ place: one.link, before: one.before, seal: one.seal, sealNow: sealOf(one) }),
    ({ link, job, version, hash, content }, found) => {
      const say = (fault: ChainReport['faults'][number]['fault']) =>
        faults.push({ link, job, version, fault });
      found.forEach(say);
      if (content === null) say('content-missing');
      else if (hashOf(content) !== hash) say('content');
    },
  );
  return { count, last: last && { link: last.place, seal: last.seal }, faults };
}

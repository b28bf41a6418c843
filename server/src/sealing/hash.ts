import { createHash } from 'node:crypto';

/** The same for the same content, in whatever order a database keeps its keys: JSON with sorted keys and no spaces. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const entries = Object.entries(value)
    .filter(([, inner]) => inner !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, inner]) => `${JSON.stringify(key)}:${canonical(inner)}`).join(',')}}`;
}

/** SHA-256 of the canonical JSON, base64url. */
export const hashOf = (content: object): string =>
  createHash('sha256').update(canonical(content)).digest('base64url');

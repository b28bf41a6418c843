/** This browser's own memory under the product's prefix. Storage may be full or forbidden; then nothing is kept and nothing breaks. */
const prefix = 'katharos:';

export function readLocal(key: string): unknown {
  try {
    const text = localStorage.getItem(prefix + key);
    return text === null ? undefined : (JSON.parse(text) as unknown);
  } catch {
    return undefined;
  }
}

export function writeLocal(key: string, value: unknown): void {
  try {
    localStorage.setItem(prefix + key, JSON.stringify(value));
  } catch {
    // Full or forbidden: the server's copy is the one that counts.
  }
}

/** Forgets every half-typed text. */
export function forgetTyped(): void {
  try {
    for (const key of Object.keys(localStorage)) {
      if (key.startsWith(`${prefix}typed:`)) localStorage.removeItem(key);
    }
  } catch {
    // As above.
  }
}

export function forgetLocal(key: string): void {
  try {
    localStorage.removeItem(prefix + key);
  } catch {
    // As above.
  }
}

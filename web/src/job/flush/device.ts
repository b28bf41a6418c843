import { v4 as newId } from 'uuid';

const keptAs = 'katharos:device';
let own: string | undefined;

/** This browser's own name, by which one of several devices leads. */
export function deviceId(): string {
  if (own) return own;
  try {
    own = localStorage.getItem(keptAs) ?? newId();
    localStorage.setItem(keptAs, own);
  } catch {
    own = newId();
  }
  return own;
}

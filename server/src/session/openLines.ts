import type { Response } from 'express';

/** Answers that stay open, with whose each is: a session that ends must not be heard on. */
const open = new Map<Response, string>();

/** Notes an answer that stays open until it is closed. */
export function keepOpen(response: Response, userId: string): void {
  open.set(response, userId);
  response.on('close', () => open.delete(response));
}

/** Ends all lines of a person: they are let go, or signed out. */
export function endLinesOf(userId: string): void {
  for (const [response, whose] of open) if (whose === userId) response.end();
}

/** Ends all lines: the server is going. */
export function endAllLines(): void {
  for (const response of open.keys()) response.end();
}

import express, { type RequestHandler } from 'express';

/** The most that a request may carry, as it is after unpacking. A full job document is under 100 kB. */
const limits = { small: '10kb', document: '1mb', jobFile: '130mb' } as const;

/** Reads a JSON body of at most this size. It stands behind the session: who is not signed in costs no reading. */
export const jsonBody = (size: keyof typeof limits): RequestHandler =>
  express.json({ limit: limits[size], strict: true });

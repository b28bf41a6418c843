import { join } from 'node:path';
import { afterAll } from '@jest/globals';
import { Piscina } from 'piscina';

const reader = new Piscina({
  filename: join(import.meta.dirname, 'pdfReader.mjs'),
  maxThreads: 1,
  idleTimeout: 60_000,
});
afterAll(() => reader.destroy());

/** The lines of a PDF, page by page, as a person reads them. */
export const pdfLines = (pdf: Buffer) => reader.run(pdf, { name: 'lines' }) as Promise<string[][]>;

/** All text of a PDF, page after page. */
export const pdfText = (pdf: Buffer) => reader.run(pdf, { name: 'text' }) as Promise<string>;

/** A part of a document as a screen reader finds it. */
export interface PdfPart {
  role: string;
  /** Words for a picture. */
  alt: string;
  text: string;
}

interface PdfStructure {
  isMarked: boolean;
  language: string | undefined;
  title: string;
  parts: PdfPart[];
}

/** What a PDF says of itself to a screen reader, and its parts in the order in which they are read out. */
export const pdfStructure = (pdf: Buffer) =>
  reader.run(pdf, { name: 'structure' }) as Promise<PdfStructure>;

import { expect, test } from '@jest/globals';
import type { PaperKind } from '@katharos/contract';
import { starterCatalogue, usualFirmSettings } from '@katharos/job';
import { demoJobs } from '../seed/demoJobs.ts';
import { pdfLines, pdfStructure } from '../test/pdfText.ts';
import { content, pdf } from './paperWorker.ts';

const now = new Date('2026-03-01T09:00:00Z');
const jobOf = (name: string) => {
  const { document } = demoJobs(now).find((job) => job.document.customer.name.startsWith(name))!;
  return { id: 'x', number: 4, version: 1, updatedAt: now.toISOString(), updatedBy: '', document };
};

async function paperOf(kind: PaperKind, name: string, paper: 'A4' | 'LETTER'): Promise<Buffer> {
  const settings = { ...usualFirmSettings, paper };
  const source = {
    job: jobOf(name),
    firm: { id: 'x', name: 'Firm', settings },
    catalogue: starterCatalogue,
    van: { stock: [], takings: [] },
    clock: { timeZone: 'UTC', now: now.getTime() },
  };
  const set = await pdf({
    kind,
    content: content({ kind, source })!,
    address: 'http://127.0.0.1/jobs/x',
    record: null,
  });
  return Buffer.from(set);
}

// These two ran over by a line or two on Letter, which is shorter.
test.each([
  ['proposal', 'LETTER'],
  ['sheet', 'LETTER'],
  ['sheet', 'A4'],
] as const)('a %s on %s leaves no lines over for a page of their own', async (kind, paper) => {
  const pages = await pdfLines(await paperOf(kind, 'Per', paper));
  // The foot of a page is one of its lines.
  const lines = pages.map((page) => page.length);
  expect(lines.length).toBeGreaterThan(1);
  expect(Math.min(...lines)).toBeGreaterThanOrEqual(5);
});

test.each(['proposal', 'sheet', 'certificate'] as const)(
  'a %s is read out as headings, paragraphs and pictures with words; nothing else is, and nothing is left out',
  async (kind) => {
    const pdf = await paperOf(kind, kind === 'certificate' ? 'Dunstan' : 'Per', 'A4');
    const { isMarked, language, title, parts } = await pdfStructure(pdf);
    expect({ isMarked, language }).toEqual({ isMarked: true, language: 'en-GB' });
    expect(title).not.toBe('');
    expect(parts.filter(({ role }) => role === 'H1')).toHaveLength(1);
    expect(parts.filter(({ role }) => role === 'H2').length).toBeGreaterThan(1);
    expect(new Set(parts.map(({ role }) => role))).toEqual(
      new Set(['H1', 'H2', 'P', ...(kind === 'sheet' ? ['Figure'] : [])]),
    );
    for (const { role, alt, text } of parts) {
      expect((role === 'Figure' ? alt : text).trim()).not.toBe('');
    }
    // All but the foot of each page.
    const shown = (await pdfLines(pdf)).flatMap((lines) => lines).join('');
    const letters = (words: string) => words.replace(/\s/g, '').length;
    const read = letters(parts.map(({ text }) => text).join(''));
    expect(read / letters(shown)).toBeGreaterThan(0.85);
  },
);

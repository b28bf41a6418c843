import { inflateSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { briefOf, type JobDocument, plumbingOf, starterCatalogue } from '@katharos/job';
import { type Job, jobSchema } from '@katharos/contract';
import { partsOf, type UltravioletLine } from '@katharos/core';
import { demoJobs } from '../seed/demoJobs.ts';
import { pdfLines } from '../test/pdfText.ts';
import { startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('beck');
});
afterAll(() => server.close());

async function filed(document: JobDocument): Promise<Job> {
  const created = jobSchema.parse((await agent.post('/api/jobs').send({ name: 'Sheet' })).body);
  await agent
    .put(`/api/jobs/${created.id}`)
    .send({ version: created.version, document })
    .expect(200);
  return created;
}

/** Strokes of a page in points: straight lines by their length, and everything curved by the width of its box. */
interface Strokes {
  lines: number[];
  curves: number[];
}

type Matrix = [number, number, number, number, number, number];
const times = (m: Matrix, n: Matrix): Matrix => [
  m[0] * n[0] + m[1] * n[2],
  m[0] * n[1] + m[1] * n[3],
  m[2] * n[0] + m[3] * n[2],
  m[2] * n[1] + m[3] * n[3],
  m[4] * n[0] + m[5] * n[2] + n[4],
  m[4] * n[1] + m[5] * n[3] + n[5],
];

/** Walks the drawing operators of a PDF's uncompressed contents, as far as paths and their scale go. */
function strokesOf(content: string): Strokes {
  const found: Strokes = { lines: [], curves: [] };
  const stack: Matrix[] = [];
  let matrix: Matrix = [1, 0, 0, 1, 0, 0];
  let operands: number[] = [];
  let at: [number, number] = [0, 0];
  let curved: number[] = [];
  const point = (x: number, y: number): [number, number] => [
    matrix[0] * x + matrix[2] * y + matrix[4],
    matrix[1] * x + matrix[3] * y + matrix[5],
  ];
  for (const token of content.split(/\s+/)) {
    if (/^[+-]?[\d.]+$/.test(token)) {
      operands.push(Number(token));
      continue;
    }
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = operands;
    switch (token) {
      case 'q':
        stack.push(matrix);
        break;
      case 'Q':
        matrix = stack.pop() ?? matrix;
        break;
      case 'cm':
        matrix = times([a, b, c, d, e, f], matrix);
        break;
      case 'm':
        at = point(a, b);
        curved = [at[0]];
        break;
      case 'l': {
        const next = point(a, b);
        found.lines.push(Math.hypot(next[0] - at[0], next[1] - at[1]));
        at = next;
        break;
      }
      case 'c':
        at = point(e, f);
        curved.push(at[0]);
        break;
      case 'S':
      case 's':
      case 'h':
        if (curved.length > 2) found.curves.push(Math.max(...curved) - Math.min(...curved));
        curved = [];
        break;
    }
    operands = [];
  }
  return found;
}

/** Every compressed stream of a PDF that reads as drawing operators. */
function contentsOf(pdf: Buffer): string[] {
  const contents: string[] = [];
  for (let from = 0; ;) {
    const start = pdf.indexOf('stream\n', from);
    if (start < 0) return contents;
    const end = pdf.indexOf('\nendstream', start);
    from = end + 10;
    try {
      contents.push(inflateSync(pdf.subarray(start + 7, end)).toString('latin1'));
    } catch {
      // A font or a picture that is packed in another way.
    }
  }
}

const mm = (points: number): number => (points * 25.4) / 72;

describe('the job sheet as a PDF', () => {
  test('draws the holes at one to one, with a ruler of a hundred millimetres', async () => {
    const document = verifiedDocument();
    document.survey.site = { ...document.survey.site, counter: 'steel', drilling: 'yes' };
    const job = await filed(document);
    const answer = await agent.get(`/api/jobs/${job.id}/sheet.pdf`).expect(200);
    const strokes = contentsOf(answer.body as Buffer).map(strokesOf);
    const rulers = strokes
      .flatMap(({ lines }) => lines)
      .filter((line) => Math.abs(mm(line) - 100) < 0.05);
    expect(rulers.length).toBeGreaterThan(0);
    const brief = briefOf(document.survey, starterCatalogue);
    if (!brief.ok || !document.system) throw new Error('the sample has a system');
    const { holes } = plumbingOf(document, document.system.design, brief.value);
    expect(holes.length).toBeGreaterThan(1);
    const drawn = strokes.flatMap(({ curves }) => curves).map(mm);
    for (const hole of holes) {
      const nearest = drawn.reduce((best, one) =>
        Math.abs(one - hole.mm) < Math.abs(best - hole.mm) ? one : best,
      );
      expect(nearest).toBeCloseTo(hole.mm, 1);
    }
  });

  test('begins with what is loaded and must be known, and no page of it holds a single line or label', async () => {
    for (const { document } of demoJobs(new Date())) {
      if (!document.system) continue;
      const job = await filed(document);
      const pdf = (await agent.get(`/api/jobs/${job.id}/sheet.pdf`).expect(200)).body as Buffer;
      const pages = await pdfLines(pdf);
      const first = pages[0]!.join(' ');
      for (const words of [
        'Water off:',
        'What matters on this job',
        'The line',
        'To load',
        'Tools:',
      ])
        expect(first).toContain(words);
      expect(first).not.toContain('Order of work');
      // The foot is a line of its own on each.
      for (const [i, lines] of pages.entries())
        expect([document.customer.name, i + 1, lines.length > 4]).toEqual([
          document.customer.name,
          i + 1,
          true,
        ]);
    }
  });

  test('draws the cabinet one to ten', async () => {
    const document = verifiedDocument();
    const length = (value: number) => ({ value, unit: 'cm', takenAt: null, by: null });
    document.survey.details = {
      cabinetWidth: length(83),
      cabinetHeight: length(67),
      cabinetDepth: length(51),
    };
    const job = await filed(document);
    const answer = await agent.get(`/api/jobs/${job.id}/sheet.pdf`).expect(200);
    const lines = contentsOf(answer.body as Buffer).flatMap((content) => strokesOf(content).lines);
    for (const side of [83, 67, 51])
      expect(lines.some((line) => Math.abs(mm(line) - side) < 0.05)).toBe(true);
  });

  test('gives no page to holes where none is drilled, as for a lamp that is added', async () => {
    const document = verifiedDocument();
    document.survey.site = { ...document.survey.site, counter: 'steel', drilling: 'yes' };
    const sheetOf = async (of: JobDocument) => {
      const job = await filed(of);
      const pdf = (await agent.get(`/api/jobs/${job.id}/sheet.pdf`).expect(200)).body as Buffer;
      const rulers = contentsOf(pdf)
        .flatMap((content) => strokesOf(content).lines)
        .filter((line) => Math.abs(mm(line) - 100) < 0.05);
      return { pages: pdf.toString('latin1').match(/\/Type \/Page\b/g)!.length, rulers };
    };
    const whole = await sheetOf(document);
    const system = document.system!;
    const { tap, line } = system.design;
    const lamp = partsOf(starterCatalogue, 'lamp')[0]!;
    const design: UltravioletLine = {
      kind: 'ultraviolet-line',
      addedTo: 'tank-system',
      prefilters: [],
      lamp,
      tap,
      line,
    };
    const added = await sheetOf({ ...document, system: { ...system, design } });
    expect(whole.rulers.length).toBeGreaterThan(0);
    expect(added.rulers).toEqual([]);
    expect(added.pages).toBeLessThan(whole.pages);
  });
});

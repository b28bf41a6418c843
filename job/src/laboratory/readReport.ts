import { type Analyte, analyteAmount, analyteUnit, plainly, readNumber } from '@katharos/core';
import Papa from 'papaparse';
import { basisInName, recogniseAnalyte, unitInName } from './analyteNames.ts';
import type { LaboratoryReport } from './report.ts';

/** Why a line is not taken. */
export type ReportTrouble =
  | 'no-name'
  | 'not-used'
  | 'no-number'
  | 'unknown-unit'
  | 'impossible'
  /** More than a figure: how much more nobody knows. */
  | 'at-least'
  | 'listed-before'
  | 'left-out';

/** One figure of a report: as it came, and what it is taken for. */
export interface ReportRow {
  line: number;
  name: string;
  given: string;
  unit: string;
  analyte: Analyte | null;
  /** In the unit that the analyte is held in; null where it is not taken. */
  amount: number | null;
  /** Stated as below a limit of detection: the limit stands for it. */
  below: boolean;
  trouble: ReportTrouble | null;
}

export interface ReadReport {
  header: string[];
  /** A quantity a line, or a quantity a column; null where neither could be told. */
  layout: 'lines' | 'columns' | null;
  columns: { name: number; value: number; unit: number | null } | null;
  rows: ReportRow[];
}

const nameHeads =
  /^(parameter|analyte|name|test|quantity|determinand|substance|param[eè]tre|par[aá]metro|bezeichnung|messgr)/i;
const valueHeads =
  /^(result|value|amount|concentration|reading|wert|messwert|ergebnis|r[eé]sultat|resultado|valeur|valor)/i;
const mostHeads = /^(max|maximum|maximal|m[aá]ximo|h[oö]chst)/i;
const meanHeads = /^(mean|average|avg|mittel|media|promedio|moyenne)/i;
const unitHeads = /^(unit|units|einheit|unit[eé]|unidad)/i;

/** What an amount may be, where it is read as more than a slip; others from 0 to a gram and a half per litre and more. */
const most: Partial<Record<Analyte, number>> = {
  pH: 14,
  temperature: 60,
  transmittance: 100,
  conductivity: 100000,
  coliforms: 1e9,
};
const mostMgL = 60000;

/** Reads a report: finds its columns, recognises its quantities, converts their units, and says of every other line why it is not taken. */
export function readReport({
  text,
  columns: chosen,
  choices,
}: Pick<LaboratoryReport, 'text' | 'columns' | 'choices'>): ReadReport {
  const { cells, decimalComma } = cellsOf(text);
  // What a laboratory writes above its table (whose sample, taken when) is no part of it.
  const above = chosen ? 0 : headLine(cells);
  const [first = [], ...rest] = cells.slice(above);
  const columns = chosen ?? columnsOf(first, rest);
  if (columns) {
    const hasHead = recogniseAnalyte(first[columns.name] ?? '') === undefined;
    const lines = hasHead ? rest : [first, ...rest];
    const found = lines.map((cells, i): ReportRow => {
      const name = cells[columns.name] ?? '';
      const unit = (columns.unit === null ? '' : cells[columns.unit]) ?? '';
      const line = above + i + (hasHead ? 2 : 1);
      return rowOf({ line, name, given: cells[columns.value] ?? '', unit }, choices, decimalComma);
    });
    return { header: first, layout: 'lines', columns, rows: onceEach(found) };
  }
  const recognised = first.filter((head) => recogniseAnalyte(head) !== undefined).length;
  if (recognised >= 2 && rest.length > 0) {
    const values = rest.at(-1)!;
    const found = first.map((head, i) =>
      rowOf({ line: i + 1, name: head, given: values[i] ?? '', unit: '' }, choices, decimalComma),
    );
    return { header: first, layout: 'columns', columns: null, rows: onceEach(found) };
  }
  return { header: first, layout: null, columns: null, rows: [] };
}

const isFigure = (cell: string) => /^[<>≤≥]?\s*\d/.test(cell) || isAbsent(cell);

/** A line that tells a quantity and its figure. */
const tells = (cells: readonly string[]): boolean =>
  cells.some((cell) => recogniseAnalyte(cell) !== undefined) && cells.some(isFigure);

/** The report as cells, parted by whatever makes most lines tell something. */
function cellsOf(text: string): { cells: string[][]; decimalComma: boolean } {
  const parted = [undefined, ';', '\t', ',', '|'].map((delimiter) => {
    const { data, meta } = Papa.parse<string[]>(text.trim(), {
      skipEmptyLines: 'greedy',
      ...(delimiter === undefined ? {} : { delimiter }),
    });
    const cells = data.map((line) => line.map((cell) => cell.trim()));
    return { cells, decimalComma: meta.delimiter !== ',', told: cells.filter(tells).length };
  });
  const pairs = pairsOf(text);
  return [
    ...parted,
    { cells: pairs, decimalComma: decimalCommaOf(text), told: pairs.filter(tells).length },
  ].reduce((best, one) => (one.told > best.told ? one : best));
}

/** Whether figures that stand in running text have a decimal comma: two digits behind one say so, and no point does. */
const decimalCommaOf = (text: string): boolean =>
  /\d,\d{1,2}(?!\d)/.test(text) && !/\d\.\d/.test(text);

/** "Nitrate as N: 2.7 mg/L", spaced with blanks, with a colon, or two to a line. */
const pair = /^(.+?)(?:\s*[:=]\s*|\s+)([<>≤≥]?\s?\d[\d.,’']*|n\.? ?[dn]\.?)(?:\s*(\S.*))?$/iu;

function pairsOf(text: string): string[][] {
  return text
    .split(/\r?\n/)
    .flatMap((line) =>
      line.split(/\s{2,}(?=\p{L}[\p{L}\d +,()-]*\s*[:=]|\p{L}{2,}[^\d]*\s\d)|[;|]\s*(?=\p{L})/u),
    )
    .flatMap((chunk) => {
      const found = pair.exec(chunk.trim());
      return found ? [[found[1]!.trim(), found[2]!.trim(), (found[3] ?? '').trim()]] : [];
    });
}

/** How far down a table is looked for. */
const mostLinesAbove = 60;

/** Index of the line that a table begins with: its head, or where it has none its first line that tells something. */
function headLine(cells: readonly string[][]): number {
  const lines = cells.slice(0, mostLinesAbove);
  const head = lines.findIndex(
    (line) =>
      line.some((cell) => nameHeads.test(cell)) &&
      line.some((cell) => valueHeads.test(cell) || mostHeads.test(cell) || meanHeads.test(cell)),
  );
  if (head >= 0) return head;
  const wide = lines.findIndex(
    (line) => line.filter((cell) => recogniseAnalyte(cell) !== undefined).length >= 2,
  );
  const first = lines.findIndex(tells);
  // A head of quantities stands above its figures; a line of a quantity tells itself.
  const [begin] = [wide, first].filter((index) => index >= 0).sort((a, b) => a - b);
  return begin ?? 0;
}

/** Finds the columns by their heads; without heads, by what stands in them. */
function columnsOf(head: readonly string[], rest: readonly string[][]): ReadReport['columns'] {
  const at = (pattern: RegExp) => head.findIndex((cell) => pattern.test(cell));
  const [name, unit] = [at(nameHeads), at(unitHeads)];
  // Of least, mean and most the most is taken: the side that is safe for what has to be taken out.
  const [greatest, mean] = [at(mostHeads), at(meanHeads)];
  const value = greatest >= 0 ? greatest : mean >= 0 ? mean : at(valueHeads);
  if (name >= 0 && value >= 0) return { name, value, unit: unit >= 0 ? unit : null };
  const lines = [head, ...rest];
  const width = Math.max(...lines.map((cells) => cells.length));
  const share = (column: number, holds: (cell: string) => boolean) =>
    lines.filter((cells) => holds(cells[column] ?? '')).length / lines.length;
  const indices = Array.from({ length: width }, (_, i) => i);
  const names = indices.find((i) => share(i, (cell) => recogniseAnalyte(cell) !== undefined) > 0.4);
  if (names === undefined) return null;
  const values = indices.find((i) => i !== names && share(i, isFigure) > 0.6);
  if (values === undefined) return null;
  const units = indices.find(
    (i) =>
      i !== names && i !== values && share(i, (cell) => /\/|^(ppm|ppb|ntu|°|ph)/i.test(cell)) > 0.4,
  );
  return { name: names, value: values, unit: units ?? null };
}

/** A unit with what is counted, where only the name says so: "Calcium as CaCO3" in mg/L is no calcium. */
function withBasis(unit: string, name: string): string {
  const basis = basisInName(name);
  const isSaid =
    /caco|hco3|\bas\b|n\/l$|s\/l$/i.test(unit) || (/[^/]n$/i.test(unit) && basis === 'N');
  const isMass = /^(|mg\s*\/\s*l|mgl|ppm|g\/m3|mg\/litre|mg\/liter)$/i.test(unit.trim());
  return basis && isMass && !isSaid ? `mg/L ${basis}` : unit;
}

function rowOf(
  given: Pick<ReportRow, 'line' | 'name' | 'given' | 'unit'>,
  choices: LaboratoryReport['choices'],
  decimalComma: boolean,
): ReportRow {
  const choice = choices[String(given.line)] ?? {};
  const analyte = choice.analyte === undefined ? recogniseAnalyte(given.name) : choice.analyte;
  const unit = choice.unit ?? withBasis(given.unit || unitInName(given.name), given.name);
  const below = /^\s*[<≤]/.test(given.given) || isAbsent(given.given);
  const value = numberIn(given.given, decimalComma);
  const row = { ...given, unit, below, analyte: analyte ?? null, amount: null };
  if (choice.analyte === null) return { ...row, trouble: 'left-out' };
  if (given.name === '' && analyte === undefined) return { ...row, trouble: 'no-name' };
  if (!analyte) return { ...row, trouble: 'not-used' };
  if (value === undefined) return { ...row, trouble: 'no-number' };
  // What is only more than a figure is known to its safe side of a transmittance alone.
  if (/^\s*[>≥]/.test(given.given) && analyte !== 'transmittance')
    return { ...row, trouble: 'at-least' };
  const amount = analyteAmount(analyte, value, unit);
  if (amount === undefined) return { ...row, trouble: 'unknown-unit' };
  if (amount < 0 || amount > (most[analyte] ?? mostMgL)) return { ...row, trouble: 'impossible' };
  return { ...row, unit: unit || analyteUnit(analyte), amount, trouble: null };
}

/** "Not detected" in the words and letters of several countries, and "below the limit" without saying which. */
const absent =
  /^(absent|none|nil|not det(ected|ectable)|(nicht )?nachweisbar|non detect\w*|n\.? ?[dn]\.?|< ?(loq|lod|mdl|rl|bg|ng))(?![\p{L}\d])/iu;
const isAbsent = (text: string): boolean => absent.test(plainly(text));

/** A number as laboratories write it, behind a sign of being below a limit; what was not found is 0. */
export function numberIn(text: string, decimalComma: boolean): number | undefined {
  if (isAbsent(text)) return 0;
  const figure = plainly(text).replace(/^[<>≤≥~=\s]+/, '');
  const number = readNumber(figure, decimalComma ? ',' : '.');
  return number && number.rest.trim() === '' ? number.value : undefined;
}

/** Of two lines of one quantity the first is taken; the other is kept and said. */
function onceEach(rows: ReportRow[]): ReportRow[] {
  const seen = new Set<Analyte>();
  return rows.map((row) => {
    if (row.trouble || !row.analyte) return row;
    if (seen.has(row.analyte) && row.analyte !== 'coliforms')
      return { ...row, amount: null, trouble: 'listed-before' };
    seen.add(row.analyte);
    return row;
  });
}

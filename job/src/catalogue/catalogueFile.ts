import { type Part, type PartKind, partKinds, plainly, readNumber } from '@katharos/core';
import Papa from 'papaparse';
import {
  idOf,
  isAsked,
  type PartField,
  partFields,
  partValue,
  withPartValue,
} from './partFields.ts';

/** A catalogue as a table: a part a line, a field a column, named and in the units of the part itself. */

const common: PartField[] = [
  { path: 'name', type: 'text' },
  { path: 'price', type: 'measure', dimension: 'count', range: { min: 0, max: 100000 } },
];

const isCommon = (field: PartField): boolean => common.includes(field);

/** Columns in the order in which they are written: what all parts have, then kind by kind. */
const columns: string[] = [
  ...new Set([
    'id',
    'kind',
    ...common.map(({ path }) => path),
    ...partKinds.flatMap((kind) => partFields(kind).map(({ path }) => path)),
  ]),
];

type Counted = { quantity?: number; lengthM?: number } & Record<string, unknown>;
/** What an item of a list is called in its part, and how much of it there is. */
const itemKeys = { part: 'id', role: 'role', size: 'size' } as const;
const countKeys = { pieces: 'quantity', metres: 'lengthM' } as const;

function writeValue(field: PartField, value: unknown): string {
  if (value === undefined) return '';
  switch (field.type) {
    case 'flag':
      return value ? 'yes' : 'no';
    case 'points':
      return (value as { flowLPerH: number; boostBar: number }[])
        .map(({ flowLPerH, boostBar }) => `${flowLPerH}@${boostBar}`)
        .join('; ');
    case 'list': {
      const { of, count } = field;
      if (count === 'none') return (value as string[]).join('; ');
      return (value as Counted[])
        .map((item) => `${String(item[itemKeys[of]])} * ${item[countKeys[count]]}`)
        .join('; ');
    }
    default:
      return typeof value === 'number' ? String(value) : (value as string);
  }
}

/** The catalogue as CSV text, UTF-8 with its mark, so that workbooks read it. */
export function writeCatalogue(parts: readonly Part[]): string {
  const rows = parts.map((part) => {
    const fields = new Map([...common, ...partFields(part.kind)].map((one) => [one.path, one]));
    return columns.map((path) => {
      if (path === 'id' || path === 'kind') return part[path];
      const field = fields.get(path);
      return field ? writeValue(field, partValue(part, path)) : '';
    });
  });
  return `\ufeff${Papa.unparse([columns, ...rows], { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

/** What is wrong with one cell, before the whole is held against what a part must be. */
export type CellFault =
  | {
      code:
        | 'no-kind'
        | 'no-part'
        | 'listed-twice'
        | 'no-number'
        | 'no-flag'
        | 'no-points'
        | 'no-list';
    }
  | { code: 'other-kind'; kind: PartKind }
  | { code: 'no-choice'; options: readonly string[] };

export interface ReadPart {
  /** Of the file, as a workbook counts them. */
  line: number;
  id: string;
  name: string;
  /** As the line has it, laid over what was there. */
  part: Record<string, unknown>;
  before: Part | null;
  faults: { path: string; fault: CellFault }[];
}

export type ReadCatalogue =
  | { kind: 'no-table' }
  | { kind: 'too-long'; most: number }
  | { kind: 'read'; rows: ReadPart[]; unknown: string[] };

/** Lines of a file that are taken at once. */
const mostLines = 2000;

const yes = /^(yes|y|true|1|x)$/i;
const no = /^(no|n|false|0)$/i;

interface Cell {
  value?: unknown;
  fault?: CellFault;
}

function readFigure(text: string, comma: boolean): number | undefined {
  const read = readNumber(plainly(text), comma ? ',' : '.');
  return read && read.rest.trim() === '' ? read.value : undefined;
}

function readValue(field: PartField, text: string, comma: boolean): Cell {
  if (text === '') return field.type === 'list' || field.type === 'points' ? { value: [] } : {};
  const items = text.split(';').flatMap((item) => item.trim() || []);
  switch (field.type) {
    case 'text':
      return { value: text };
    case 'measure': {
      const value = readFigure(text, comma);
      return value === undefined ? { fault: { code: 'no-number' } } : { value };
    }
    case 'flag':
      return yes.test(text) || no.test(text)
        ? { value: yes.test(text) }
        : { fault: { code: 'no-flag' } };
    case 'choice':
      return field.options.includes(text)
        ? { value: text }
        : { fault: { code: 'no-choice', options: field.options } };
    case 'points': {
      const points = items.map((item) => {
        const [flowLPerH, boostBar] = item.split('@').map((one) => readFigure(one, comma));
        return { flowLPerH, boostBar };
      });
      return points.some(({ flowLPerH, boostBar }) => (flowLPerH ?? boostBar) === undefined)
        ? { fault: { code: 'no-points' } }
        : { value: points };
    }
    case 'list': {
      const { of, count } = field;
      if (count === 'none') return { value: items };
      const listed = items.map((item) => {
        const [name = '', much = '1'] = item.split('*').map((one) => one.trim());
        return { [itemKeys[of]]: name, [countKeys[count]]: readFigure(much, comma) };
      });
      return listed.some((item) => item[countKeys[count]] === undefined)
        ? { fault: { code: 'no-list' } }
        : { value: listed };
    }
  }
}

/** What parts the columns: told by their names, for lists and decimals hold the same signs. */
function delimiterOf(table: string): string {
  const [head = ''] = table.split(/\r?\n/, 1);
  const count = (sign: string) => head.split(sign).length;
  return [',', ';', '\t'].reduce((most, sign) => (count(sign) > count(most) ? sign : most));
}

/** What stands in a cell of a table that was guarded against formulas. */
const unguarded = (text: string): string => text.replace(/^'(?=[=+\-@])/, '').trim();

/**
 * Reads a catalogue's table against the catalogue as it stands. A column that is not there changes nothing, an empty cell takes a value
 * out; a line without an id is a new part. Nothing is taken that could not be understood.
 */
export function readCatalogue(text: string, parts: readonly Part[]): ReadCatalogue {
  const table = text.replace(/^\ufeff/, '');
  const delimiter = delimiterOf(table);
  const { data } = Papa.parse<string[]>(table, { delimiter, skipEmptyLines: false });
  const [head = [], ...lines] = data;
  const names = head.map((name) => name.trim());
  if (!names.includes('id') && !names.includes('name')) return { kind: 'no-table' };
  if (lines.length > mostLines) return { kind: 'too-long', most: mostLines };
  // Where lists are parted by semicolons, decimals have commas.
  const comma = delimiter === ';';
  const byId = new Map(parts.map((part) => [part.id, part]));
  const taken = new Set(byId.keys());
  const seen = new Set<string>();
  const rows = lines.flatMap((cells, i): ReadPart[] => {
    if (cells.every((cell) => cell.trim() === '')) return [];
    const at = (name: string): string | undefined => {
      const index = names.indexOf(name);
      return index < 0 ? undefined : unguarded(cells[index] ?? '');
    };
    return [readLine(at, i + 2)];
  });
  return { kind: 'read', rows, unknown: names.filter((name) => name && !columns.includes(name)) };

  function readLine(at: (name: string) => string | undefined, line: number): ReadPart {
    const faults: ReadPart['faults'] = [];
    const name = at('name') ?? '';
    const given = at('id') ?? '';
    const id = given || idOf(name, taken);
    const before = byId.get(id) ?? null;
    const kindText = at('kind') ?? '';
    const kind = before?.kind ?? partKinds.find((one) => one === kindText);
    const row = { line, id, name: name || (before?.name ?? ''), before, faults };
    if (seen.has(id)) faults.push({ path: 'id', fault: { code: 'listed-twice' } });
    seen.add(id);
    taken.add(id);
    if (!kind) {
      // An id alone, and of a part that is not there: a price list of other goods.
      const code = kindText === '' && given !== '' ? 'no-part' : 'no-kind';
      faults.push({ path: code === 'no-part' ? 'id' : 'kind', fault: { code } });
      return { ...row, part: { id } };
    }
    if (before && kindText !== '' && kindText !== before.kind) {
      faults.push({ path: 'kind', fault: { code: 'other-kind', kind: before.kind } });
    }
    let part: Record<string, unknown> = before
      ? { ...before }
      : { id, kind, ...(kind === 'kit' ? { colours: {}, warranty: '' } : {}) };
    for (const field of [...common, ...partFields(kind)]) {
      const cell = at(field.path);
      if (cell === undefined) continue;
      // What every part has is not taken out; a line of new prices may leave the names empty.
      if (cell === '' && before && isCommon(field)) continue;
      if (!isAsked(field, part)) {
        part = withPartValue(part, field.path, undefined);
        continue;
      }
      const { value, fault } = readValue(field, cell, comma);
      if (fault) faults.push({ path: field.path, fault });
      else
        part = withPartValue(
          part,
          field.path,
          value ?? (field.path === 'warranty' ? '' : undefined),
        );
    }
    return { ...row, part };
  }
}

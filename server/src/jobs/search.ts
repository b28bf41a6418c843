import type { JobSummary } from '@katharos/contract';
import { literal, Op, QueryTypes, type WhereOptions } from 'sequelize';
import { containing } from '../db/like.ts';
import { JobRow } from '../db/models.ts';

/** Why a job was found, where its name and address do not show it. */
export type Hit = NonNullable<JobSummary['hit']>;

const mostWords = 6;
/** Jobs with a reading that a number may mean; whoever looks for a common one does better to add a name. */
const mostRead = 500;

const wordsOf = (search: string): string[] =>
  search.split(/\s+/).filter(Boolean).slice(0, mostWords);
const escaped = (text: string): string => JobRow.sequelize!.escape(text);

/** A figure, and how far what it was rounded from may lie from it. */
function figureOf(word: string): { from: number; to: number } | undefined {
  const read = /^(\d{1,6})(?:[.,](\d{1,3}))?$/.exec(word);
  if (!read) return undefined;
  const value = Number(`${read[1]}.${read[2] ?? '0'}`);
  const half = 0.5 * 10 ** -(read[2]?.length ?? 0);
  return { from: value - half, to: value + half };
}

/** Readings at installed systems, in the core's units, that a word may mean. */
const isReadAt = (firmId: string, { from, to }: { from: number; to: number }): string =>
  `"JobRow".id in (select job_id from readings where firm_id = ${escaped(firmId)}
     and value >= ${from} and value < ${to} limit ${mostRead})`;

/** What a search finds: every word of it in any part of what a job is found by; a number also among its readings, or as its own. */
export function isFoundBy(firmId: string, search: string): WhereOptions {
  const number = /^#?(\d{1,9})$/.exec(search);
  return {
    [Op.or]: [
      {
        [Op.and]: wordsOf(search).map((word) => {
          const figure = figureOf(word);
          const text = `found_lower like ${escaped(containing(word.toLowerCase()))}`;
          return literal(figure ? `(${text} or ${isReadAt(firmId, figure)})` : text);
        }),
      },
      ...(number ? [{ number: Number(number[1]) }] : []),
    ],
  };
}

/** For jobs that were found: what of them holds the words that their name and address do not. */
export async function hitsOf(
  firmId: string,
  search: string,
  rows: readonly JobRow[],
): Promise<ReadonlyMap<string, Hit>> {
  const hits = new Map<string, Hit>();
  const words = wordsOf(search).map((word) => word.toLowerCase());
  const unexplained: { id: string; word: string }[] = [];
  for (const { id, name, address, number, foundBy } of rows) {
    const shown = `${name} ${address} ${number}`.toLowerCase();
    const word = words.find((one) => !shown.includes(one.replace(/^#/, '')));
    if (word === undefined) continue;
    const line = foundBy.split('\n').find((one) => one.toLowerCase().includes(word));
    if (line) hits.set(id, { kind: 'line', text: line.slice(0, 200) });
    else unexplained.push({ id, word });
  }
  for (const word of new Set(unexplained.map((one) => one.word))) {
    const figure = figureOf(word);
    if (!figure) continue;
    const ids = unexplained.filter((one) => one.word === word).map(({ id }) => id);
    const found = await JobRow.sequelize!.query<{
      jobId: string;
      figure: string;
      on: string;
      value: number;
    }>(
      `select distinct on (job_id) job_id as "jobId", figure, to_char(read_on, 'YYYY-MM-DD') as on, value from readings
       where firm_id = :firmId and job_id in (:ids) and value >= :from and value < :to order by job_id, read_on desc`,
      { replacements: { firmId, ids, ...figure }, type: QueryTypes.SELECT },
    );
    for (const { jobId, ...reading } of found)
      hits.set(jobId, { kind: 'reading', ...reading } as Hit);
  }
  return hits;
}

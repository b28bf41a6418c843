import { createHash } from 'node:crypto';
import type { DiaryRow, FleetRow } from '@katharos/contract';
import {
  type FirmSettings,
  type JobDocument,
  type Need,
  needOf,
  needs,
  type SystemState,
} from '@katharos/job';
import { QueryTypes, type Sequelize } from 'sequelize';
import { DuesRow, ReadingRow } from '../db/models.ts';
import type { PaperMill } from '../papers/paperMill.ts';
import type { Reckoning } from '../papers/reckon.ts';
import { ofSystemsInUse } from './ofSystemsInUse.ts';

/** Systems that are reckoned at one asking. */
const atATime = 25;
/** Days for which a reckoning stands: what has drifted a week further is hardly due another day. */
const standsDays = 7;
const mostRows = 500;

/** What of the firm's settings decides what is due; the order of driving does not. */
function waysOf({ keeping = {} }: FirmSettings): string {
  const { districts: _order, ...ways } = keeping;
  return createHash('sha256').update(JSON.stringify(ways)).digest('base64url').slice(0, 12);
}

interface Asked {
  firmId: string;
  settings: FirmSettings;
  /** ISO calendar day. */
  today: string;
}

const stale = `
  from jobs left join dues on dues.firm_id = jobs.firm_id and dues.job_id = jobs.id
  where jobs.firm_id = :firmId and jobs.finished and jobs.archived_at is null and jobs.removed_at is null
    and (dues.version is distinct from jobs.version or dues.ways is distinct from :ways
      or dues.reckoned_on not between cast(:today as date) - ${standsDays} and cast(:today as date))`;

/**
 * Reckons what is due on systems that changed since, a few at a time and beside the server's own thread; returns how many are left.
 * Two that ask at once may reckon the same system: both come to the same.
 */
export async function reckonDues(
  sequelize: Sequelize,
  mill: PaperMill,
  { firmId, settings, today }: Asked,
  person: string,
): Promise<number> {
  const ways = waysOf(settings);
  const replacements = { firmId, ways, today };
  const open = await sequelize.query<{ id: string; version: number; document: JobDocument }>(
    `select jobs.id, jobs.version, jobs.document ${stale} order by jobs.number limit ${atATime}`,
    { replacements, type: QueryTypes.SELECT },
  );
  for (const { id: jobId, version, document } of open) {
    const found = await mill.reckon({ document, settings, today }, person);
    await keepCopy(sequelize, { firmId, jobId, version, ways, reckonedOn: today }, found);
  }
  if (open.length < atATime) return 0;
  const [left] = await sequelize.query<{ count: string }>(`select count(*) ${stale}`, {
    replacements,
    type: QueryTypes.SELECT,
  });
  return Number(left!.count);
}

interface CopyOf {
  firmId: string;
  jobId: string;
  version: number;
  ways: string;
  reckonedOn: string;
}

/** Puts a system's copy and its readings in the place of those before, both or neither. */
const keepCopy = (
  sequelize: Sequelize,
  of: CopyOf,
  { visit, since, who, parts, membrane, rejection, readings }: Reckoning,
): Promise<void> =>
  sequelize.transaction(async (transaction) => {
    const { firmId, jobId } = of;
    const due = { dueOn: visit?.on ?? null, dues: visit?.dues ?? [] };
    // Its row first: who reckons the same system waits here for the other.
    const held = { rejection: rejection?.share ?? null, rejectionOn: rejection?.on ?? null };
    await DuesRow.upsert({ ...of, ...due, since, who, parts, membrane, ...held }, { transaction });
    await ReadingRow.destroy({ where: { firmId, jobId }, transaction });
    await ReadingRow.bulkCreate(
      readings.map((reading) => ({ firmId, jobId, ...reading })),
      { transaction },
    );
  });

type Due = Omit<DiaryRow, 'wroteAt'>;

/** What is due until a day, the earliest first, and how many systems more are. */
export async function diaryOf(
  sequelize: Sequelize,
  firmId: string,
  until: string,
): Promise<{ rows: DiaryRow[]; beyond: number }> {
  const due = await sequelize.query<Due & { all: number }>(
    `select jobs.id as "jobId", jobs.number, jobs.name, jobs.address, jobs.phone, jobs.email,
       dues.due_on as "on", dues.dues, dues.who, count(*) over ()::int as "all"
     ${ofSystemsInUse} and dues.due_on <= :until order by dues.due_on, jobs.id limit ${mostRows}`,
    { replacements: { firmId, until }, type: QueryTypes.SELECT },
  );
  const ids = due.map(({ jobId }) => jobId);
  const wrote = await lastLetters(sequelize, firmId, ids);
  return {
    rows: due.map(({ all: _all, ...row }) => ({ ...row, wroteAt: wrote.get(row.jobId) ?? null })),
    beyond: (due[0]?.all ?? 0) - due.length,
  };
}

/** When a letter was written last, by system. */
async function lastLetters(
  sequelize: Sequelize,
  firmId: string,
  ids: string[],
): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await sequelize.query<{ id: string; at: Date }>(
    `select job_id as id, max(written_at) as at from letters
     where firm_id = :firmId and job_id in (:ids) group by job_id`,
    { replacements: { firmId, ids }, type: QueryTypes.SELECT },
  );
  return new Map(rows.map(({ id, at }) => [id, at.toISOString()]));
}

/** Installed systems, what they need most first: how many need what, and the first of them, or of those with one need, in full. */
export async function fleetOf(
  sequelize: Sequelize,
  firmId: string,
  { today, need, most }: { today: string; need?: Need | undefined; most: number },
) {
  const installed = `${ofSystemsInUse} and dues.since is not null`;
  // Of all of them only what says what they need.
  const all = await sequelize.query<{ jobId: string } & SystemState>(
    `select dues.job_id as "jobId", dues.due_on as "dueOn", dues.membrane, dues.rejection_on as "readOn"
     ${installed} order by dues.due_on nulls last, jobs.number`,
    { replacements: { firmId }, type: QueryTypes.SELECT },
  );
  const byNeed = new Map<Need, string[]>(needs.map((one) => [one, []]));
  for (const { jobId, ...state } of all) byNeed.get(needOf(state, today))!.push(jobId);
  const counts = Object.fromEntries(needs.map((one) => [one, byNeed.get(one)!.length]));
  const shown = (need ? [need] : needs)
    .flatMap((one) => byNeed.get(one)!.map((jobId) => ({ jobId, need: one })))
    .slice(0, most);
  if (shown.length === 0) return { rows: [], counts };
  const rows = await sequelize.query<FleetRow>(
    `select jobs.id as "jobId", jobs.number, jobs.name, jobs.address, dues.since, dues.due_on as "dueOn",
       dues.membrane, dues.rejection, dues.rejection_on as "readOn"
     ${installed} and dues.job_id in (:ids)`,
    { replacements: { firmId, ids: shown.map(({ jobId }) => jobId) }, type: QueryTypes.SELECT },
  );
  const byId = new Map(rows.map((row) => [row.jobId, row]));
  return {
    rows: shown.flatMap(({ jobId, need: one }) => {
      const row = byId.get(jobId);
      return row ? [{ ...row, need: one }] : [];
    }),
    counts,
  };
}

/** Parts that fall due until a day, the most wanted first, against what vans and stores hold by the catalogue's names. */
export async function forecastOf(sequelize: Sequelize, firmId: string, until: string) {
  const rows = await sequelize.query<{
    name: string;
    count: string;
    firstOn: string;
    held: number | null;
  }>(
    `with wanted as (
       select p.value ->> 'name' as name, sum((p.value ->> 'count')::int) as count, min(p.value ->> 'on') as first_on
       from (select dues.parts ${ofSystemsInUse}) installed, jsonb_array_elements(installed.parts) p
       where p.value ->> 'on' <= :until
       group by 1
     ), held as (
       select parts.part ->> 'name' as name, sum(coalesce(stock.quantity, 0)) as quantity
       from parts left join stock on stock.firm_id = parts.firm_id and stock.part_id = parts.part_id
       where parts.firm_id = :firmId group by 1
     )
     select wanted.name, wanted.count, wanted.first_on as "firstOn", held.quantity as "held"
     from wanted left join held using (name) order by wanted.count desc, wanted.name`,
    { replacements: { firmId, until }, type: QueryTypes.SELECT },
  );
  return rows.map(({ count, held, ...line }) => ({
    ...line,
    count: Number(count),
    held: held === null ? null : Number(held),
  }));
}

/** What is due on some systems, by their ids; those without anything due are left out. */
export async function findDues(
  firmId: string,
  ids: string[],
): Promise<Map<string, Pick<DiaryRow, 'on' | 'dues'>>> {
  const rows = await DuesRow.findAll({ where: { firmId, jobId: ids } });
  return new Map(
    rows.flatMap(({ jobId, dueOn, dues }) =>
      dueOn === null ? [] : [[jobId, { on: dueOn, dues }] as const],
    ),
  );
}

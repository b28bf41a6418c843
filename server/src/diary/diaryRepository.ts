import { createHash } from 'node:crypto';
import type { DiaryRow } from '@katharos/contract';
import type { FirmSettings, JobDocument } from '@katharos/job';
import { literal, Op, QueryTypes, type Sequelize } from 'sequelize';
import { DuesRow, JobRow } from '../db/models.ts';
import type { PaperMill } from '../papers/paperMill.ts';

/** Systems that are reckoned at one asking. */
const atATime = 25;
/** Days for which a reckoning stands: what has drifted a week further is hardly due another day. */
const standsDays = 7;
const mostRows = 500;

/** What of the firm's settings decides what is due. */
const waysOf = ({ keeping = {} }: FirmSettings): string =>
  createHash('sha256').update(JSON.stringify(keeping)).digest('base64url').slice(0, 12);

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
    const visit = await mill.nextVisit({ document, settings, today }, person);
    await DuesRow.upsert({
      firmId,
      jobId,
      version,
      ways,
      reckonedOn: today,
      dueOn: visit?.on ?? null,
      dues: visit?.dues ?? [],
    });
  }
  if (open.length < atATime) return 0;
  const [left] = await sequelize.query<{ count: string }>(`select count(*) ${stale}`, {
    replacements,
    type: QueryTypes.SELECT,
  });
  return Number(left!.count);
}

/** What is due until a day, the earliest first. */
export async function diaryOf(firmId: string, until: string): Promise<DiaryRow[]> {
  const dues = await DuesRow.findAll({
    where: { firmId, dueOn: { [Op.lte]: until } },
    order: [
      ['dueOn', 'ASC'],
      ['jobId', 'ASC'],
    ],
    limit: mostRows,
  });
  const jobs = await JobRow.findAll({
    where: {
      firmId,
      id: dues.map(({ jobId }) => jobId),
      finished: true,
      archivedAt: null,
      removedAt: null,
    },
    attributes: [
      'id',
      'number',
      'name',
      'address',
      [literal("document->'customer'->>'phone'"), 'phone'],
    ],
  });
  const byId = new Map(jobs.map((job) => [job.id, job]));
  return dues.flatMap(({ jobId, dueOn, dues: due }): DiaryRow[] => {
    const job = byId.get(jobId);
    if (!job || dueOn === null) return [];
    const { number, name, address } = job;
    return [
      { jobId, number, name, address, phone: job.get('phone') as string, on: dueOn, dues: due },
    ];
  });
}

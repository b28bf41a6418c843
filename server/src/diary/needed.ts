import type { Needed, PartDue, Session } from '@katharos/contract';
import { literal, Op, QueryTypes, type Sequelize } from 'sequelize';
import { firmParts } from '../catalogue/catalogueRepository.ts';
import { JobRow } from '../db/models.ts';
import type { LoadMill } from '../stock/load.ts';
import { ofSystemsInUse } from './ofSystemsInUse.ts';

/** Installations that wait for their day are listed so far: nobody loads more into a van. */
const mostInstallations = 20;
const mostVisits = 60;

interface Asked {
  firm: Session['firm'];
  userId: string;
  /** ISO calendar day. */
  until: string;
}

/** The work ahead with its parts: visits that are due until a day, and installations that are agreed and took nothing out of a van yet. */
export async function neededFor(
  sequelize: Sequelize,
  mill: LoadMill,
  { firm, userId, until }: Asked,
): Promise<Needed[]> {
  const catalogue = await firmParts(firm.id);
  const idOf = new Map(catalogue.map(({ id, name }) => [name, id]));
  const visits = await visitsUntil(sequelize, firm.id, until);
  const jobs = await waitingInstallations(sequelize, firm.id);
  const loads = await mill.load(
    jobs.map(({ document }) => document),
    { catalogue, settings: firm.settings },
    userId,
  );
  return [
    ...visits.map(({ parts, ...visit }) => ({
      ...visit,
      lines: parts.map(({ name, count }) => ({
        partId: idOf.get(name) ?? null,
        name,
        quantity: count,
      })),
    })),
    ...jobs.map(({ id, number, name }, i) => ({
      jobId: id,
      number,
      name,
      on: null,
      lines: loads[i] ?? [],
    })),
  ];
}

async function visitsUntil(sequelize: Sequelize, firmId: string, until: string) {
  const visits = await sequelize.query<{
    jobId: string;
    number: number;
    name: string;
    on: string;
    parts: PartDue[];
  }>(
    `select jobs.id as "jobId", jobs.number, jobs.name, dues.due_on as "on", dues.parts
     ${ofSystemsInUse} and dues.due_on <= :until order by dues.due_on desc, jobs.id limit ${mostVisits}`,
    { replacements: { firmId, until }, type: QueryTypes.SELECT },
  );
  // What is put in later has its own visit.
  return visits.map(({ parts, ...visit }) => ({
    ...visit,
    parts: parts.filter(({ on }) => on <= until),
  }));
}

const waitingInstallations = (sequelize: Sequelize, firmId: string): Promise<JobRow[]> =>
  JobRow.findAll({
    where: {
      [Op.and]: [
        { firmId, finished: false, archivedAt: null, removedAt: null },
        literal(`document #>> '{system,agreed}' is not null`),
        literal(
          `not exists (select from van_takings t where t.firm_id = "JobRow".firm_id and t.job_id = "JobRow".id)`,
        ),
      ],
    },
    attributes: ['id', 'number', 'name', 'document'],
    order: [['updatedAt', 'DESC']],
    limit: mostInstallations,
  });

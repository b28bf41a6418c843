import type { RecallRow } from '@katharos/contract';
import { QueryTypes, type Sequelize } from 'sequelize';

/** Households that are listed. */
const most = 1000;

const like = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;

/**
 * Every household in which a part still stands that was put in at a visit, by the part's name and its batch; what was changed since is not
 * there any more. Without a batch, systems that were fitted with the part and had nothing of it changed since are listed too.
 */
export async function recall(
  sequelize: Sequelize,
  firmId: string,
  { part, batch }: { part: string; batch: string },
): Promise<RecallRow[]> {
  return sequelize.query<RecallRow>(
    `with changed as (
       select jobs.id, c.key as place, c.value ->> 'part' as part, c.value ->> 'batch' as batch,
         left(v.value ->> 'at', 10) as day,
         row_number() over (partition by jobs.id, c.key order by v.value ->> 'at' desc) as newest
       from jobs,
         jsonb_each(coalesce(document #> '{service,visits}', '{}')) v,
         jsonb_each(coalesce(v.value -> 'changed', '{}')) c
       where firm_id = :firmId and removed_at is null
     ), fitted as (
       select jobs.id, p.name, 'prefilter-' || p.place as place,
         left(coalesce(document #>> '{service,since}', document #>> '{keep,issued,at}'), 10) as day
       from jobs, lateral (
         select one ->> 'name' as name, ordinality as place
         from jsonb_array_elements(document #> '{system,design,prefilters}') with ordinality as of(one, ordinality)
       ) p
       where firm_id = :firmId and removed_at is null and jsonb_typeof(document #> '{system,design,prefilters}') = 'array'
       union all
       select jobs.id, document #>> array['system', 'design', slot, 'name'], place,
         left(coalesce(document #>> '{service,since}', document #>> '{keep,issued,at}'), 10)
       from jobs, (values ('membrane', 'membrane'), ('postFilter', 'post-filter'), ('lamp', 'lamp')) s(slot, place)
       where firm_id = :firmId and removed_at is null
     ), standing as (
       select id, part, batch, day from changed where newest = 1
       union all
       select id, name, '', day from fitted
       where name is not null and day is not null
         and not exists (select from changed where changed.id = fitted.id and changed.place = fitted.place)
     )
     select jobs.id as "jobId", jobs.number, jobs.name, jobs.address,
       coalesce(jobs.document -> 'customer' ->> 'phone', '') as phone,
       standing.part, standing.batch, standing.day as "on"
     from standing join jobs using (id)
     where firm_id = :firmId and standing.part ilike :part and standing.batch ilike :batch
     order by jobs.name, standing.day, standing.part limit ${most}`,
    {
      replacements: { firmId, part: like(part), batch: like(batch) },
      type: QueryTypes.SELECT,
    },
  );
}

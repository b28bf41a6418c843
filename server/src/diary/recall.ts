import type { RecallRow } from '@katharos/contract';
import { QueryTypes, type Sequelize } from 'sequelize';
import { containing } from '../db/like.ts';

/** Households that are listed. */
const most = 1000;

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
    // A document is unpacked once, and only where something that it is found by has the words.
    `with unpacked as materialized (
       select id, inside.* from jobs, lateral (select document || '{}' as held offset 0) once,
         lateral (select held #> '{service,visits}' as visits, held #> '{system,design}' as design,
           left(coalesce(held #>> '{service,since}', held #>> '{keep,issued,at}'), 10) as day) inside
       where firm_id = :firmId and removed_at is null and found_lower like lower(:part) and found_lower like lower(:batch)
     ), put_in as (
       select jobs.id, c.key as place, c.value ->> 'part' as part, c.value ->> 'batch' as batch,
         left(v.value ->> 'at', 10) as day, v.value ->> 'at' as at
       from unpacked as jobs,
         jsonb_each(coalesce(visits, '{}')) v,
         jsonb_each(coalesce(v.value -> 'changed', '{}')) c
       union all
       -- What it was fitted with, before any visit.
       select jobs.id, 'prefilter-' || p.place, p.name, '', day, ''
       from unpacked as jobs, lateral (
         select one ->> 'name' as name, ordinality as place
         from jsonb_array_elements(design -> 'prefilters') with ordinality as of(one, ordinality)
       ) p
       where jsonb_typeof(design -> 'prefilters') = 'array'
       union all
       select jobs.id, place, design #>> array[slot, 'name'], '', day, ''
       from unpacked as jobs, (values ('membrane', 'membrane'), ('postFilter', 'post-filter'), ('lamp', 'lamp')) s(slot, place)
     ), standing as (
       select id, part, batch, day from (
         select *, row_number() over (partition by id, place order by at desc) as newest from put_in
       ) ranked
       where newest = 1 and part is not null and day is not null
     )
     select jobs.id as "jobId", jobs.number, jobs.name, jobs.address,
       jobs.phone,
       standing.part, standing.batch, standing.day as "on"
     from standing join jobs using (id)
     where firm_id = :firmId and standing.part ilike :part and standing.batch ilike :batch
     order by jobs.name, standing.day, standing.part limit ${most}`,
    {
      replacements: { firmId, part: containing(part), batch: containing(batch) },
      type: QueryTypes.SELECT,
    },
  );
}

import { dateOf } from '@katharos/core';
import { QueryTypes, type Sequelize } from 'sequelize';
import { FirmRow, JobRow, UserRow } from '../db/models.ts';
import { reckonDues } from '../diary/diaryRepository.ts';
import type { PaperMill } from '../papers/paperMill.ts';

/** Systems of the large sample, and readings of them, at least. */
const systems = 10_000;
const readings = 1_000_000;

/** Invented, and put together at random by number; a pair may come twice, as in any valley. */
const first =
  'Ada,Bram,Cerys,Doran,Elowen,Fenn,Greta,Hale,Imre,Jonna,Kester,Linnet,Marl,Nessa,Orrin,Petra,Quill,Rowan,Sorrel,Tace,Ulla,Vesper,Wilf,Yarrow,Zilla';
const last =
  'Ashdown,Birkwell,Coombe,Dunmere,Eastlake,Farrow,Gorse,Hollin,Ivory,Jessop,Kelder,Lowther,Marrick,Nettle,Oldcastle,Pinder,Quarry,Rushton,Stanage,Thornley,Underhill,Varley,Wharram,Yewdale';
const streets =
  'Weir Lane,Mill Row,Sluice Street,Heron Rise,Reed Walk,Osier Close,Ford Road,Bridge End,Lock Terrace,Spring Gardens,Culvert Way,Beck Side,Tarn View,Fen Drove,Leat Street,Well Yard';

/**
 * Ten thousand systems with a million readings, for whoever wants to see how a large firm's data behaves: copies of the sample's jobs under
 * other names, made by the database itself. Of their readings the rows are more than the documents say.
 */
export async function seedLarge(sequelize: Sequelize, mill: PaperMill, now: Date): Promise<void> {
  const firm = await FirmRow.findOne({ rejectOnEmpty: true, order: [['id', 'ASC']] });
  const owner = await UserRow.findOne({ where: { firmId: firm.id }, rejectOnEmpty: true });
  const firmId = firm.id;
  if ((await JobRow.count({ where: { firmId } })) >= systems) return;
  const today = dateOf(Math.floor(now.getTime() / 86400e3));
  while (
    (await reckonDues(sequelize, mill, { firmId, settings: firm.settings, today }, owner.id)) > 0
  );
  await sequelize.transaction(async (transaction) => {
    const within = (sql: string) =>
      sequelize.query(sql, {
        replacements: { firmId, systems, readings, first, last, streets },
        type: QueryTypes.RAW,
        transaction,
      });
    // A million rows take longer than any request may.
    await within('set local statement_timeout = 0');
    await within(`
    create temporary table copies on commit drop as
    with samples as (
      select jobs.id, row_number() over (order by finished desc, number) - 1 as row, count(*) over () as all_of,
        count(*) filter (where finished) over () as finished_of
      from jobs where firm_id = :firmId and archived_at is null and removed_at is null),
    wanted as (
      select n, case when n % 10 < 9 then n % (select max(finished_of) from samples) else n % (select max(all_of) from samples) end as row,
        (string_to_array(:first, ','))[1 + (n * 7) % 25] || ' ' || (string_to_array(:last, ','))[1 + (n * 11 + n / 25) % 24] as name,
        (1 + n % 180) || ' ' || (string_to_array(:streets, ','))[1 + (n / 3) % 16] as address
      from generate_series(1, :systems) as n)
    select gen_random_uuid() as id, samples.id as of, n, name, address from wanted join samples using (row)`);
    await within(`
      insert into jobs (id, firm_id, number, version, name, address, phone, email, found_by, stage, finished, document, updated_by, updated_at)
      select copies.id, firm_id, next_job_number + n, version, copies.name, copies.address, phone, email,
        copies.name || ' ' || copies.address || coalesce(substring(found_by from position(E'\\n' in found_by || E'\\n')), ''),
        stage, finished,
        jsonb_set(jsonb_set(document, '{customer,name}', to_jsonb(copies.name)), '{customer,address}', to_jsonb(copies.address)),
        updated_by, updated_at - (n * interval '2 hours')
      from copies join jobs on jobs.id = of join firms on firms.id = firm_id where firm_id = :firmId`);
    await within(
      `update firms set next_job_number = next_job_number + (select max(n) from copies) + 1 where id = :firmId`,
    );
    await within(`
      insert into dues select firm_id, copies.id, version, ways, reckoned_on, due_on, dues, since, who, parts, membrane, rejection, rejection_on
      from copies join dues on job_id = of where firm_id = :firmId`);
    await within(`
      insert into readings (firm_id, job_id, visit, figure, read_on, value)
      select firm_id, copies.id, visit, figure, read_on, value * (0.9 + (n % 21) * 0.01)
      from copies join readings on job_id = of where firm_id = :firmId`);
    await within(`
      insert into readings (firm_id, job_id, visit, figure, read_on, value)
      select :firmId, copies.id, 'earlier ' || v, figure, current_date - v * 60, base * (0.8 + ((n * 13 + v * 7) % 41) * 0.01)
      from copies,
        generate_series(1, greatest(0, ceil((:readings - (select count(*) from readings)) / (4.0 * (select count(*) from copies))))::int) as v,
        (values ('productTds', 18.0), ('feedTds', 380.0), ('temperature', 13.0), ('pressure', 4.1)) as figures (figure, base)`);
  });
  await sequelize.query('analyze');
}

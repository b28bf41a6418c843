/** What was reckoned of a firm's installed systems; those that were put away or deleted are not looked after. */
export const ofSystemsInUse = `
  from dues join jobs on jobs.firm_id = dues.firm_id and jobs.id = dues.job_id
  where dues.firm_id = :firmId and jobs.finished and jobs.archived_at is null and jobs.removed_at is null`;

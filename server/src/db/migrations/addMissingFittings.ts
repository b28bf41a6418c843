import { starterCatalogue } from '@katharos/job';
import { QueryTypes, type QueryInterface } from 'sequelize';

/** Firms that began before a fitting was in the starter catalogue get it behind their own parts, unless they have one that does the same. */
export async function addMissingFittings(query: QueryInterface): Promise<void> {
  const firms = await query.sequelize.query<{ id: string }>('select id from firms', {
    type: QueryTypes.SELECT,
  });
  const parts = starterCatalogue.filter(({ kind }) => kind === 'fitting');
  for (const { id } of firms) {
    for (const part of parts) {
      await query.sequelize.query(
        `insert into parts (firm_id, part_id, position, part)
         select :firm, :part, coalesce(max(position), 0) + 1, :value from parts where firm_id = :firm
         having not coalesce(bool_or(part ->> 'role' = :role or part_id = :part), false)`,
        {
          replacements: {
            firm: id,
            part: part.id,
            value: JSON.stringify(part),
            role: part.kind === 'fitting' ? part.role : '',
          },
          type: QueryTypes.INSERT,
        },
      );
    }
  }
}

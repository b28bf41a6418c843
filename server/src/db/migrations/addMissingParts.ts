import type { Part } from '@katharos/core';
import { QueryTypes, type QueryInterface } from 'sequelize';
import parts202611 from './data/parts-2026-11.json' with { type: 'json' };

/** Parts as the starter catalogue had them then: what a migration does must not change with what a new firm begins with. */
const starterParts = parts202611 as unknown as readonly Part[];

/**
 * Firms that began before parts of a kind were in the starter catalogue get them behind their own, unless they have some that do the
 * same: of fittings one for each role.
 */
export async function addMissingParts(query: QueryInterface, kind: Part['kind']): Promise<void> {
  const firms = await query.sequelize.query<{ id: string }>('select id from firms', {
    type: QueryTypes.SELECT,
  });
  const parts = starterParts.filter((part) => part.kind === kind);
  const has = async (firm: string) => {
    const found = await query.sequelize.query(
      "select 1 from parts where firm_id = :firm and part ->> 'kind' = :kind limit 1",
      { replacements: { firm, kind }, type: QueryTypes.SELECT },
    );
    return found.length > 0;
  };
  for (const { id } of firms) {
    if (kind !== 'fitting' && (await has(id))) continue;
    for (const part of parts) {
      await query.sequelize.query(
        `insert into parts (firm_id, part_id, position, part)
         select :firm, :part, coalesce(max(position), 0) + 1, :value from parts where firm_id = :firm
         having not coalesce(bool_or(
           part_id = :part or part ->> 'role' = :role
         ), false)`,
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

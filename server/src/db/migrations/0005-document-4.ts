import { upgradeDocument3 } from '@katharos/job';
import { addMissingParts } from './addMissingParts.ts';
import { rewrite } from './rewrite.ts';
import type { QueryInterface } from 'sequelize';

/** Documents brought to the form of version 4; firms that have pumps but nothing that closes behind them get a solenoid, and all get units and kits. */
export async function up(query: QueryInterface): Promise<void> {
  await rewrite(query, 'jobs', 'id', 'document', upgradeDocument3);
  await addMissingParts(query, 'solenoid');
  await addMissingParts(query, 'unit');
  await addMissingParts(query, 'kit');
  await addMissingParts(query, 'fitting');
}

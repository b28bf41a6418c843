import type { QueryInterface } from 'sequelize';

/** Tables whose key did not begin with the firm, with what follows it. */
const keys = {
  users: ['id'],
  sessions: ['token_hash'],
  jobs: ['id'],
  photographs: ['id'],
  papers: ['id'],
  papers_to_record: ['job_id', 'kind'],
} as const;

type Keyed = 'users' | 'jobs' | 'photographs';

/** What refers to them: table, column, whose, and what becomes of it. */
const references: readonly (readonly [table: string, column: string, to: Keyed, then: string])[] = [
  ['sessions', 'user_id', 'users', 'cascade'],
  ['feeds', 'user_id', 'users', 'cascade'],
  ['password_resets', 'user_id', 'users', 'cascade'],
  ['stock_places', 'user_id', 'users', 'set null (user_id)'],
  ['photographs', 'job_id', 'jobs', 'cascade'],
  ['van_takings', 'job_id', 'jobs', 'cascade'],
  ['papers', 'job_id', 'jobs', 'cascade'],
  ['papers_to_record', 'job_id', 'jobs', 'cascade'],
  ['dues', 'job_id', 'jobs', 'cascade'],
  ['household_pages', 'job_id', 'jobs', 'cascade'],
  ['household_words', 'job_id', 'jobs', 'cascade'],
  ['letters', 'job_id', 'jobs', 'cascade'],
  ['readings', 'job_id', 'jobs', 'cascade'],
  ['household_words', 'photograph_id', 'photographs', 'set null (photograph_id)'],
];

/**
 * Every key begins with the firm, and so does every reference: a firm's rows lie together, none can refer to another firm's, and they
 * could lie on a machine of their own. A token is still found by itself: who brings one has not said whose it is.
 */
export async function up(query: QueryInterface): Promise<void> {
  const run = (sql: string) => query.sequelize.query(sql);
  for (const [table, column] of references)
    await run(`alter table ${table} drop constraint ${table}_${column}_fkey`);
  for (const [table, columns] of Object.entries(keys))
    await run(
      `alter table ${table} drop constraint ${table}_pkey, add primary key (firm_id, ${columns.join(', ')})`,
    );
  await run('create unique index sessions_token_hash on sessions (token_hash)');
  for (const [table, column, to, then] of references)
    await run(
      `alter table ${table} add constraint ${table}_${column}_fkey foreign key (firm_id, ${column})
       references ${to} (firm_id, id) on delete ${then}`,
    );
}

import { DataTypes, type QueryInterface, QueryTypes } from 'sequelize';
import { noSeal } from '../../sealing/chain.ts';
import { type Sealed, sealOf } from '../../sealing/seal.ts';

const required = (type: DataTypes.DataType) => ({ type, allowNull: false });
const key = (type: DataTypes.DataType) => ({ ...required(type), primaryKey: true });

/** A chain over each firm's certificates; those that were issued before are joined in the order in which they were. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('seals', {
    firm_id: {
      ...key(DataTypes.UUID),
      references: { model: 'firms', key: 'id' },
      onDelete: 'CASCADE',
    },
    link: key(DataTypes.INTEGER),
    // Without a reference: a certificate that was taken out of the database leaves its place in the chain behind.
    paper_id: required(DataTypes.UUID),
    job: required(DataTypes.INTEGER),
    version: required(DataTypes.INTEGER),
    hash: required(DataTypes.TEXT),
    issued_at: required(DataTypes.DATE),
    issued_by: required(DataTypes.TEXT),
    reason: required(DataTypes.TEXT),
    gaps: required(DataTypes.JSONB),
    before: required(DataTypes.TEXT),
    seal: required(DataTypes.TEXT),
  });
  await query.addIndex('seals', ['firm_id', 'paper_id'], { unique: true });
  await query.sequelize.query(
    'create trigger keep_seals before update on seals for each row execute function refuse_change()',
  );
  await sealIssued(query);
}

type Issued = Omit<Sealed, 'link' | 'before' | 'issuedAt'> & {
  firmId: string;
  paperId: string;
  issuedAt: Date;
};

async function sealIssued({ sequelize }: QueryInterface): Promise<void> {
  const issued = await sequelize.query<Issued>(
    `select firm_id as "firmId", papers.id as "paperId", jobs.number as job, papers.version, hash,
       issued_at as "issuedAt", issued_by as "issuedBy", reason, gaps
     from papers join jobs using (firm_id) where jobs.id = job_id and kind = 'certificate'
     order by firm_id, issued_at, papers.id`,
    { type: QueryTypes.SELECT },
  );
  const last = new Map<string, { link: number; seal: string }>();
  for (const { firmId, paperId, issuedAt, gaps, ...said } of issued) {
    const latest = last.get(firmId) ?? { link: 0, seal: noSeal };
    const link = latest.link + 1;
    const before = latest.seal;
    const seal = sealOf({ ...said, gaps, link, before, issuedAt: issuedAt.toISOString() });
    await sequelize.query(
      `insert into seals values (:firmId, :link, :paperId, :job, :version, :hash, :issuedAt, :issuedBy, :reason, :gaps, :before, :seal)`,
      {
        replacements: {
          ...said,
          firmId,
          paperId,
          link,
          before,
          seal,
          issuedAt,
          gaps: JSON.stringify(gaps),
        },
      },
    );
    last.set(firmId, { link, seal });
  }
}

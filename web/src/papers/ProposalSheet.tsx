import type { Proposal } from '@katharos/papers';
import { Caveats, Paper } from './Paper.tsx';
import type { PaperRecord } from '@katharos/contract';
import styles from './Proposal.module.css';

/** The proposal as a sheet. */
export function ProposalSheet({
  proposal,
  record,
}: {
  proposal: Proposal;
  /** Of an issued version; null for a draft. */
  record: PaperRecord | null;
}) {
  const { totals } = proposal;
  return (
    <Paper
      name="Proposal"
      firm={proposal.firm}
      title={`Proposal, no. ${proposal.number}`}
      record={record}
      className={styles.sheet}
    >
      <h1 className={styles.title}>{proposal.title}</h1>
      <p>
        <strong>{[proposal.customer, proposal.address].filter(Boolean).join(', ')}</strong>
      </p>
      <Paragraphs head="What we found" lines={proposal.found} />
      <Paragraphs head="What we propose" lines={proposal.proposed} />
      {proposal.figures.length > 0 && (
        <section>
          <h2>What it does</h2>
          <table>
            <tbody>
              {proposal.figures.map(([label, value]) => (
                <tr key={label}>
                  <th scope="row">{label}</th>
                  <td className={styles.number}>{value}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {proposal.decided.length > 0 && (
        <Paragraphs head="Decided with you" lines={proposal.decided} />
      )}
      <section>
        <h2>What it costs</h2>
        <table>
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col" className={styles.number}>
                Quantity
              </th>
              <th scope="col" className={styles.number}>
                Price
              </th>
            </tr>
          </thead>
          <tbody>
            {proposal.prices.map(({ name, quantity, price }) => (
              <tr key={name}>
                <td>{name}</td>
                <td className={styles.number}>{quantity}</td>
                <td className={styles.number}>{price}</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <Sum label="Sum" value={totals.net} />
            <Sum label={totals.taxLabel} value={totals.tax} />
            <Sum label="To pay" value={totals.gross} bold />
          </tfoot>
        </table>
      </section>
      {proposal.agreed && <p>{proposal.agreed}</p>}
      <Caveats lines={proposal.caveats} />
      <p className={styles.signature}>{proposal.signature}</p>
    </Paper>
  );
}

function Paragraphs({ head, lines }: { head: string; lines: readonly string[] }) {
  return (
    <section>
      <h2>{head}</h2>
      {lines.map((line) => (
        <p key={line}>{line}</p>
      ))}
    </section>
  );
}

const Sum = ({ label, value, bold }: { label: string; value: string; bold?: boolean }) => (
  <tr className={bold ? styles.bold : undefined}>
    <th scope="row" colSpan={2}>
      {label}
    </th>
    <td className={styles.number}>{value}</td>
  </tr>
);

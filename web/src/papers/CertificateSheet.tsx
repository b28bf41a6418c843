import type { Certificate } from '@katharos/papers';
import { verdictHead } from '@katharos/words';
import { Caveats, Paper } from './Paper.tsx';
import type { PaperRecord, Seal } from '@katharos/contract';
import styles from './Certificate.module.css';

/** The certificate as a sheet. */
export function CertificateSheet({
  certificate,
  record,
  seal,
}: {
  certificate: Certificate;
  /** Of an issued version; null for a draft. */
  record: PaperRecord | null;
  seal?: Seal | null;
}) {
  return (
    <Paper
      name="Certificate"
      firm={certificate.firm}
      title={`${certificate.title}, no. ${certificate.number}`}
      record={record}
      seal={seal}
    >
      <h1 className={styles.result} data-grade={certificate.grade ?? 'record'}>
        {certificate.result}
      </h1>
      <p>
        <strong>{[certificate.customer, certificate.address].filter(Boolean).join(', ')}</strong>
      </p>
      {certificate.sentences.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
      <div className={styles.tables}>
        {certificate.tables.map(({ heading, rows }) => (
          <table key={heading}>
            <caption>{heading}</caption>
            <tbody>
              {rows.map(([label, value]) => (
                <tr key={label}>
                  <th scope="row">{label}</th>
                  <td>{value}</td>
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      </div>
      <Caveats lines={certificate.caveats} />
      <p className={styles.signature}>
        {certificate.signature} <span className={styles.grade}>{verdictHead(certificate)}</span>
      </p>
    </Paper>
  );
}

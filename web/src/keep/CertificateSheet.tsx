import type { Certificate } from '@katharos/contract';
import { gradeWords } from '@katharos/contract';
import styles from './Certificate.module.css';

/** The certificate as a sheet. */
export function CertificateSheet({ certificate }: { certificate: Certificate }) {
  return (
    <article className={styles.sheet} aria-label="Certificate">
      <header className={styles.head}>
        <strong>{certificate.firm}</strong>
        <span>
          {certificate.title}, no. {certificate.number}
        </span>
      </header>
      <p className={styles.result} data-grade={certificate.grade}>
        {certificate.result}
      </p>
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
      {certificate.caveats.map((caveat) => (
        <p className={styles.caveat} key={caveat}>
          {caveat}
        </p>
      ))}
      <p className={styles.signature}>
        {certificate.signature}{' '}
        <span className={styles.grade}>{gradeWords[certificate.grade]}</span>
      </p>
    </article>
  );
}

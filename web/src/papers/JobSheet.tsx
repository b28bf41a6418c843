import type { JobSheetContent } from '@katharos/papers';
import { Paper } from './Paper.tsx';
import { SvgButton, SvgPicture } from '../ui/SvgPicture.tsx';
import { HolePlan } from './HolePlan.tsx';
import QRCode from 'qrcode';
import { useEffect, useState } from 'react';
import styles from './Sheet.module.css';

/** All that one person needs, kneeling: what is loaded and must be known, order of work, tubes, labels, and the holes at one to one. */
export function JobSheet({ jobId, sheet }: { jobId: string; sheet: JobSheetContent }) {
  const { number, firm, title, customer, note, steps, cabinet } = sheet;
  return (
    <Paper name="Job sheet" firm={firm} title={title} className={styles.sheet}>
      <h1>{customer}</h1>
      {note && <p>{note}</p>}
      <Cover cover={sheet.cover} />
      <h2 className={styles.page}>Order of work</h2>
      <ol className={styles.steps} aria-label="Order of work">
        {steps.map((step) => (
          <li key={step.id}>
            <span className={styles.box} aria-hidden>
              {step.done ? '✓' : ''}
            </span>
            <div>
              <strong>{step.title}.</strong> {step.instruction}
              {step.cautions.map((caution) => (
                <em key={caution}> {caution}</em>
              ))}
              {step.takes && <div>{step.takes}</div>}
              <div>{step.proof}</div>
              {step.note && <div>{step.note}</div>}
            </div>
          </li>
        ))}
      </ol>
      {cabinet && (
        <section className={styles.drawing}>
          <h2>Where it stands, one to ten</h2>
          <SvgPicture svg={cabinet} label="Cabinet from the door and from above, one to ten" />
          <SvgButton svg={cabinet} file={`cabinet-${number}.svg`}>
            Drawing as SVG
          </SvgButton>
        </section>
      )}
      <h2>Tubes</h2>
      <table aria-label="Tubes">
        <thead>
          <tr>
            {['No.', 'From – to', 'Label', 'Tube', 'Colour', 'Cut', 'Ends', 'Clips'].map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sheet.tubes.map((tube) => (
            <tr key={tube.id}>
              <td>{tube.label}</td>
              <td>{tube.way}</td>
              <td>{tube.carries}</td>
              <td>{tube.size}</td>
              <td>{tube.colour}</td>
              <td>
                {tube.cut}
                {tube.cutNote ? `, ${tube.cutNote}` : ''}
              </td>
              <td>{tube.ends}</td>
              <td>{tube.clips}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Labels jobId={jobId} labels={sheet.labels} />
      <HolePlan holes={sheet.holes} />
    </Paper>
  );
}

/** The first page: what is loaded, and what must be known before the valve is touched. */
function Cover({ cover }: { cover: JobSheetContent['cover'] }) {
  const { waterOff, holes, deviation, cautions, codes, line, load, tools } = cover;
  const counted = load.some(({ toBuy }) => toBuy !== null);
  return (
    <>
      <p>
        <strong>{waterOff}</strong>
        <br />
        <strong>{holes}</strong>
        {deviation && (
          <>
            <br />
            <strong>{deviation}</strong>
          </>
        )}
      </p>
      <h2>What matters on this job</h2>
      <ul>
        {[...cautions, codes].map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
      <section>
        <h2>The line</h2>
        <SvgPicture svg={line} label="The line with its joints and tube numbers" fits />
      </section>
      <h2>To load</h2>
      <table aria-label="Parts" className={styles.load}>
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Quantity</th>
            {counted && <th scope="col">To buy</th>}
          </tr>
        </thead>
        <tbody>
          {load.map(({ name, quantity, toBuy }) => (
            <tr key={name}>
              <td>{name}</td>
              <td>{quantity}</td>
              {counted && <td>{toBuy}</td>}
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        <strong>Tools:</strong> {tools}
      </p>
    </>
  );
}

/** Two labels for every tube, with a code that opens the job. */
function Labels({ jobId, labels }: { jobId: string; labels: JobSheetContent['labels'] }) {
  const [code, setCode] = useState<string | null>(null);
  useEffect(() => {
    void QRCode.toString(`${window.location.origin}/jobs/${jobId}/plumb`, {
      type: 'svg',
      margin: 0,
      // A label is read from near by and seldom dirty: fewer, larger squares scan better from a tube.
      errorCorrectionLevel: 'L',
    }).then((svg) => setCode(`data:image/svg+xml;utf8,${encodeURIComponent(svg)}`));
  }, [jobId]);
  return (
    <section className={styles.page}>
      <h2>Labels, one for each end</h2>
      <div className={styles.labels}>
        {labels.map(({ id, head, way, at }) => (
          <div key={id} className={styles.label}>
            {code && <img src={code} alt="" width={76} height={76} />}
            <span>
              <strong>{head}</strong>
              <br />
              {way}
              <br />
              {at}
            </span>
          </div>
        ))}
      </div>
    </section>
  );
}
